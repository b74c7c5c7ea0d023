'use client'

import { useMemo, useState } from 'react'
import { defaultTags, type SectionDefaults, type SiteDefaults, slotOf } from '@/core/draft'
import { sectionName } from '@/core/section'
import { firstValue } from '@/core/surface'
import { groupBy } from '@/core/text'
import { count } from '../../kit/words'
import { CardPicture } from '../../parts/card/card-picture'
import { doStep } from '../../state/draft/draft-history'
import { Choices } from './draft-picture-field'
import type { DraftsProps } from './drafts-props'
import { type ReadPage, usePages } from './use-pages'

type TextField = Exclude<keyof SiteDefaults, 'sections' | 'image'>

const SITE_FIELDS: {
  field: TextField
  name: string
  key: string
  placeholder: string
  choices?: readonly string[] | undefined
}[] = [
  { field: 'siteName', name: 'Site name', key: 'og:site_name', placeholder: 'the organization’s or person’s own name' },
  {
    field: 'card',
    name: 'Card kind',
    key: 'twitter:card',
    placeholder: 'summary_large_image',
    choices: slotOf('card').choices,
  },
  { field: 'account', name: 'Account', key: 'twitter:site', placeholder: '@name' },
  { field: 'appId', name: 'App id', key: 'fb:app_id', placeholder: 'digits' },
  { field: 'locale', name: 'Language', key: 'og:locale', placeholder: 'en_GB' },
]
const TYPES = slotOf('type').choices!

/** What holds for pages that say nothing of their own: who would inherit it, who overrides it. */
export function DefaultsTab({ run, rows, site, defaults, context }: DraftsProps) {
  const urls = useMemo(() => rows.map(({ url }) => url), [rows])
  const pages = usePages(run.id, urls)
  const sectionOf = useMemo(() => new Map(rows.map(({ url, section }) => [url, section])), [rows])
  const sections = useMemo(
    () => [...groupBy(rows, ({ section }) => section)].filter(([, ofSection]) => ofSection.length > 1),
    [rows],
  )
  if (!pages) return <p className="text-quiet">Reading the pages …</p>
  const { called: _called, ...kept } = defaults
  const write = (after: SiteDefaults, what: string) =>
    void doStep({ site, label: `default ${what}`, drafts: [], defaults: { before: kept, after } }, `default ${what}`)
  const set = (field: TextField, value: string) => write({ ...kept, [field]: value === '' ? undefined : value }, field)
  const setSection = (section: string, change: Partial<SectionDefaults>) =>
    write({ ...kept, sections: { ...kept.sections, [section]: { ...kept.sections[section], ...change } } }, section)
  return (
    <div className="grid max-w-[1020px] gap-6">
      <section>
        <h2 className="font-display text-head font-semibold">For the whole site</h2>
        <p className="mb-3 text-quiet">
          A default fills in where a page says nothing. Nothing that a page says is changed by it.
        </p>
        <div className="grid gap-x-4 gap-y-[8px] md:grid-cols-[110px_minmax(0,280px)_minmax(0,1fr)]">
          {SITE_FIELDS.map(({ field, name, key, placeholder, choices }) => (
            <div key={field} className="contents">
              <label htmlFor={`default-${field}`} className="self-center font-semibold">
                {name} <code className="block text-sign font-normal text-quiet">{key}</code>
              </label>
              <input
                id={`default-${field}`}
                className="field"
                list={choices ? `choices-${field}` : undefined}
                placeholder={placeholder}
                value={defaults[field] ?? ''}
                onChange={(event) => set(field, event.target.value)}
              />
              {choices && (
                <datalist id={`choices-${field}`}>
                  {choices.map((choice) => (
                    <option key={choice} value={choice} />
                  ))}
                </datalist>
              )}
              <Inheriting pages={pages} tag={key} value={defaults[field]} />
            </div>
          ))}
          <span className="self-start pt-1 font-semibold">
            Picture <code className="block text-sign font-normal text-quiet">og:image</code>
          </span>
          <PictureDefault
            run={run.id}
            site={site}
            value={defaults.image}
            images={context.images}
            onChange={(image) => write({ ...defaults, image }, 'picture')}
          />
          <Inheriting pages={pages} tag="og:image" value={defaults.image} />
        </div>
      </section>
      <section>
        <h2 className="font-display text-head font-semibold">By section</h2>
        <div className="mt-2 overflow-x-auto rounded-card border border-line bg-sheet">
          <table className="w-full text-left">
            <thead className="bg-soft text-small">
              <tr>
                <th className="px-4 py-[6px]">Section</th>
                <th className="px-2 py-[6px]">Kind of object</th>
                <th className="px-2 py-[6px]">Card kind</th>
                <th className="px-2 py-[6px]">Picture</th>
                <th className="px-4 py-[6px]">Inherit it now</th>
              </tr>
            </thead>
            <tbody>
              {sections.map(([section, ofSection]) => {
                const own = defaults.sections[section] ?? {}
                const tags = defaultTags(defaults, section)
                const ofHere = pages.filter(({ url }) => sectionOf.get(url) === section)
                const filled = [...tags].map(
                  ([key]) => `${key} ${ofHere.filter((page) => !firstValue(page.facts, key)).length}`,
                )
                return (
                  <tr key={section} className="border-t border-line align-middle">
                    <td className="px-4 py-[6px] font-mono text-small">
                      {sectionName(section)} <span className="text-quiet">{ofSection.length}</span>
                    </td>
                    <td className="px-2 py-[6px]">
                      <select
                        aria-label={`Kind of object of ${section}`}
                        className="field w-[120px]!"
                        value={own.type ?? ''}
                        onChange={(event) => setSection(section, { type: event.target.value || undefined })}
                      >
                        <option value="">none</option>
                        {TYPES.map((type) => (
                          <option key={type}>{type}</option>
                        ))}
                      </select>
                    </td>
                    <td className="px-2 py-[6px]">
                      <select
                        aria-label={`Card kind of ${section}`}
                        className="field w-[180px]!"
                        value={own.card ?? ''}
                        onChange={(event) => setSection(section, { card: event.target.value || undefined })}
                      >
                        <option value="">the site’s</option>
                        <option>summary_large_image</option>
                        <option>summary</option>
                      </select>
                    </td>
                    <td className="px-2 py-[6px]">
                      <PictureDefault
                        run={run.id}
                        site={site}
                        value={own.image}
                        images={context.images}
                        onChange={(image) => setSection(section, { image })}
                      />
                    </td>
                    <td className="px-4 py-[6px] text-small text-quiet">
                      {filled.length > 0 ? filled.join(', ') : 'nothing to inherit'}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </div>
      </section>
    </div>
  )
}

/** Pages named before the rest is counted. */
const NAMED = 3

/** Who would inherit a default, who says the same, who says something else. */
function Inheriting({ pages, tag, value }: { pages: ReadPage[]; tag: string; value: string | undefined }) {
  const without = pages.filter(({ facts }) => !firstValue(facts, tag))
  const others = groupBy(
    pages.flatMap((page) => {
      const said = firstValue(page.facts, tag)
      return said && said !== value ? [{ page, said }] : []
    }),
    ({ said }) => said,
  )
  const overriding = [...others.values()].reduce((sum, list) => sum + list.length, 0)
  const path = (page: ReadPage) => new URL(page.url).pathname
  return (
    <p className="self-center text-small text-quiet [overflow-wrap:anywhere]">
      {without.length === 0
        ? 'Every page says it itself'
        : `${count(without.length, 'page')} ${value ? (without.length === 1 ? 'inherits' : 'inherit') : 'would inherit'} it`}
      {without.length > 0 && ` (${without.slice(0, NAMED).map(path).join(', ')}${without.length > NAMED ? ' …' : ''})`}
      {overriding > 0 &&
        (value
          ? `; ${count(overriding, 'page')} override${overriding === 1 ? 's' : ''} it, with ${count(others.size, 'other value')}.`
          : `; ${count(overriding, 'page')} say ${others.size === 1 ? `“${[...others.keys()][0]}”` : `${others.size} different things`}.`)}
    </p>
  )
}

function PictureDefault({
  run,
  site,
  value,
  images,
  onChange,
}: {
  run: string
  site: string
  value: string | undefined
  images: DraftsProps['context']['images']
  onChange: (value: string | undefined) => void
}) {
  const [isOpen, setIsOpen] = useState(false)
  return (
    <div>
      <div className="flex items-center gap-2">
        {value && <CardPicture run={run} url={value} className="w-[64px] shrink-0 rounded-[4px]" />}
        <span className="max-w-[120px] truncate font-mono text-fine">{value ? value.split('/').at(-1) : ''}</span>
        <button
          type="button"
          className="button h-[28px]! px-[9px]!"
          aria-expanded={isOpen}
          onClick={() => setIsOpen(!isOpen)}
        >
          {value ? 'Change' : 'Choose'}
        </button>
        {value && (
          <button type="button" className="text-small text-pick hover:underline" onClick={() => onChange(undefined)}>
            None
          </button>
        )}
      </div>
      {isOpen && (
        <div className="mt-2 w-[360px] rounded-card border border-line bg-sheet p-2">
          <Choices
            run={run}
            site={site}
            images={images}
            own={[]}
            onChoose={(url) => {
              onChange(url)
              setIsOpen(false)
            }}
          />
        </div>
      )}
    </div>
  )
}
