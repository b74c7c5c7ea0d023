/** Nothing at all answered: there is no run. */
export class NothingAnswered extends Error {
  constructor(
    readonly url: string,
    readonly reason: string,
  ) {
    super(`Nothing answered at ${url}: ${reason} Is the server running, and is the address right?`)
  }
}
