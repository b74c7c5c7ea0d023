'use client'

import { useEffectEvent, useLayoutEffect } from 'react'
import { type Area, parseView, type RouteState } from '../view/view'
import { type Action, actionOf } from './keys'
import { holdKey } from './type-ahead'

/** Does the key belong to a field that is being typed into, or to an open dialog? */
function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  return Boolean(target?.closest('input, textarea, select, [contenteditable], [role="dialog"], [role="menu"]'))
}

/** The view in the address, which is ahead of what is drawn while keys come faster than drawings. */
export const addressedView = (): RouteState => parseView(window.location.pathname, window.location.search)

export const addressedArea = (): Area => addressedView().area

/**
 * Hears the keys that are meant for the app, by what they do. The first listener that takes a key has it alone.
 *
 * @param onAction returns true where it took the key
 * @param onOther the same for keys that do nothing by themselves
 */
export function useKeys(
  onAction: (action: Action, event: KeyboardEvent) => boolean,
  onOther: (event: KeyboardEvent) => boolean = () => false,
): void {
  const heard = useEffectEvent((event: KeyboardEvent) => {
    const action = actionOf(event)
    return action === null ? onOther(event) : onAction(action, event)
  })
  // Before anything is painted: a key that answers what is seen must not be heard by what was there before.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return
      // A letter for a field that is still to come is no key of the app's.
      if (holdKey(event) || heard(event)) event.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}
