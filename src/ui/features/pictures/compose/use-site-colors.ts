'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useState } from 'react'
import type { SiteColor } from '@/core/image'
import { firstValue } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { imageAt, thumbAt } from '@/store/images'
import { readStoredPage } from '@/store/pages'
import { thumbKey } from '@/store/thumb-key'
import { onPicture } from '../../../state/pictures/picture-worker'
import type { ComposeSection } from './compose-sections'

/** Pictures of the section that are looked at. */
const PICTURES = 3
/** Colours that are shown. */
const MOST = 10

/** Colours of pictures that the section's pages name. A hint: what can't be looked at is left out. */
async function colorsOfPictures(run: string, section: ComposeSection): Promise<SiteColor[]> {
  const found: SiteColor[] = []
  let looked = 0
  for (const { url } of section.pages) {
    if (looked === PICTURES) break
    const stored = await readStoredPage(run, url)
    const named = stored?.page.facts ? firstValue(stored.page.facts, 'og:image') : null
    const image = named && URL.canParse(named, url) ? await imageAt(run, new URL(named, url).href) : null
    const thumb = image && image.errorCode === null ? await thumbAt(thumbKey(image)) : null
    if (!thumb) continue
    looked++
    const colors = await onPicture('colors', { picture: thumb }).catch(() => [])
    for (const color of colors.slice(0, 2))
      found.push({ name: `in ${new URL(image!.url).pathname.split('/').at(-1)}`, color })
  }
  return found
}

/**
 * The site's own colours: what a page names as its theme, what its style sheets keep in custom properties, what its
 * pictures are made of. undefined while the first of them are read.
 */
export function useSiteColors(run: StoredRun, section: ComposeSection): readonly SiteColor[] | undefined {
  const page = section.pages[0]!.url
  const named = useLiveQuery(async () => {
    const stored = await readStoredPage(run.id, page)
    const theme = stored?.page.facts ? firstValue(stored.page.facts, 'theme-color')?.trim().toLowerCase() : null
    const ofTheme = theme && /^#[0-9a-f]{6}$/.test(theme) ? [{ name: 'theme-color', color: theme }] : []
    return [...ofTheme, ...(run.survey?.colors ?? [])]
  }, [run.id, page])
  const [ofPictures, setOfPictures] = useState<SiteColor[]>([])
  useEffect(() => {
    let isGone = false
    void colorsOfPictures(run.id, section)
      .catch(() => [])
      .then((colors) => !isGone && setOfPictures(colors))
    return () => {
      isGone = true
    }
  }, [run.id, section])
  return (
    named &&
    [...new Map([...named, ...ofPictures].reverse().map((one) => [one.color, one])).values()].reverse().slice(0, MOST)
  )
}
