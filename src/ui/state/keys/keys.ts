import { areas } from '../view/areas'

/** What a key does: the keys, and what is told of it. Without `help` it is told with another. */
type Entry = { keys: readonly string[]; help?: readonly [shown: string, says: string] }

/** Every key of the app that is pressed by itself. What is told under “?” is made from this. */
const ACTIONS = {
  left: { keys: ['ArrowLeft', 'h'], help: ['← → ↑ ↓', 'Move over the wall (also H L K J)'] },
  right: { keys: ['ArrowRight', 'l'] },
  up: { keys: ['ArrowUp', 'k'], help: ['J  K', 'Next and previous page, on a page; next and previous line of a list'] },
  down: { keys: ['ArrowDown', 'j'] },
  open: { keys: ['Enter'], help: ['Enter', 'Open the page'] },
  back: { keys: ['Escape'], help: ['Esc', 'Go back'] },
  surface: { keys: [...'1234567890'], help: ['1 – 9, 0', 'Surface'] },
  beside: { keys: [], help: ['Shift and a digit', 'A second surface beside it, on the wall'] },
  'look-again': { keys: ['r'], help: ['R', 'Look again, on a page'] },
  draft: { keys: ['e'], help: ['E', 'Draft, on a page'] },
  select: { keys: ['x'], help: ['X', 'Select the card, on the wall'] },
  search: { keys: ['/'], help: ['/', 'Search the wall'] },
  ask: { keys: ['o'], help: ['O  T  N  U', 'Ask a place again, asked by hand, asked in vain, take back, in Drift'] },
  'asked-by-hand': { keys: ['t'] },
  'asked-in-vain': { keys: ['n'] },
  'take-back': { keys: ['u'] },
  'say-yes': { keys: ['y'], help: ['Y  N  S', 'Yes, no, later, to a question in Clearance'] },
  later: { keys: ['s'] },
  help: { keys: ['?'], help: ['?', 'Show these keys'] },
} as const satisfies Record<string, Entry>

export type Action = keyof typeof ACTIONS

/** Keys that are pressed with Ctrl or ⌘, in a field as well. */
const CONTROLLED = {
  undo: ['Ctrl Z, Ctrl Shift Z', 'Undo and redo what was drafted'],
  jump: ['Ctrl K', 'Jump to a page, an area or an action'],
} as const

/** Time in which the second letter of a pair must follow, in ms. */
export const PAIR_MS = 1200

const BY_KEY = new Map(
  Object.entries(ACTIONS).flatMap(([action, { keys }]) => keys.map((key) => [key, action as Action] as const)),
)

type Pressed = Pick<KeyboardEvent, 'key' | 'code' | 'shiftKey' | 'ctrlKey' | 'metaKey' | 'altKey'>

/** What a key does by itself; null where it does nothing. */
export function actionOf(event: Pressed): Action | null {
  if (event.ctrlKey || event.metaKey || event.altKey) return null
  if (event.shiftKey && event.code.startsWith('Digit')) return 'beside'
  return BY_KEY.get(event.key) ?? null
}

/** What a key does with Ctrl or ⌘; null where it does nothing. */
export function controlledActionOf(event: Pressed): 'undo' | 'redo' | 'jump' | null {
  if (!(event.ctrlKey || event.metaKey) || event.altKey) return null
  const key = event.key.toLowerCase()
  if (key === 'k') return 'jump'
  if (key === 'y' || (key === 'z' && event.shiftKey)) return 'redo'
  return key === 'z' ? 'undo' : null
}

/** All keys as they are told to people: the keys, and what they do. */
export function keyHelp(): (readonly [shown: string, says: string])[] {
  const alone: readonly Entry[] = Object.values(ACTIONS)
  return [
    ...alone.flatMap(({ help }) => (help ? [help] : [])),
    ['Alt and a digit', 'Take a text that the page offers, in a field of a draft'],
    ...Object.values(CONTROLLED),
    ...areas.flatMap(({ letter, name }) =>
      letter === null ? [] : [[`G ${letter.toUpperCase()}`, `Go to ${name}`] as const],
    ),
  ]
}
