'use client'

import { useId, useState } from 'react'
import { RequiredField, type Requirements, type SectionRule, Shareable } from '@/core/requirements'
import { sectionName } from '@/core/section'
import type { WallRow } from '@/store/database'
import { count } from '../../kit/words'
import { globFault, type SectionRow, sectionRows, withOwnSection, withoutSection, withSection } from './section-order'
import { ManyWords, OneWord, TextWord } from './sentence-words'

/** What pages are, as a sentence says it. */
const KINDS = [
  { id: '', name: 'what they say they are' },
  { id: 'website', name: 'plain pages' },
  { id: 'article', name: 'articles' },
  { id: 'product', name: 'products' },
  { id: 'profile', name: 'profiles' },
  { id: 'place', name: 'places' },
  { id: 'event', name: 'events' },
  { id: 'not-shared', name: 'never shared' },
] as const

const FIELDS: Record<RequiredField, string> = {
  title: 'a title',
  description: 'a description',
  picture: 'a picture',
  'own-picture': 'its own picture',
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

const named = <T extends string>(all: readonly T[], words: Record<T, string>) =>
  all.map((id) => ({ id, name: words[id] }))
const FIELD_CHOICES = named(RequiredField.options, FIELDS)
const SHARED_CHOICES = named(Shareable.options, SHARED)

type Props = {
  rows: WallRow[]
  requirements: Requirements
  /** A word is another: to be seen before it is kept. */
  onChange: (next: Requirements) => void
  /** Pages are taken together otherwise: kept at once, since it is seen by the sections. */
  onArrange: (next: Requirements) => void
}

/** What the pages of each section are, must have, and may have in common: a sentence each, edited where it stands. */
export function SectionRules({ rows, requirements, onChange, onArrange }: Props) {
  const found = sectionRows(rows, requirements)
  return (
    <section aria-label="Requirements of each section">
      <h2 className="font-display text-head font-semibold">What each section must have</h2>
      <p className="mb-3 text-quiet">
        Press a word to change it. What that does is said before it is kept. Of two sections that a page lies under, the
        narrower counts.
      </p>
      <ul className="grid gap-[10px]">
        {found.map((row) => (
          <Sentence
            key={row.section}
            row={row}
            rule={requirements.sections?.[row.section] ?? {}}
            onSet={(change) => onChange(withSection(requirements, row.section, change, rows))}
            onLetGo={() => onArrange(withoutSection(requirements, row.section))}
          />
        ))}
      </ul>
      <OwnSection onAdd={(glob) => onArrange(withOwnSection(requirements, glob))} />
    </section>
  )
}

function Sentence({
  row: { section, pages, isOwn },
  rule,
  onSet,
  onLetGo,
}: {
  row: SectionRow<WallRow>
  rule: SectionRule
  onSet: (change: Partial<SectionRule>) => void
  onLetGo: () => void
}) {
  const isNotShared = rule.kind === 'not-shared'
  const kinds = KINDS.some(({ id }) => id === (rule.kind ?? ''))
    ? KINDS
    : [...KINDS, { id: rule.kind!, name: `of the kind ${rule.kind}` }]
  const errors = pages.reduce((sum, { levels }) => sum + levels.error, 0)
  return (
    <li className="border-l-2 border-line pl-3 leading-[1.9]">
      <code className="text-small">{sectionName(section)}</code>{' '}
      <span className="text-small text-quiet">
        {pages.length === 0 ? 'no page lies here: nothing is asked' : count(pages.length, 'page')}
        {errors > 0 && `, ${count(errors, 'error')}`}
      </span>
      {isOwn && (
        <button
          type="button"
          aria-label={`${section}: no longer a section of the requirements`}
          className="ml-2 text-small text-pick hover:underline"
          onClick={onLetGo}
        >
          let go
        </button>
      )}
      <br />
      {'These pages are '}
      <OneWord
        name={`What the pages of ${section} are`}
        choices={kinds}
        chosen={rule.kind ?? ''}
        onChoose={(kind) => onSet({ kind: kind || undefined })}
      />
      {isNotShared ? (
        ': nothing is asked of their cards.'
      ) : (
        <>
          {'; each has '}
          <ManyWords
            name={`What each page of ${section} must have`}
            choices={FIELD_CHOICES}
            chosen={rule.requires ?? []}
            none="what it has"
            onChoose={(requires) => onSet({ requires })}
          />
          {'; they may share '}
          <ManyWords
            name={`What pages of ${section} may share`}
            choices={SHARED_CHOICES}
            chosen={rule.mayShare ?? []}
            none="nothing"
            onChoose={(mayShare) => onSet({ mayShare })}
          />
          {rule.shareTo ? '; their share buttons lead to ' : '. '}
          <TextWord
            name={`Where share buttons on pages of ${section} lead`}
            value={rule.shareTo ?? ''}
            none="Share buttons …"
            placeholder="https://… or {page}"
            onSet={(shareTo) => onSet({ shareTo: shareTo || undefined })}
          />
          {rule.shareTo ? '.' : ''}
        </>
      )}
    </li>
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
