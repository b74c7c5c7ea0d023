import { originOf, parseUrl } from './address'

declare const shownBrand: unique symbol
/** Text that holds no password and no token of an address: what may be kept, written and shown. */
export type ShownAddress = string & { readonly [shownBrand]: true }

/** What query parameters that let somebody in are called, without what separates words. */
const SECRET_NAMES: ReadonlySet<string> = new Set([
  ...['token', 'secret', 'password', 'passwd', 'pwd', 'passphrase', 'auth', 'authorization', 'apikey', 'accesskey'],
  ...['signature', 'sig', 'jwt', 'credential', 'credentials', 'bypass'],
])

/** Names that let somebody in where a server sends on with them and a long value; anywhere else they may be a page's own. */
const SECRET_WHERE_SENT_ON = new Set(['ticket', 'sid'])
const LONG = 10

/** The words of a name: at capitals, dashes, dots and brackets. @example wordsOf('auth[accessToken]') // ['auth', 'access', 'token'] */
function wordsOf(name: string): string[] {
  const plain = name.replace(/%5[bd]/gi, ' ').replace(/([a-z0-9])([A-Z])/g, '$1 $2')
  return plain
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word !== '')
}

/** Does a parameter of this name let somebody in? Its last word says what it is, or its last two. */
function isSecret(name: string): boolean {
  const words = wordsOf(name)
  return SECRET_NAMES.has(words.at(-1) ?? '') || SECRET_NAMES.has(words.slice(-2).join(''))
}

/** Stands where a secret was. */
const HIDDEN = '…'
/** A name of a parameter is no longer than this. */
const MAX_NAME = 60

/** Where a value in a text ends. */
const VALUE_END = new Set('&;#\'"<>”’)|\\')

/** Values of secret parameters in a text, whatever else stands in it, become a mark. */
function withoutSecretValues(text: string): string {
  let shown = ''
  let from = 0
  for (let at = 0; at < text.length; at++) {
    if (text[at] !== '?' && text[at] !== '&' && text[at] !== ';' && text[at] !== '#') continue
    const equals = text.slice(at + 1, at + MAX_NAME + 2).indexOf('=')
    if (equals <= 0 || !isSecret(text.slice(at + 1, at + 1 + equals))) continue
    const start = at + equals + 2
    let end = start
    while (end < text.length && !VALUE_END.has(text[end]!) && text[end]!.trim() !== '') end++
    shown += `${text.slice(from, start)}${HIDDEN}`
    from = end
    at = end - 1
  }
  return shown + text.slice(from)
}

/** `//name:password@` in a text. What ends a host ends it; an address may have been mistyped all the same. */
const USERINFO = /\/\/[^\s/?#@"'<>]*@/g

/**
 * A text, of one address or with addresses in it, without what lets somebody in: name and password before a host, and
 * the values of parameters that are called like secrets.
 *
 * @example shownAddress('https://ada:pw@staging.example/?token=abc') // 'https://…@staging.example/?token=…'
 */
export function shownAddress(text: string): ShownAddress {
  const plain = text.includes('@') ? text.replace(USERINFO, `//${HIDDEN}@`) : text
  return (plain.includes('=') ? withoutSecretValues(plain) : plain) as ShownAddress
}

/** Who wrote an address. */
export type AddressOrigin = 'user' | 'server' | 'page'

type Parameter = [name: string, value: string]

/** Addresses held at most with a secret of their own. */
const MAX_HELD = 100_000
/** Secrets of one origin, and of all that texts are gone through for: nobody is let in by more. */
const MAX_OF_ORIGIN = 20
const MAX_KNOWN = 200
/** Secrets that servers send on with: each text of a run is gone through for all of them. */
const MAX_SENT = 100

/**
 * Keeps what is secret in the addresses that a user gives, and that servers send on to, apart from the addresses: a page
 * is known by its address without, and is asked for with it.
 */
export class AddressSecrets {
  private readonly ofOrigin = new Map<string, Parameter[]>()
  private readonly ofAddress = new Map<string, Parameter[]>()
  /** What servers sent on with, by name and value: a page may well write it into its own links. */
  private readonly sent = new Map<string, Parameter>()

  /**
   * The address without its secrets, which are remembered.
   * @param from the user, to whom it lets in at the whole of its origin; a server that sends on; or a page or sitemap,
   *             where only what the user gave is a secret: any other parameter may tell one page from another
   */
  take(address: string, from: AddressOrigin): string {
    const url = address.includes('=') ? parseUrl(address) : null
    if (!url) return address
    const given = new Set((this.ofOrigin.get(url.origin) ?? []).map(([name]) => name))
    const parameters = [...url.searchParams]
    const secrets = parameters.filter(([name, value]) =>
      from === 'page'
        ? given.has(name) || this.sent.has(`${name}=${value}`)
        : isSecret(name) || (from === 'server' && value.length >= LONG && SECRET_WHERE_SENT_ON.has(name.toLowerCase())),
    )
    if (secrets.length === 0) return address
    const names = new Set(secrets.map(([name]) => name))
    // All at once: each by itself would go through the rest again.
    url.search = new URLSearchParams(parameters.filter(([name]) => !names.has(name))).toString()
    const { href, origin } = url
    if (from === 'user' && !this.ofOrigin.has(origin)) this.ofOrigin.set(origin, secrets.slice(0, MAX_OF_ORIGIN))
    if (from === 'server' && this.sent.size < MAX_SENT)
      for (const [name, value] of secrets) this.sent.set(`${name}=${value}`, [name, value])
    if (this.ofAddress.size < MAX_HELD) this.ofAddress.set(href, secrets)
    return href
  }

  /** What the user's own addresses let in by, and what servers sent on with. */
  known(): Parameter[] {
    return [...this.sent.values(), ...[...this.ofOrigin.values()].flat()].slice(0, MAX_KNOWN)
  }

  /** The address as it has to be asked. */
  reveal(address: string): string {
    if (this.ofAddress.size === 0) return address
    const secrets = [...(this.ofAddress.get(address) ?? []), ...(this.ofOrigin.get(originOf(address)) ?? [])]
    const url = secrets.length > 0 ? parseUrl(address) : null
    if (!url) return address
    const held = new Set(url.searchParams.keys())
    const lacking = secrets.filter(([name]) => !held.has(name) && held.add(name))
    if (lacking.length > 0) url.search = new URLSearchParams([...url.searchParams, ...lacking]).toString()
    return url.href
  }
}

/** Name and password in an address that the user gave; null where there are none. */
export function loginInAddress(address: string): { user: string; password: string } | null {
  const url = parseUrl(address)
  if (!url || (url.username === '' && url.password === '')) return null
  const decoded = (part: string) => {
    try {
      return decodeURIComponent(part)
    } catch {
      return part
    }
  }
  return { user: decoded(url.username), password: decoded(url.password) }
}
