import { bytes, count } from '../../kit/words'
import { type LargeFolder, SAMPLE } from './large-folder'

type Props = { name: string; folder: LargeFolder; onAll: () => void; onSample: () => void; onCancel: () => void }

/** What a large folder asks of the browser, before it is gathered, and the other ways. */
export function LargeFolderNotice({ name, folder, onAll, onSample, onCancel }: Props) {
  const { pages, needsBytes, leftBytes, doesFit, minutes } = folder
  const room = leftBytes === null ? '' : ` of the ${bytes(leftBytes)} that are left`
  return (
    <section aria-label="A large folder" className="grid gap-2 rounded-[5px] bg-warn-soft px-3 py-2">
      <p role="alert">
        <b className="font-semibold">
          {name} has {count(pages, 'page')}.
        </b>{' '}
        {doesFit
          ? `They take about ${bytes(needsBytes)}${room} in this browser, and about ${count(minutes, 'minute')}.`
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
        The command reads any number, in parts on several machines too. “Open a project or a run”, below, takes its run
        document; the report is a page for any browser:
        <code className="mt-1 block font-mono text-fine [overflow-wrap:anywhere]">
          npx nimble-parrot check {name} --site https://… --format jsonl=run.jsonl.gz --format html=report.html
        </code>
      </p>
    </section>
  )
}
