import { hostnameOf, pathnameOf } from '../address'
import type { RunNote } from '../model'

/** Names that pages have where one signs in, as a whole segment of a path. */
const SIGN_IN_SEGMENT =
  /(?:^|\/)(?:login|log-in|signin|sign-in|sign_in|sso|oauth2?|saml2?|auth|authenticate|authorize)(?:\/|\.\w+$|$)/i
/** The same as the first label of a host. */
const SIGN_IN_HOST = /^(?:login|signin|sign-in|auth|accounts?|sso|id|idp)\./i

/** Is it a page where one signs in, going by its URL? */
const isSignIn = (url: string) => SIGN_IN_SEGMENT.test(pathnameOf(url)) || SIGN_IN_HOST.test(hostnameOf(url))

/** Notices pages that answer with the way to a sign-in page: what is behind it was not read. */
export class SignIns {
  private count = 0
  private example: { from: string; to: string } | null = null

  /** @param from the URL that was asked for @param to where its redirects ended */
  note(from: string, to: string): void {
    if (from === to || isSignIn(from) || !isSignIn(to)) return
    this.count++
    this.example ??= { from, to }
  }

  /** What is said of them; null where there are none. */
  words(): RunNote | null {
    if (!this.example) return null
    const { from, to } = this.example
    const which = this.count === 1 ? `${from} redirects` : `${this.count} URLs, such as ${from}, redirect`
    return { kind: 'login-wanted', message: `${which} to a sign-in page, ${to}: what is behind it was not read.` }
  }
}
