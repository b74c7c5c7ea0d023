'use client'

import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { firstTemplate, type PictureTemplate } from '@/core/compose'
import { keepTemplate, templatesOf } from '@/store/templates'
import { forgetLeft, keepChanged, takeLeft } from './left-template'

export type TemplateState = {
  template: PictureTemplate
  /** It has not been changed yet. */
  isFirst: boolean
  change: (change: Partial<PictureTemplate>) => void
  /** Takes the section's template away: it begins again. */
  reset: () => void
}

/**
 * The template of a section as it is worked on, kept as it changes; undefined until it is read.
 *
 * @param color the site's own, to begin with
 * @param revision another number reads it again
 */
export function useTemplate(
  site: string,
  section: string,
  color: string | null,
  revision: number,
): TemplateState | undefined {
  const key = `${site}\n${section}\n${revision}`
  const [held, setHeld] = useState<{ key: string; template: PictureTemplate | null }>()
  const unkept = useRef<{ section: string; template: PictureTemplate } | null>(null)
  const keep = useCallback(() => {
    if (unkept.current) void keepChanged({ site, ...unkept.current })
    unkept.current = null
  }, [site])
  useEffect(() => {
    let isGone = false
    const read = takeLeft().then(() => templatesOf(site))
    void read.then((all) => !isGone && setHeld({ key, template: all[section] ?? null }))
    return () => {
      isGone = true
      keep()
    }
  }, [key, site, section, keep])
  const template = held?.key === key ? held.template : undefined
  // Before anything else can happen: a tab that is closed or reloaded right after a change has it all the same.
  useLayoutEffect(() => {
    if (template) keep()
  }, [template, keep])
  const change = useCallback(
    (part: Partial<PictureTemplate>) =>
      setHeld((now) => {
        if (!now) return now
        const next = { ...(now.template ?? firstTemplate(color)), ...part }
        unkept.current = { section, template: next }
        return { ...now, template: next }
      }),
    [section, color],
  )
  const reset = useCallback(() => {
    unkept.current = null
    forgetLeft()
    void keepTemplate(site, section, null)
    setHeld((now) => now && { ...now, template: null })
  }, [site, section])
  if (template === undefined) return undefined
  return { template: template ?? firstTemplate(color), isFirst: template === null, change, reset }
}
