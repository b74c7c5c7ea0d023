/** Letters that are typed for a field which is not on the screen yet; null while none is waited for. */
let held: string | null = null

/** How long a field is waited for, in ms. */
const PATIENCE_MS = 10_000

/** Takes a key for the field that is waited for. @returns whether it was taken: it then does nothing else */
export function holdKey(event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey'>): boolean {
  if (held === null || event.ctrlKey || event.metaKey || event.altKey) return false
  if (event.key === 'Escape') {
    held = null
    return false
  }
  if (event.key === 'Backspace') held = [...held].slice(0, -1).join('')
  else if ([...event.key].length === 1) held += event.key
  else return false
  return true
}

/** The first field of a page's draft. */
export const draftField = () => document.querySelector<HTMLTextAreaElement>('[role="tabpanel"] textarea')

/** Puts the cursor into a field as soon as it is there, with what was typed for it in the meantime. */
export function typeInto(find: () => HTMLTextAreaElement | null): void {
  held ??= ''
  const until = performance.now() + PATIENCE_MS
  const look = () => {
    if (held === null) return
    const field = find()
    if (!field) {
      if (performance.now() < until) requestAnimationFrame(look)
      else held = null
      return
    }
    const text = held
    held = null
    field.focus()
    if (text === '') return
    field.setRangeText(text, field.value.length, field.value.length, 'end')
    field.dispatchEvent(new Event('input', { bubbles: true }))
  }
  requestAnimationFrame(look)
}
