'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { strToU8 } from 'fflate'
import { useMemo, useState } from 'react'
import { cardTags, editFacts, effectiveEdits, isEmptyDraft, saidBy, takeAways, writeTextTable } from '@/core/draft'
import { requirementsOf } from '@/store/requirements'
import { packZip } from '../../kit/pack-zip'
import { saveFile } from '../../kit/save-file'
import { count } from '../../kit/words'
import type { DraftsProps } from './drafts-props'
import { PatchBuild } from './patch-build-view'
import { usePages } from './use-pages'

/** Lines of a preview. */
const PREVIEW_LINES = 40

/** The drafts as files: tags in the form that the site is made of, or the built folder with the tags replaced. */
export function TakeAwayTab(props: DraftsProps) {
  const { run, rows, drafts, defaults, context } = props
  const [scope, setScope] = useState<'drafted' | 'page' | 'all'>('drafted')
  const [form, setForm] = useState('html')
  const [said, setSaid] = useState('')
  const { called: _called, sections: ofSections, ...ofSite } = defaults
  const hasDefaults = Object.values(ofSite).some(Boolean) || Object.keys(ofSections).length > 0
  const urls = useMemo(() => rows.map(({ url }) => url), [rows])
  const pages = usePages(run.id, urls)
  const requirements = useLiveQuery(() => requirementsOf(props.site), [props.site])
  const sectionOf = useMemo(() => new Map(rows.map(({ url, section }) => [url, section])), [rows])
  const made = useMemo(
    () =>
      pages?.map((page) => {
        const draft = drafts.get(page.url)
        const fields = draft?.landedAt === null ? draft.fields : {}
        const section = sectionOf.get(page.url) ?? '/'
        const { edits } = effectiveEdits(page, section, fields, defaults, (url) => context.images.get(url))
        return { page, section, fields, edits, facts: editFacts(page.facts, edits) }
      }),
    [pages, drafts, defaults, sectionOf, context],
  )
  if (!made) return <p className="text-quiet">Reading the pages …</p>
  const changed = made.filter(({ edits, fields }) => edits.size > 0 || !isEmptyDraft(fields))
  const ofPage = made.filter(({ page }) => rows.find(({ path }) => path === props.page)?.url === page.url)
  const taken = scope === 'all' ? made : scope === 'page' ? ofPage : changed
  const write = (): { text: string; extension: string; mediaType: string; files?: Record<string, string> } => {
    if (form === 'csv' || form === 'csv-program') {
      const table = taken.map(({ page, facts }) => ({
        url: page.url,
        title: saidBy(facts, 'og:title') ?? facts.title ?? '',
        description: saidBy(facts, 'og:description') ?? facts.description ?? '',
      }))
      const reader = form === 'csv' ? 'spreadsheet' : 'program'
      return { text: writeTextTable(table, ',', reader), extension: 'csv', mediaType: 'text/csv' }
    }
    const { write: writeAll, files, extension, mediaType } = takeAways.find(({ id }) => id === form) ?? takeAways[0]!
    const tags = taken.map(({ page, facts }) => cardTags({ ...page, facts }, context.addresses))
    return {
      text: writeAll(tags),
      extension,
      mediaType,
      ...(files && tags.length > 1 ? { files: files(tags, requirements?.source ?? []) } : {}),
    }
  }
  const forms = [
    ...takeAways.map(({ id, name, about }) => ({ id, name, about })),
    {
      id: 'csv',
      name: 'CSV for a spreadsheet',
      about: 'Titles and descriptions; what it would run as a formula has a sign in front.',
    },
    { id: 'csv-program', name: 'CSV for a program', about: 'The same, every text as it is.' },
  ]
  const out = taken.length > 0 ? write() : null
  const save = ({ text, extension, mediaType, files }: NonNullable<typeof out>) => {
    if (!files) return saveFile(`tags.${extension}`, text, mediaType)
    const packed = Object.entries(files).map(([path, content]) => [path, strToU8(content)] as const)
    saveFile('front-matter.zip', packZip(packed), 'application/zip')
  }
  const lines = out?.text.split('\n') ?? []
  return (
    <div className="grid max-w-[1120px] gap-7">
      <section>
        <h2 className="font-display text-head font-semibold">As tags</h2>
        <p className="text-quiet">
          {changed.length === 0
            ? 'No page says anything else than its build yet.'
            : `${count(changed.length, 'page')} ${changed.length === 1 ? 'differs' : 'differ'} from the build${hasDefaults ? ', by drafts, defaults and patterns' : ''}.`}
        </p>
        <div className="mt-3 grid gap-5 md:grid-cols-[270px_minmax(0,1fr)]">
          <div className="grid content-start gap-3">
            <fieldset className="grid gap-[2px]">
              <legend className="sr-only">Form</legend>
              {forms.map(({ id, name, about }) => (
                <label key={id} className="flex items-baseline gap-2 rounded px-2 py-[5px] has-checked:bg-pick-soft">
                  <input type="radio" name="form" checked={form === id} onChange={() => setForm(id)} />
                  <span>
                    <b className="font-semibold">{name}</b>
                    <span className="block text-small text-quiet">{about}</span>
                  </span>
                </label>
              ))}
            </fieldset>
            <label className="grid gap-1 font-semibold">
              Pages
              <select
                className="field font-normal"
                value={scope}
                onChange={(event) => setScope(event.target.value as 'drafted' | 'page' | 'all')}
              >
                <option value="drafted">Those that differ from the build ({changed.length})</option>
                {ofPage.length > 0 && <option value="page">Only {props.page}</option>}
                <option value="all">All ({made.length})</option>
              </select>
            </label>
            <div className="flex gap-2">
              <button type="button" className="button button-main" disabled={!out} onClick={() => out && save(out)}>
                Save file
              </button>
              <button
                type="button"
                className="button"
                disabled={!out}
                onClick={async () => {
                  if (!out) return
                  await navigator.clipboard.writeText(out.text)
                  setSaid('Copied.')
                }}
              >
                Copy
              </button>
              <span role="status" className="self-center text-good">
                {said}
              </span>
            </div>
          </div>
          <section
            tabIndex={0}
            aria-label="What is taken away"
            className="max-h-[330px] overflow-auto rounded-card border border-line bg-sheet"
          >
            <pre className="px-3 py-2 font-mono text-fine leading-[18px]">
              {out ? lines.slice(0, PREVIEW_LINES).join('\n') : 'Nothing to take away yet.'}
              {lines.length > PREVIEW_LINES && `\n… ${lines.length - PREVIEW_LINES} more lines`}
            </pre>
          </section>
        </div>
      </section>
      <PatchBuild {...props} pages={changed} />
    </div>
  )
}
