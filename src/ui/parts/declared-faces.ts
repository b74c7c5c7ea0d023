'use client'

import type { ShippedFace } from '@/workers/faces'

/** Families that ship with the app, as they are called in templates. */
export const shippedFamilies = ['Arimo', 'Bricolage Grotesque', 'Hanken Grotesk', 'JetBrains Mono'] as const

/** `"Hanken Grotesk Variable"` in a style sheet is Hanken Grotesk. */
const plainName = (family: string) => family.replace(/^["']|["']$/g, '').replace(/ Variable$/, '')

/** What the app's own style sheets say of the faces that ship with it. */
export function declaredFaces(): ShippedFace[] {
  return [...document.styleSheets].flatMap((sheet) => {
    if (!sheet.href?.startsWith(location.origin)) return []
    return [...sheet.cssRules].flatMap((rule) => {
      if (!(rule instanceof CSSFontFaceRule)) return []
      const { style } = rule
      const family = plainName(style.getPropertyValue('font-family'))
      const url = /url\(["']?([^"')]+)/.exec(style.getPropertyValue('src'))?.[1]
      const isUpright = !/italic/.test(style.getPropertyValue('font-style'))
      if (!url || !isUpright || !shippedFamilies.some((name) => name === family)) return []
      return [
        {
          family,
          source: new URL(url, sheet.href!).href,
          weight: style.getPropertyValue('font-weight') || 'normal',
          unicodeRange: style.getPropertyValue('unicode-range'),
        },
      ]
    })
  })
}
