import { type Area, parseView } from '../view/view'

/** Does the key belong to a field that is being typed into, or to an open dialog? */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  return Boolean(target?.closest('input, textarea, select, [contenteditable], [role="dialog"], [role="menu"]'))
}

/** Area in the address, which is ahead of what is drawn while keys come faster than drawings. */
export function addressedArea(): Area {
  return parseView(window.location.pathname, window.location.search).area
}
