'use client'

import { useRef, useState } from 'react'
import type { PictureTemplate } from '@/core/compose'
import type { StoredImage, StoredRun } from '@/store/database'
import { keepImages } from '@/store/images'
import { saveFile } from '../../../kit/save-file'
import { Segments } from '../../../kit/segments'
import { StoppableProgress } from '../../../kit/stoppable-progress'
import { count } from '../../../kit/words'
import { keepMade } from '../../../state/draft/draft-picture'
import type { GoTo } from '../../../state/view/use-view'
import { composePages, type MadePicture, wasMade, ZipParts } from './compose-pages'
import { type ComposeSection, type Fills, pagesToFill } from './compose-sections'
import type { ComposedOnce } from './composed-once'
import { draftComposed } from './draft-composed'
import type { AskFor } from './use-compose-asks'

type Props = {
  run: StoredRun
  section: ComposeSection
  template: PictureTemplate
  askFor: AskFor | null
  /** What was composed already. */
  once: ComposedOnce
  goTo: GoTo
}

/** Makes the pictures of the pages that need one: as files, and as drafts that name them. */
export function FillBar({ run, section, template, askFor, once, goTo }: Props) {
  const [fills, setFills] = useState<Fills>(section.without + section.drafted > 0 ? 'none' : 'shared')
  const [done, setDone] = useState<number | null>(null)
  const [said, setSaid] = useState<{ text: string; hasDrafts: boolean } | null>(null)
  const isStopped = useRef(false)
  const { site } = run.source
  const base = new URL(template.folder, site).href
  const pages = pagesToFill(section, fills, base)

  const make = async (take: (made: MadePicture) => Promise<void>) => {
    if (!askFor) return []
    isStopped.current = false
    setSaid(null)
    try {
      return await composePages({ urls: pages.map(({ url }) => url), site, template, askFor, once }, take, {
        onDone: setDone,
        isStopped: () => isStopped.current,
      })
    } finally {
      setDone(null)
    }
  }
  const inShort = (entries: Awaited<ReturnType<typeof make>>) => {
    const made = entries.filter(wasMade)
    const cut = made.filter(({ titleCut }) => titleCut).length
    const heavy = made.filter(({ withinBudget }) => !withinBudget).length
    const left = entries.find((entry) => !wasMade(entry))
    return [
      `${count(made.length, 'picture')} made`,
      cut > 0 && `${count(cut, 'title')} cut`,
      heavy > 0 && `${heavy} over the weight`,
      left && !wasMade(left) && `${entries.length - made.length} left out (${left.left})`,
      isStopped.current && 'stopped',
    ]
      .filter(Boolean)
      .join(', ')
  }
  const saveZip = async () => {
    const saved: string[] = []
    const zip = new ZipParts((blob, part) => {
      saved.push(`share-pictures${part > 1 ? `-${part}` : ''}.zip`)
      saveFile(saved.at(-1)!, blob, 'application/zip')
    })
    const entries = await make((made) => zip.add(made))
    if (entries.some(wasMade))
      await zip.end({
        format: 'nimble-parrot-composed-pictures',
        version: 1,
        site,
        run: run.startedAt,
        section: section.section,
        pictures: entries,
      })
    setSaid({ text: `${inShort(entries)}.${saved.length > 1 ? ` ${saved.length} zips.` : ''}`, hasDrafts: false })
  }
  const draft = async () => {
    const drafted: Pick<MadePicture, 'url' | 'address' | 'title'>[] = []
    const images: StoredImage[] = []
    const entries = await make(async ({ url, address, title, composed }) => {
      images.push(await keepMade(run.id, address, composed, template.shape, template.type))
      drafted.push({ url, address, title })
    })
    // What was made before a stop is kept. All at once: each write makes all views that show pictures read them again.
    await keepImages(images)
    await draftComposed(run, drafted)
    setSaid({
      text: `${inShort(entries)} and drafted. Save the zip too, and unpack it into the build.`,
      hasDrafts: drafted.length > 0,
    })
  }
  const choices = (
    [
      ['none', 'To fill'],
      ['shared', 'Or shared'],
      ['all', 'All'],
    ] as const
  ).map(([id, name]) => ({ id, name: `${name} (${pagesToFill(section, id, base).length})` }))
  return (
    <section aria-label="Fill in" className="grid shrink-0 gap-2 border-t border-line px-4 py-3">
      <Segments name="Pages to fill" choices={choices} chosen={fills} onChoose={setFills} />
      {done === null ? (
        <span className="flex flex-wrap gap-2">
          <button
            type="button"
            className="button button-main"
            disabled={pages.length === 0 || !askFor}
            onClick={() => void draft()}
          >
            Use in {count(pages.length, 'draft')}
          </button>
          <button
            type="button"
            className="button"
            disabled={pages.length === 0 || !askFor}
            onClick={() => void saveZip()}
          >
            Save zip
          </button>
        </span>
      ) : (
        <StoppableProgress
          done={done}
          of={pages.length}
          onStop={() => {
            isStopped.current = true
          }}
        />
      )}
      <p aria-live="polite" className="text-small">
        {said?.text}{' '}
        {said?.hasDrafts && (
          <button type="button" className="text-pick hover:underline" onClick={() => goTo({ area: 'drafts' })}>
            See the drafts
          </button>
        )}
      </p>
    </section>
  )
}
