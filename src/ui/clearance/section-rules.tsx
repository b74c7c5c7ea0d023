'use client'

import { groupBy } from '@/core/group-by'
import { RequiredField, type Requirements, type SectionRule, Shareable } from '@/core/requirements/requirements'
import type { WallRow } from '@/store/database'

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
  const found = [...groupBy(rows, ({ section }) => section)]
  const set = (section: string, change: Partial<SectionRule>) => {
    const rule = Object.fromEntries(
      Object.entries({ ...requirements.sections?.[section], ...change }).filter(
        ([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0),
      ),
    )
    const { [section]: _old, ...others } = requirements.sections ?? {}
    onChange({ ...requirements, sections: Object.keys(rule).length > 0 ? { ...others, [section]: rule } : others })
  }
  return (
    <section aria-label="Requirements of each section">
      <h2 className="font-display text-[20px] font-semibold">What each section must have</h2>
      <p className="mb-2 text-quiet">The findings follow at once. The defaults hold where nothing is set.</p>
      <div className="overflow-x-auto rounded-card border border-line bg-sheet">
        <table className="w-full text-left">
          <thead className="bg-soft text-[12px]">
            <tr>
              <th className="px-4 py-[6px]">Section</th>
              <th className="px-2 py-[6px]">Its pages are</th>
              <th className="px-2 py-[6px]">Each must have</th>
              <th className="px-2 py-[6px]">They may share</th>
              <th className="px-4 py-[6px] text-right">Errors</th>
            </tr>
          </thead>
          <tbody>
            {found.map(([section, pages]) => {
              const rule = requirements.sections?.[section] ?? {}
              return (
                <tr key={section} className="border-t border-line">
                  <th scope="row" className="px-4 py-[5px] font-mono text-[12px] font-normal">
                    {section} <span className="text-quiet">{pages.length}</span>
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
    </section>
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
          className="rounded-[5px] border border-line bg-soft px-[7px] py-[2px] text-[12px] hover:line-through"
          onClick={() => onChange(chosen.filter((other) => other !== one))}
        >
          {words[one]}
        </button>
      ))}
      <select
        aria-label={name}
        className="h-[24px] rounded-[5px] border border-dashed border-line bg-transparent px-1 text-[12px] text-quiet"
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
