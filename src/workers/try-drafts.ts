import { siteCalled } from '@/core/check'
import { editPage, effectiveEdits } from '@/core/draft'
import { defaultsOf, draftsOf } from '@/store/drafts'
import { storedImagesOf } from '@/store/images'
import { runAt } from '@/store/runs'
import { contextOfRun, judge } from './judge'
import { gatheringOf } from './look-again'
import type { GatherCommand } from './protocol'
import { keepTried } from './tried-run'
import { UserFacingError } from './user-facing-error'

/**
 * Writes a run as it would be with everything that is drafted of its site: pages with their drafts, defaults and
 * patterns, pictures that were made or added here, everything judged again.
 */
export async function runTryDrafts({
  runId,
  parent: id,
}: Extract<GatherCommand, { kind: 'try-drafts' }>): Promise<void> {
  const parent = await runAt(id)
  if (!parent) throw new UserFacingError('The run whose drafts were to be shown is not in this browser any more.')
  const before = await gatheringOf(parent)
  const { sections } = await contextOfRun(before.gathering)
  const sectionOf = (url: string) => sections.get(url) ?? '/'
  const { site } = parent.source
  const drafts = new Map((await draftsOf(site)).map((draft) => [draft.url, draft]))
  const defaults = { ...(await defaultsOf(site)), called: siteCalled(before.gathering.pages, sectionOf) }
  const made = (await storedImagesOf(id)).flatMap((stored) => (stored.made ? [stored.image] : []))
  const images = new Map([...before.gathering.images, ...made].map((image) => [image.url, image]))
  const changed = new Set<string>()
  const pages = before.gathering.pages.map((page) => {
    if (!page.facts) return page
    const draft = drafts.get(page.url)
    const fields = draft?.landedAt === null ? draft.fields : {}
    const { edits } = effectiveEdits({ ...page, facts: page.facts }, sectionOf(page.url), fields, defaults, (url) =>
      images.get(url),
    )
    if (edits.size === 0) return page
    changed.add(page.url)
    return editPage(page, edits)
  })
  const gathering = { ...before.gathering, pages, images: [...images.values()] }
  const { verdict, rows } = await judge(runId, gathering)
  await keepTried(runId, parent, [...before.images, ...made], {
    gathering,
    verdict,
    rows,
    changed,
    tried: { run: id, causes: [], changes: [], draftedPages: changed.size },
  })
}
