import { type ShownAddress, shownAddress } from '../address'

/** Nothing at all answered: there is no run. */
export class NothingAnswered extends Error {
  readonly url: ShownAddress
  readonly reason: string

  /** @param words the whole sentence, where it is no server that gave nothing */
  constructor(url: string, reason: string, words?: string) {
    const [shown, why] = [shownAddress(url), shownAddress(reason)]
    super(
      words === undefined
        ? `Nothing answered at ${shown}: ${why} Is the server running, and is the address right?`
        : shownAddress(words),
    )
    this.url = shown
    this.reason = why
  }
}

/** A folder or a zip without a page in it. @param files how many files it has */
export const noPagesIn = (location: string, kind: 'folder' | 'zip', files: number): NothingAnswered =>
  new NothingAnswered(
    location,
    'there is no HTML file in it.',
    files === 0
      ? `The ${kind} ${location} is empty. Build the site first, or give the ${kind} that the build writes.`
      : `The ${kind} ${location} has no HTML file in it, among ${files === 1 ? 'one file' : `${files} files`}. Give the ${kind} that the build writes its pages to.`,
  )
