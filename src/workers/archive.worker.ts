import { countPageFiles } from '@/core/crawl'
import { saveProject } from '@/store/archive/save-project'
import { digestOfTexts } from './digest'
import {
  type Choices,
  type OpenedProject,
  openArchive,
  openProject,
  type Prefer,
  type ProjectPreview,
  previewProject,
} from './open-project'
import { type OpenedRun, openRun } from './open-run'
import { isStorageFull, UserFacingError } from './user-facing-error'
import { workerScope } from './worker-scope'

/** What can be asked of the worker that writes and reads what leaves and enters this browser, and what it answers. */
export type ArchiveAsk =
  | { kind: 'save'; site: string }
  /** What is in it, before anything is taken over. */
  | { kind: 'look'; archive: Blob }
  | { kind: 'open'; archive: Blob; prefer: Prefer; choices?: Choices }
  | { kind: 'open-run'; document: Blob }
  /** How many pages a zip of a build holds. */
  | { kind: 'count'; zip: Blob }
export type ArchiveAnswer =
  | { kind: 'saved'; archive: Blob }
  | { kind: 'looked'; preview: ProjectPreview }
  | { kind: 'opened'; opened: OpenedProject }
  /** Pages of a document that were taken over so far: more is to come. */
  | { kind: 'reading'; pages: number }
  | { kind: 'opened-run'; opened: OpenedRun }
  | { kind: 'counted'; pages: number }
  | { kind: 'failed'; message: string }

const scope = workerScope<ArchiveAsk, ArchiveAnswer>()

async function answerTo(ask: ArchiveAsk): Promise<ArchiveAnswer> {
  if (ask.kind === 'save') return { kind: 'saved', archive: await saveProject(ask.site, digestOfTexts) }
  if (ask.kind === 'open') return { kind: 'opened', opened: await openProject(ask.archive, ask.prefer, ask.choices) }
  if (ask.kind === 'open-run')
    return {
      kind: 'opened-run',
      opened: await openRun(ask.document, (pages) => scope.postMessage({ kind: 'reading', pages })),
    }
  if (ask.kind === 'count') return { kind: 'counted', pages: countPageFiles((await openArchive(ask.zip)).paths) }
  return { kind: 'looked', preview: await previewProject(ask.archive) }
}

function wordsOf(error: unknown): string {
  if (error instanceof UserFacingError) return error.message
  if (isStorageFull(error))
    return 'This browser’s storage is full. Nothing of that file’s runs was kept. Delete runs that you no longer need, and open it again.'
  return `It broke off: ${error instanceof Error ? error.message : String(error)}`
}

scope.addEventListener('message', ({ data }) => {
  void answerTo(data)
    .catch((error): ArchiveAnswer => ({ kind: 'failed', message: wordsOf(error) }))
    .then((answer) => scope.postMessage(answer))
})
