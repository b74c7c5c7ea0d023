import { pathOn, withoutUnnamedHost } from '../address'
import { type Cause, type Edit, tallyOf } from '../cause'
import { UNSEEN_RULE } from '../check'
import type { SignatureState } from '../document'
import { LEVELS, type Level, type RunSource, type Summary, type TakenOn } from '../model'
import { groupBy, plural, shownTime } from '../text'
import type { ReportPicture } from './report-cards'
import type { HeldAgainst, RunDocument, StatedFinding } from './run-document'

// What every paper tells of a run, whatever its form: the verdict, what was not read, the scope, who has taken on what,
// who signed, and what is new since a baseline.

/**
 * How a paper is written. `failOn`: what counts as a failure, where the form has failures. `all`: every cause is printed,
 * not only those that stand most in the way.
 */
export type PaperOptions = {
  failOn: Level | 'never'
  all?: boolean
  /** HTML: only the page that a client reads. */
  onePage?: boolean
  /** HTML: small copies of the pictures that its cards show, by address; a grey box stands for the others. */
  pictures?: ReadonlyMap<string, ReportPicture>
  /** HTML: name of the file beside it that has every page with something in the way; absent: there is none. */
  pagesFile?: string | undefined
  /** Zone in which times are told; UTC where the reader is not known. */
  timeZone?: string | undefined
}

export const plainPaper: PaperOptions = { failOn: 'error' }

export const VERDICT_TITLES: Record<Summary['verdict'], string> = {
  clear: 'Clear for launch',
  'not-clear': 'Not clear for launch',
  'not-known': 'Not known whether it is clear',
}

export const countWords = (counts: Record<Level, number>): string =>
  LEVELS.map((level) => plural(counts[level], level)).join(', ')

/** The same in as few words as a line of text has room for. */
function verdictWords({ verdict, unseenCount = 0 }: Summary): string {
  if (verdict !== 'not-known') return verdict === 'clear' ? 'Clear for launch' : 'Not clear'
  return `Not known: not everything was ${unseenCount > 0 ? 'seen' : 'read'}`
}

/** The verdict in one line, as text begins and ends with it. */
export function verdictLine({ summary, baseline }: Pick<RunDocument, 'summary' | 'baseline'>): string {
  const waived = summary.waived > 0 ? `, ${summary.waived} waived` : ''
  const since = baseline ? ` New since the baseline: ${countWords(baseline.new)}.` : ''
  const missing = summary.missing ? `, ${plural(summary.missing, 'URL')} missing` : ''
  return `${verdictWords(summary)}: ${countWords(summary)}${waived}${missing}.${since}`
}

/** One line of what is to be known beside the findings. */
export type PaperLine = {
  kind: 'incomplete' | 'scope' | 'baseline' | 'waiver' | 'signed-off' | 'note'
  text: string
}

type Waived = { finding: StatedFinding & { waiver: TakenOn }; urls: string[] }

/** Everything that was waived, with the addresses that it stands at. */
function waivedFindings(document: RunDocument): Waived[] {
  return [
    ...document.pages.flatMap(({ url, waived = [] }) => waived.map((finding) => ({ finding, urls: [url] }))),
    ...(document.waived ?? []).map((finding) => ({ finding, urls: finding.pages })),
  ]
}

/** `by Ada until 2026-12-31: the photographer asks for it`. */
export const waiverWords = ({ reason, by, until }: TakenOn): string =>
  `by ${by}${until === undefined ? '' : ` until ${until}`}: ${reason}`

function waiverLines(document: RunDocument): string[] {
  const groups = groupBy(waivedFindings(document), ({ finding }) =>
    JSON.stringify([finding.rule, finding.waiver.by, finding.waiver.until ?? null, finding.waiver.reason]),
  )
  return [...groups.values()].map((group) => {
    const { rule, waiver } = group[0]!.finding
    const urls = [...new Set(group.flatMap(({ urls: own }) => own))]
    const where =
      urls.length === 1
        ? pathOn(urls[0]!, document.source.site)
        : urls.length === 0
          ? 'the site'
          : plural(urls.length, 'page')
    const many = group.length > Math.max(1, urls.length) ? ` (${plural(group.length, 'finding')})` : ''
    return `Waived: ${rule} on ${where}${many}, ${waiverWords(waiver)}`
  })
}

/** Things not seen that a paper names before it counts the rest. */
const UNSEEN_TOLD = 5

/** What decides cards and was not seen, and how to let it be seen. */
export function unseenLines({
  summary,
  source,
}: {
  summary: Pick<Summary, 'unseen' | 'unseenCount'> | null
  source: Pick<RunSource, 'site'>
}): string[] {
  const { unseen = [], unseenCount = 0 } = summary ?? {}
  if (unseenCount === 0) return []
  const told = unseen.slice(0, UNSEEN_TOLD).map(({ url, reason, count: pages, first }) => {
    const on = pages === 1 ? pathOn(first[0]!, source.site) : plural(pages, 'page')
    return withoutUnnamedHost(`Not seen: ${url}, which decides the cards of ${on}. ${reason}`)
  })
  const more = unseenCount - told.length
  const rules = [...new Set(unseen.map(({ kind }) => UNSEEN_RULE[kind]))].join(' and of ')
  return [
    ...told,
    ...(more > 0 ? [`Not seen: ${plural(more, 'more image')}.`] : []),
    `To see it, run where its host can be reached. To accept it as it is, add a waiver of ${rules} with a reason.`,
  ]
}

/** What is to be known beside the findings, in the order in which it matters. */
export function paperLines(document: RunDocument, timeZone?: string): PaperLine[] {
  const when = (at: string) => shownTime(at, timeZone)
  const { incomplete, scope, baseline, signedOff, signOff, notes, judgedBy } = document
  const line = (kind: PaperLine['kind']) => (text: string) => ({ kind, text })
  const known = baseline ? LEVELS.reduce((sum, level) => sum + baseline.known[level], 0) : 0
  return [
    ...incomplete.map(({ message }) => `Not read whole: ${message}`).map(line('incomplete')),
    ...unseenLines(document).map(line('incomplete')),
    ...(scope.length > 0 ? [`Scope, as asked: ${scope.join('; ')}.`].map(line('scope')) : []),
    ...(baseline
      ? [
          `Held against the run of ${when(baseline.of)}: new are ${countWords(baseline.new)}; ${plural(known, 'finding')} known before.`,
        ].map(line('baseline'))
      : []),
    ...(judgedBy ? [`Judged by ${judgedBy.file} (${judgedBy.hash.slice(0, 19)}…).`].map(line('note')) : []),
    ...waiverLines(document).map(line('waiver')),
    ...(signedOff ? [signedOffWords(signedOff, when)].map(line('signed-off')) : []),
    ...(signOff ? heldWords(signOff, when).map(line(signOff.differs.length > 0 ? 'incomplete' : 'signed-off')) : []),
    ...notes.map(({ message }) => message).map(line('note')),
  ]
}

/** A moment in the reader's words. */
type When = (at: string) => string

/** What was signed against what is here. */
const heldWords = ({ by, at, differs, signature }: HeldAgainst, when: When): string[] => [
  ...(differs.length === 0
    ? [`What is here is what ${by} signed on ${when(at)}.`]
    : [`This is not what ${by} signed on ${when(at)}.`, ...differs]),
  ...(signature ? [signatureWords(signature, by)] : []),
]

/** What is known of the name on a sign-off, in a sentence. */
export function signatureWords(signature: SignatureState, by: string): string {
  switch (signature.kind) {
    case 'signer':
      return `Signed with the key of ${signature.name}.`
    case 'stranger':
      return `Signed with a key, checked against no signers file: the name ${by} is not verified.`
    case 'broken':
      return `The signature does not match the sign-off: ${by} did not sign this.`
    case 'unsigned':
      return `Signed without a key: the name ${by} is not verified.`
  }
}

function signedOffWords({ by, at, waived, errors = 0 }: NonNullable<RunDocument['signedOff']>, when: When): string {
  const left = [errors > 0 && `${plural(errors, 'error')} left`, waived > 0 && `${waived} waived`].filter(Boolean)
  return `Signed off by ${by}, ${when(at)}${left.length > 0 ? `, with ${left.join(' and ')}` : ''}.`
}

/** Causes that a paper shows before it counts the rest. */
export const CAUSES_SHOWN = 10

/** The changes that a paper tells: of what is new, where there is a baseline. */
export const printedCauses = ({ causes, baseline }: RunDocument) => baseline?.causes ?? causes

const clearsWords = (clears: Cause['clears']): string =>
  LEVELS.flatMap((level) => (clears[level] > 0 ? [plural(clears[level], level)] : [])).join(', ')

/**
 * How many changes can be made as they are, and how many wait for a person, each with the findings that they clear.
 *
 * @example '17 changes are ready: they clear 23 errors. 2 wait for an answer: 3 warnings.'
 */
export function fixesWords(causes: readonly Cause[]): string {
  const { ready, work, question } = tallyOf(causes)
  const other = ready.causes > 0 ? '' : ' changes'
  const waiting = [
    work.causes > 0 &&
      `${work.causes}${other} need${work.causes === 1 ? 's' : ''} a text, an image or other work first: ${clearsWords(work.clears)}.`,
    question.causes > 0 &&
      `${question.causes}${work.causes > 0 ? '' : other} wait${question.causes === 1 ? 's' : ''} for an answer: ${clearsWords(question.clears)}.`,
  ].filter(Boolean)
  const made = `${plural(ready.causes, 'change')} ${ready.causes === 1 ? 'is ready: it clears' : 'are ready: they clear'} ${clearsWords(ready.clears)}.`
  return [...(ready.causes > 0 ? [made] : []), ...waiting].join(' ')
}

/** What is known of a cause: tried, or what it needs first. */
export const proofWords = ({ proved, needs }: Pick<Cause, 'proved' | 'needs'>): string =>
  proved ? 'tried on these pages: exactly that goes, and nothing comes' : `needs ${needs ?? 'a decision'}`

/** An edit in a line: the tag, what it says, what it should say. */
export const editWords = ({ tag, from, to }: Edit): string =>
  `${tag}: ${from === null ? 'not there' : from === '' ? 'empty' : from} → ${to === null ? 'left out' : to}`
