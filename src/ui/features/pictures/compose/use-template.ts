'use client'

import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { firstTemplate, type PictureTemplate } from '@/core/compose'
import { keepTemplate, templatesOf } from '@/store/templates'
import { useSurfaces } from '../../../state/surface/use-surfaces'
import { forgetLeft, keepChanged, takeLeft } from './left-template'
import { type Past, withPast } from './template-past'

export type TemplateState = {
  template: PictureTemplate
  /** It has not been changed yet. */
  isFirst: boolean
  change: (change: Partial<PictureTemplate>) => void
  /** Takes the section's template away: it begins again. */
  reset: () => void
  /** Takes the last change back; null where there is none. */
  undo: (() => void) | null
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
  const places = useSurfaces()
  const key = `${site}\n${section}\n${revision}`
  const [held, setHeld] = useState<{ key: string; template: PictureTemplate | null; past: Past }>()
  const unkept = useRef<{ section: string; template: PictureTemplate } | null>(null)
  const keep = useCallback(() => {
    if (unkept.current) void keepChanged({ site, ...unkept.current })
    unkept.current = null
  }, [site])
  useEffect(() => {
    let isGone = false
    const read = takeLeft().then(() => templatesOf(site))
    void read.then((all) => !isGone && setHeld({ key, template: all[section] ?? null, past: [] }))
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
        const next = { ...(now.template ?? firstTemplate(color, places)), ...part }
        unkept.current = { section, template: next }
        const what = Object.keys(part).join(' ')
        return { ...now, template: next, past: withPast(now.past, now.template, what, Date.now()) }
      }),
    [section, color, places],
  )
  const reset = useCallback(() => {
    unkept.current = null
    forgetLeft()
    void keepTemplate(site, section, null)
    setHeld((now) => now && { ...now, template: null, past: withPast(now.past, now.template, 'all', Date.now()) })
  }, [site, section])
  const undo = useCallback(
    () =>
      setHeld((now) => {
        const last = now?.past.at(-1)
        if (!now || !last) return now
        unkept.current = last.template && { section, template: last.template }
        if (last.template === null) void keepTemplate(site, section, null)
        return { ...now, template: last.template, past: now.past.slice(0, -1) }
      }),
    [site, section],
  )
  if (template === undefined) return undefined
  return {
    template: template ?? firstTemplate(color, places),
    isFirst: template === null,
    change,
    reset,
    undo: held?.past.length ? undo : null,
  }
}
