/** Strings this short are always copied by the engine. */
const SHORT = 12

/**
 * A copy that doesn't hold on to the page it was cut from. Engines keep a slice as a window into its parent, so one
 * title would keep a whole page in memory for as long as the run lives.
 */
export function copyString(text: string): string {
  return text.length <= SHORT ? text : ` ${text}`.slice(1)
}
