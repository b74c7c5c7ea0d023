'use client'

import { type ComponentProps, useState } from 'react'
import { type ComesFrom, cardTags, cutMarks, type DraftSlot, saidBy, tagsAsHtml, textHelps } from '@/core/draft'
import type { GatheredPage, PageFacts } from '@/core/model'
import { type CardContext, imageCandidates, publicImageUrl, type Surface } from '@/core/surface'
import { Segments } from '../../kit/segments'
import { count } from '../../kit/words'
import { FindingsView } from '../../parts/ladder/findings-view'
import { redoStep, undoStep, useHistory } from '../../state/draft/draft-history'
import type { DraftPaneSlot } from '../../state/draft/slots'
import type { PageDraft } from '../../state/draft/use-page-draft'
import { CardKinds } from './card-kinds'
import { DraftPictureField } from './draft-picture-field'
import { DraftTextField } from './draft-text-field'
import { MoreFields } from './more-fields'

type Scope = 'all' | 'microblog' | 'search'
const SCOPES: { id: Scope; name: string }[] = [
  { id: 'all', name: 'All places' },
  { id: 'microblog', name: 'Microblog only' },
  { id: 'search', name: 'Search and tab' },
]

/** A draft for some places goes into the tags that these read first: twitter:*, or the page's own texts. */
const isInScope = ({ title }: Surface, scope: Scope): boolean =>
  scope === 'all' ||
  (scope === 'microblog' ? title.from[0]!.startsWith('twitter:') : !title.from.some((source) => source.includes(':')))

const WORDS: Record<ComesFrom, string> = {
  site: 'the site’s default',
  section: 'the section’s default',
  pattern: 'the section’s title pattern',
  draft: 'this draft',
}

type Props = ComponentProps<DraftPaneSlot>

/** Text and picture proposed for the page; every card answers while it is typed. */
export function DraftPane({ run, site, page, draft, context, sameTitles, goTo }: Props) {
  const [scope, setScope] = useState<Scope>('all')
  const [said, setSaid] = useState('')
  const { undo, redo } = useHistory()
  if (!page.facts || !draft.effect)
    return <p className="text-quiet">The page could not be read: there is nothing to draft on.</p>
  const { fields, effective, effect, setSlot } = draft
  const facts = page.facts
  const now = effect.page.facts ?? facts
  const at = (base: string) => (scope === 'all' ? base : `${base}@${scope}`) as DraftSlot
  const keysOf = (base: 'title' | 'description') =>
    scope === 'microblog' ? [`twitter:${base}`, `og:${base}`, base] : scope === 'search' ? [base] : [`og:${base}`, base]
  const inherit = (base: 'title' | 'description') =>
    inheritedText(keysOf(base), fields[at(base)] !== undefined ? facts : now, effective.from)
  const shownText = (base: 'title' | 'description') => {
    const value = fields[at(base)]
    return typeof value === 'string' ? value : (inherit(base).text ?? '')
  }
  const cardsInScope = effect.cards.filter(({ surface }) => isInScope(surface, scope))
  const textField = (base: 'title' | 'description') => (
    <DraftTextField
      name={base === 'title' ? 'Title' : 'Description'}
      value={fields[at(base)]}
      inherited={inherit(base).text}
      inheritedFrom={inherit(base).from}
      marks={cutMarks(shownText(base), base, cardsInScope)}
      helps={textHelps(facts, base)}
      lines={base === 'title' ? 1 : 2}
      canTakeOut
      onChange={(value) => setSlot(at(base), value)}
    />
  )
  const copy = async () => {
    await navigator.clipboard.writeText(tagsAsHtml(cardTags({ ...effect.page, facts: now }, context.addresses)))
    setSaid('The tags are on the clipboard.')
  }
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-[14px]">
      <Segments name="Which places the draft is for" choices={SCOPES} chosen={scope} onChoose={setScope} />
      <InShort draft={draft} sameTitles={sameTitles} />
      {draft.changedUnder.length > 0 && (
        <p className="rounded-[5px] bg-warn-soft px-[10px] py-[7px]">
          The build has changed since this was drafted:{' '}
          {draft.changedUnder
            .map(({ key, built }) => `${key} now says ${built === null ? 'nothing' : `“${built}”`}`)
            .join('; ')}
          .
        </p>
      )}
      {textField('title')}
      {scope === 'all' && typeof fields.title === 'string' && (
        <BothTitles
          cards={saidBy(now, 'og:title')}
          tab={saidBy(now, 'title')}
          onSame={() => setSlot('title@search', fields.title)}
          // What the build says there; what is drafted for it.
          rich={saidBy(facts, 'json-ld name') === null ? null : (fields.richName ?? saidBy(facts, 'json-ld name'))}
          onRich={() => setSlot('richName', fields.title)}
        />
      )}
      {textField('description')}
      {scope !== 'search' && (
        <PictureFields run={run} site={site} scope={scope} page={page} now={now} draft={draft} context={context} />
      )}
      {scope === 'all' && (
        <MoreFields facts={now} fields={fields} onChange={setSlot}>
          <CardKinds
            run={run}
            page={page}
            edits={effective.edits}
            context={context}
            chosen={saidBy(now, 'twitter:card')}
            onChoose={(kind) => setSlot('card', kind)}
          />
        </MoreFields>
      )}
      <Effects draft={draft} sameTitles={sameTitles} />
      <div className="flex flex-wrap gap-2 border-t border-line pt-3">
        <button type="button" className="button button-main" onClick={copy}>
          Copy tags
        </button>
        <button type="button" className="button" onClick={() => goTo({ area: 'drafts', tab: 'take-away' })}>
          Take away
        </button>
        <button
          type="button"
          className="button"
          disabled={undo === null}
          title={undo ? `Undo: ${undo}` : undefined}
          onClick={() => void undoStep()}
        >
          Undo
        </button>
        <button type="button" className="button" disabled={redo === null} onClick={() => void redoStep()}>
          Redo
        </button>
        {!draft.isEmpty && (
          <button type="button" className="button" onClick={draft.discard}>
            Discard draft
          </button>
        )}
      </div>
      <p role="status" className="text-good">
        {said}
      </p>
    </div>
  )
}

/** What a field falls back to: the first of its tags that says something, and where that comes from. */
function inheritedText(keys: readonly string[], facts: PageFacts, from: ReadonlyMap<string, ComesFrom>) {
  for (const key of keys) {
    const text = saidBy(facts, key)?.trim()
    if (!text) continue
    const source = from.get(key)
    return { text, from: source === undefined || source === 'draft' ? key : `${WORDS[source]} (${key})` }
  }
  // Without any tag, places take the first thing that they find in the content.
  const isTitle = keys.includes('title')
  const found = isTitle ? facts.h1 : facts.firstParagraph
  return found ? { text: found, from: isTitle ? 'the heading' : 'the first paragraph' } : { text: null, from: null }
}

function PictureFields({
  run,
  site,
  scope,
  page,
  now,
  draft,
  context,
}: {
  run: string
  site: string
  scope: Scope
  page: GatheredPage
  now: PageFacts
  draft: PageDraft
  context: CardContext
}) {
  const { fields, effect, setSlot, effective } = draft
  const slots =
    scope === 'microblog' ? (['image@microblog', 'imageAlt@microblog'] as const) : (['image', 'imageAlt'] as const)
  const own = imageCandidates(page.facts!, ['og:image', 'twitter:image', 'content-image']).flatMap(({ value }) =>
    value ? (publicImageUrl(page, value, context) ?? []) : [],
  )
  const cards = effect?.cards.filter(({ surface }) => surface.picture !== null && isInScope(surface, scope)) ?? []
  const shown = cards[0]?.card.image
  const from = shown?.from ? effective.from.get(shown.from) : undefined
  const altKey = scope === 'microblog' ? 'twitter:image:alt' : 'og:image:alt'
  return (
    <>
      <DraftPictureField
        run={run}
        site={site}
        value={fields[slots[0]]}
        inherited={shown?.url ?? null}
        inheritedFrom={from && from !== 'draft' ? WORDS[from] : (shown?.from ?? null)}
        images={context.images}
        own={own}
        onChange={(value) => setSlot(slots[0], value)}
      />
      <DraftTextField
        name="Alternative text"
        value={fields[slots[1]]}
        inherited={saidBy(now, altKey)}
        inheritedFrom={saidBy(now, altKey) === null ? null : altKey}
        helps={textHelps(page.facts!, 'imageAlt')}
        lines={1}
        canTakeOut
        onChange={(value) => setSlot(slots[1], value)}
      />
    </>
  )
}

/** What the draft clears, and what it newly breaks. */
function Effects({ draft: { effect, effective }, sameTitles }: { draft: PageDraft; sameTitles: string[] }) {
  if (!effect || effective.edits.size === 0)
    return <p className="text-quiet">Nothing is drafted. Type above, or pick a text that the page offers.</p>
  return (
    <section aria-label="What the draft does" className="grid gap-2 border-t border-line pt-3">
      {effect.clears.length > 0 && (
        <div>
          <h3 className="font-semibold text-good">
            <span aria-hidden="true">✓ </span>Clears {effect.clears.length}
          </h3>
          <ul className="text-quiet">
            {effect.clears.map((finding, index) => (
              <li key={`${finding.rule} ${index}`} className="[overflow-wrap:anywhere]">
                <span className="font-mono text-fine">{finding.rule}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
      {(effect.raises.length > 0 || sameTitles.length > 0) && (
        <div>
          <h3 className="mb-1 font-semibold">Newly breaks {effect.raises.length + (sameTitles.length > 0 ? 1 : 0)}</h3>
          {effect.raises.length > 0 && <FindingsView findings={effect.raises} />}
          {sameTitles.length > 0 && (
            <p className="mt-1 [overflow-wrap:anywhere]">
              <span className="font-mono text-fine">title-duplicate</span>: {sameTitles.slice(0, 3).join(', ')}
              {sameTitles.length > 3 && ` and ${sameTitles.length - 3} more`} already{' '}
              {sameTitles.length === 1 ? 'has' : 'have'} this title.
            </p>
          )}
        </div>
      )}
      {effect.clears.length + effect.raises.length + sameTitles.length === 0 && (
        <p className="text-quiet">It clears nothing and breaks nothing.</p>
      )}
    </section>
  )
}

/** What the draft does, in a line that is in sight while one types. */
function InShort({ draft: { effect, effective }, sameTitles }: { draft: PageDraft; sameTitles: string[] }) {
  if (!effect || effective.edits.size === 0) return null
  const raises = effect.raises.length + (sameTitles.length > 0 ? 1 : 0)
  return (
    <p className="text-small" aria-live="polite">
      <span className={effect.clears.length > 0 ? 'font-semibold text-good' : 'text-quiet'}>
        Clears {count(effect.clears.length, 'finding')}
      </span>
      , <span className={raises > 0 ? 'font-semibold text-warn' : 'text-quiet'}>newly breaks {raises}</span>.
    </p>
  )
}

/** A title is two texts, three where JSON-LD repeats it: what cards say, and what the tab and search say, where the template's part stays. */
function BothTitles({
  cards,
  tab,
  rich,
  onSame,
  onRich,
}: {
  cards: string | null
  tab: string | null
  /** What JSON-LD calls the page; null where it calls it nothing that the page says elsewhere. */
  rich: string | null
  onSame: () => void
  onRich: () => void
}) {
  return (
    <dl
      className="-mt-2 grid grid-cols-[auto_1fr] gap-x-3 gap-y-[2px] text-small"
      aria-label="What the title says where"
    >
      <dt className="text-quiet">Cards</dt>
      <dd className="[overflow-wrap:anywhere]">{cards}</dd>
      <dt className="text-quiet">Tab, search</dt>
      <dd className="[overflow-wrap:anywhere]">
        {tab}{' '}
        {tab !== cards && (
          <button type="button" className="text-pick hover:underline" onClick={onSame}>
            Without what the template adds
          </button>
        )}
      </dd>
      {rich !== null && (
        <>
          <dt className="text-quiet">JSON-LD</dt>
          <dd className="[overflow-wrap:anywhere]">
            {rich}{' '}
            {rich !== cards && (
              <button type="button" className="text-pick hover:underline" onClick={onRich}>
                Say it there too
              </button>
            )}
          </dd>
        </>
      )}
    </dl>
  )
}
