import { bytes, count } from '../../kit/words'
import { type LargeSource, SAMPLE } from './large-source'

/** `isAsked`: a server is asked for them, which takes as long as it takes. */
type Props = {
  name: string
  /** What stands for it in a command; absent: its name. */
  given?: string
  large: LargeSource
  isAsked?: boolean
  onAll: () => void
  onSample: () => void
  onCancel: () => void
}

/** What a large source asks of the browser, before it is gathered, and the other ways. */
export function LargeSourceNotice({ name, given = name, large, isAsked = false, onAll, onSample, onCancel }: Props) {
  const { pages, needsBytes, leftBytes, doesFit, minutes } = large
  const room = leftBytes === null ? '' : ` of the ${bytes(leftBytes)} that are left`
  return (
    <section aria-label="Many pages" className="grid gap-2 rounded-[5px] bg-warn-soft px-3 py-2">
      <p role="alert">
        <b className="font-semibold">
          {name} has {count(pages, 'page')}.
        </b>{' '}
        {doesFit
          ? `They take about ${bytes(needsBytes)}${room} in this browser, and ${isAsked ? 'at least' : 'about'} ${count(minutes, 'minute')}.`
          : `They take about ${bytes(needsBytes)}, and this browser has ${bytes(leftBytes ?? 0)} left: they don’t fit. Delete runs below, or take another way.`}
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="button button-main" onClick={onSample}>
          Gather {SAMPLE} of each section
        </button>
        {doesFit && (
          <button type="button" className="button" onClick={onAll}>
            Gather all
          </button>
        )}
        <button type="button" className="button" onClick={onCancel}>
          Cancel
        </button>
      </div>
      <p className="text-small text-quiet">
        The command reads any number, in parts on several machines too. “Open a project or a run” takes its run
        document; the report is a page for any browser:
        <code className="mt-1 block font-mono text-fine [overflow-wrap:anywhere]">
          npx nimble-parrot check {/\s/.test(given) ? `"${given}"` : given} --site https://… --format jsonl=run.jsonl.gz
          --format html=report.html
        </code>
      </p>
    </section>
  )
}
