/** A parameter that lets somebody in. */
export type SecretParameter = readonly [name: string, value: string]

/** Stands where a secret was. */
const HIDDEN = '…'

/** A shorter value is a word that a page may well say by itself: it is taken out as a parameter alone. */
const LEAST = 6

const forms = (value: string): string[] => [
  ...new Set([value, encodeURIComponent(value), JSON.stringify(value).slice(1, -1)]),
]

/** What sets a parameter off, as a URL or as HTML writes it. */
const SIGNS = ['&amp;', '?', '&', ';', '#'] as const

const signBefore = (text: string, at: number, from: number) =>
  SIGNS.find((sign) => at - sign.length >= from && text.startsWith(sign, at - sign.length))

/** A text without one `name=value` of a query, and without the sign that set it off. */
function withoutParameter(text: string, parameter: string): string {
  let shown = ''
  let from = 0
  // The parameters before this one went, and the sign of the first is left for those that stay.
  let isFirstLeft = false
  for (let at = text.indexOf(parameter); at >= 0; at = text.indexOf(parameter, at + 1)) {
    const end = at + parameter.length
    const isNext: boolean = isFirstLeft && at === from
    const sign: string | undefined = isNext ? '?' : signBefore(text, at, from)
    // Only whole: `token=abc` is no part of `token=abcd`, nor of `xtoken=abc`.
    if (sign === undefined || /^[\w.~%-]/.test(text.slice(end, end + 1))) continue
    const next = text.startsWith('&amp;', end) ? 5 : text[end] === '&' ? 1 : 0
    const isFirst: boolean = sign === '?' || sign === '#'
    isFirstLeft = isFirst && next > 0
    if (isNext) shown = isFirstLeft ? shown : shown.slice(0, -1)
    else shown += text.slice(from, isFirstLeft ? at : at - sign.length)
    from = isFirstLeft ? end + next : end
  }
  return shown + text.slice(from)
}

/**
 * Takes the values of a run's own secrets out of texts, wherever they come from: a server may well write the URL that it
 * was asked by into og:url, and what it says is kept and handed on.
 *
 * @param parameters of the URLs that the user gave
 * @param values what else lets somebody in: a password, the values of headers
 * @returns maps any value: the texts in it, however deep; the same where no text holds a secret
 */
export function withoutValues(parameters: readonly SecretParameter[], values: readonly string[]): <T>(value: T) => T {
  const whole = parameters.flatMap(([name, value]) =>
    value === '' ? [] : forms(value).map((form) => `${name}=${form}`),
  )
  const others = [...parameters.map(([, value]) => value), ...values].filter(({ length }) => length >= LEAST)
  const plain = [...new Set(others.flatMap(forms))].sort((a, b) => b.length - a.length)
  const ofText = (text: string): string => {
    let shown = text
    for (const one of whole) if (shown.includes(one)) shown = withoutParameter(shown, one)
    for (const one of plain) if (shown.includes(one)) shown = shown.replaceAll(one, HIDDEN)
    return shown
  }
  const map = (value: unknown): unknown => {
    if (typeof value === 'string') return ofText(value)
    if (Array.isArray(value)) return value.map(map)
    if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value)) return value
    return Object.fromEntries(Object.entries(value).map(([key, own]) => [ofText(key), map(own)]))
  }
  return whole.length + plain.length === 0 ? (value) => value : <T>(value: T) => map(value) as T
}
