import { type ShownAddress, shownAddress } from '../address'

/** Nothing at all answered: there is no run. */
export class NothingAnswered extends Error {
  readonly url: ShownAddress
  readonly reason: string

  constructor(url: string, reason: string) {
    const [shown, why] = [shownAddress(url), shownAddress(reason)]
    super(`Nothing answered at ${shown}: ${why} Is the server running, and is the address right?`)
    this.url = shown
    this.reason = why
  }
}
