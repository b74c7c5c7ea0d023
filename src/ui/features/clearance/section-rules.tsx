'use client'

import { useId, useState } from 'react'
import { RequiredField, type Requirements, type SectionRule, Shareable } from '@/core/requirements'
import { sectionName } from '@/core/section'
import type { WallRow } from '@/store/database'
import { globFault, sectionRows, withOwnSection, withoutSection, withSection } from './section-order'

const KINDS = ['website', 'article', 'product', 'profile', 'place', 'event', 'not-shared']

const FIELDS: Record<RequiredField, string> = {
  title: 'a title',
  description: 'a description',
  picture: 'a picture',
  'own-picture': 'a picture of its own',
  'picture-alt': 'alternative text',
  type: 'a kind',
  address: 'its address',
  card: 'a card kind',
  author: 'an author',
  date: 'a date',
  price: 'a price',
  currency: 'a currency',
  availability: 'availability',
}
const SHARED: Record<Shareable, string> = { title: 'the title', description: 'the description', picture: 'the picture' }

type Props = { rows: WallRow[]; requirements: Requirements; onChange: (next: Requirements) => void }

/** What the pages of each section are, must have, and may have in common. */
export function SectionRules({ rows, requirements, onChange }: Props) {
  const found = sectionRows(rows, requirements)
  const set = (section: string, change: Partial<SectionRule>) =>
    onChange(withSection(requirements, section, change, rows))
  return (
    <section aria-label="Requirements of each section">
      <h2 className="font-display text-head font-semibold">What each section must have</h2>
      <p className="mb-2 text-quiet">The findings follow at once. The defaults hold where nothing is set.</p>
      <div className="overflow-x-auto rounded-card border border-line bg-sheet">
        <table className="w-full text-left">
          <thead className="bg-soft text-small">
            <tr>
              <th className="px-4 py-[6px]">Section</th>
              <th className="px-2 py-[6px]">Its pages are</th>
              <th className="px-2 py-[6px]">Each must have</th>
              <th className="px-2 py-[6px]">They may share</th>
              <th className="px-4 py-[6px] text-right">Errors</th>
            </tr>
          </thead>
          <tbody>
            {found.map(({ section, pages, isOwn }) => {
              const rule = requirements.sections?.[section] ?? {}
              return (
                <tr key={section} className="border-t border-line">
                  <th scope="row" className="px-4 py-[5px] font-mono text-small font-normal">
                    {sectionName(section)} <span className="text-quiet">{pages.length}</span>
                    {isOwn && (
                      <button
                        type="button"
                        aria-label={`${section}: no longer a section of the requirements`}
                        className="ml-2 font-sans text-pick hover:underline"
                        onClick={() => onChange(withoutSection(requirements, section))}
                      >
                        let go
                      </button>
                    )}
                  </th>
                  <td className="px-2 py-[5px]">
                    <select
                      aria-label={`What the pages of ${section} are`}
                      className="field w-[130px]!"
                      value={rule.kind ?? ''}
                      onChange={(event) => set(section, { kind: event.target.value || undefined })}
                    >
                      <option value="">what they say</option>
                      {KINDS.map((kind) => (
                        <option key={kind} value={kind}>
                          {kind === 'not-shared' ? 'never shared' : kind}
                        </option>
                      ))}
                    </select>
                  </td>
                  <td className="px-2 py-[5px]">
                    <Choices
                      name={`What each page of ${section} must have`}
                      all={RequiredField.options}
                      words={FIELDS}
                      chosen={rule.requires ?? []}
                      onChange={(requires) => set(section, { requires })}
                    />
                  </td>
                  <td className="px-2 py-[5px]">
                    <Choices
                      name={`What pages of ${section} may share`}
                      all={Shareable.options}
                      words={SHARED}
                      chosen={rule.mayShare ?? []}
                      onChange={(mayShare) => set(section, { mayShare })}
                    />
                  </td>
                  <td className="px-4 py-[5px] text-right tabular-nums">
                    {pages.reduce((sum, { levels }) => sum + levels.error, 0)}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
      <OwnSection onAdd={(glob) => onChange(withOwnSection(requirements, glob))} />
    </section>
  )
}

/** Pages taken together by a path of somebody's own. */
function OwnSection({ onAdd }: { onAdd: (glob: string) => void }) {
  const [glob, setGlob] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const id = useId()
  return (
    <form
      className="mt-2 flex flex-wrap items-center gap-2 text-small"
      onSubmit={(event) => {
        event.preventDefault()
        const found = globFault(glob.trim())
        setFault(found)
        if (found !== null) return
        onAdd(glob.trim())
        setGlob('')
      }}
    >
      <label htmlFor={id} className="text-quiet">
        Take pages together by their path
      </label>
      <input
        id={id}
        className="field h-[28px]! w-[220px]! font-mono text-small"
        placeholder="/news/2026-*"
        value={glob}
        aria-invalid={fault !== null}
        onChange={({ target }) => setGlob(target.value)}
      />
      <button type="submit" className="button h-[28px]!">
        Add section
      </button>
      <span className="text-quiet">* within a segment, ** across</span>
      {fault && (
        <span role="alert" className="text-wrong">
          {fault}
        </span>
      )}
    </form>
  )
}

/** What is chosen, in words; each can be let go, and one of the rest added. */
function Choices<T extends string>({
  name,
  all,
  words,
  chosen,
  onChange,
}: {
  name: string
  all: readonly T[]
  words: Record<T, string>
  chosen: readonly T[]
  onChange: (next: T[]) => void
}) {
  return (
    <div className="flex flex-wrap items-center gap-[5px]">
      {chosen.map((one) => (
        <button
          key={one}
          type="button"
          aria-label={`${words[one]}: no longer`}
          title="Click to let go"
          className="rounded-[5px] border border-line bg-soft px-[7px] py-[2px] text-small hover:line-through"
          onClick={() => onChange(chosen.filter((other) => other !== one))}
        >
          {words[one]}
        </button>
      ))}
      <select
        aria-label={name}
        className="h-[24px] rounded-[5px] border border-dashed border-line bg-transparent px-1 text-small text-quiet"
        value=""
        onChange={(event) => event.target.value && onChange([...chosen, event.target.value as T])}
      >
        <option value="">add …</option>
        {all
          .filter((one) => !chosen.includes(one))
          .map((one) => (
            <option key={one} value={one}>
              {words[one]}
            </option>
          ))}
      </select>
    </div>
  )
}
