import 'fake-indexeddb/auto'
import Dexie, { type DBCore, type DBCoreMutateRequest, type Middleware } from 'dexie'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { firstTemplate } from '@/core/compose'
import { database, type StoredImage, type StoredRun } from '@/store/database'
import * as drafts from '@/store/drafts'
import * as focuses from '@/store/focuses'
import * as folders from '@/store/folders'
import * as frontier from '@/store/frontier'
import * as heldEvents from '@/store/held-events'
import * as images from '@/store/images'
import * as keptPictures from '@/store/kept-pictures'
import * as overviews from '@/store/overviews'
import * as pages from '@/store/pages'
import * as requirements from '@/store/requirements'
import * as rows from '@/store/rows'
import * as runs from '@/store/runs'
import * as steps from '@/store/steps'
import * as templates from '@/store/templates'
import { forgetNotKept, isFailedWrite, readNotKept, tellNotKept } from './not-kept'

const SITE = 'https://site.example/'
const at = '2026-11-23T09:00:00Z'
const focus = { x: 0.5, y: 0.5 }
const draft = { site: SITE, url: SITE, fields: { title: 'x' }, against: {}, madeAt: at, changedAt: at, landedAt: null }
const step = { site: SITE, label: 'x', drafts: [{ url: SITE, before: null, after: draft }] }
const image = { run: 'r', url: SITE, image: { url: SITE, hash: 'x' } } as StoredImage
const modules = {
  drafts,
  focuses,
  folders,
  frontier,
  heldEvents,
  images,
  keptPictures,
  overviews,
  pages,
  requirements,
  rows,
  runs,
  steps,
  templates,
}

/** Everything that puts something into storage, by the name of its function. */
const WRITES: Record<string, () => Promise<unknown>> = {
  writeStep: () => drafts.writeStep(step, 'after'),
  updateDrafts: () => drafts.updateDrafts([{ draft, change: { landedAt: at } }]),
  takeFocuses: () => focuses.takeFocuses(SITE, { [SITE]: focus }),
  keepFolder: () => folders.keepFolder(SITE, {} as FileSystemDirectoryHandle),
  markLaunched: () => heldEvents.markLaunched('r', at),
  keepHeldEvents: () =>
    heldEvents.keepHeldEvents(SITE, [
      { kind: 'asked', surface: 'wide-feed', address: SITE, run: 'r', at, renewed: true },
    ]),
  keepImages: () => images.keepImages([image]),
  keepThumb: () => images.keepThumb('x', new Blob(['x'])),
  keepOriginal: () => keptPictures.keepOriginal('x', new Blob(['x'])),
  keepOverview: () =>
    overviews.keepOverview({ run: 'r', causes: [], overview: { lengths: [], pictures: [], coverage: [] } } as never),
  keepEdits: () => overviews.keepEdits('r', {}),
  keepRequirements: () => requirements.keepRequirements(SITE, {}),
  putRows: () => rows.putRows([{ run: 'r', url: SITE, order: 0, path: '/', faces: {}, findings: [] } as never]),
  addRun: () => runs.addRun({ id: `new ${Math.random()}`, source: { site: SITE } } as StoredRun),
  keepRun: () => runs.keepRun({ id: 'r', source: { site: SITE } } as StoredRun),
  changeRun: () => runs.changeRun('r', { waiting: Math.random() }),
  keepPages: () => pages.keepPages('r', [{ url: SITE } as never]),
  keepImagesOf: () => images.keepImagesOf('r', [image.image]),
  keepWaiting: () => frontier.keepWaiting('r', [{ url: SITE, depth: 1 }]),
  keepDrafts: () => drafts.keepDrafts([draft]),
  keepDefaults: () => drafts.keepDefaults(SITE, { sections: {} }),
  keepFocuses: () => focuses.keepFocuses([{ site: SITE, url: SITE, focus, setAt: at }]),
  keepTemplates: () => templates.keepTemplates(SITE, { '/a/*': firstTemplate(null) }),
  nameRun: () => runs.nameRun('r', 'A name'),
  signOff: () => runs.signOff('r', { by: 'Ada', at, errors: 0 }),
  keepStepOf: () => steps.keepStepOf({ ...step, tab: 't', number: 1, at: 1, typing: null }, 0),
  keepTemplate: () => templates.keepTemplate(SITE, '/a/*', firstTemplate(null)),
  takeTemplates: () => templates.takeTemplates(SITE, { '/a/*': firstTemplate(null) }, []),
  keepTemplateFile: () => templates.keepTemplateFile(SITE, 'a.png', new Blob(['x'])),
}

/** Storage without room: whatever is put into it fails, as a browser makes it fail. */
const full: Middleware<DBCore> = {
  stack: 'dbcore',
  name: 'full',
  create: (core) => ({
    ...core,
    table: (name) => {
      const table = core.table(name)
      const mutate = (request: DBCoreMutateRequest) =>
        request.type === 'add' || request.type === 'put'
          ? Promise.reject(new Dexie.QuotaExceededError('no room'))
          : table.mutate(request)
      return { ...table, mutate }
    },
  }),
}

beforeEach(async () => {
  database.unuse({ stack: 'dbcore', name: 'full' })
  database.close()
  await database.open()
  for (const table of database.tables) await table.clear()
  await database.runs.put({ id: 'r', source: { site: SITE } } as StoredRun)
  await database.drafts.put(draft)
  await database.overviews.put({ run: 'r' } as never)
})
afterEach(forgetNotKept)

describe('where there is no room', () => {
  test.each(Object.entries(WRITES))('%s fails aloud, and is known to be a write that failed', async (_name, write) => {
    // With room, it writes.
    await write()
    database.use(full)
    database.close()
    await database.open()
    const error = await write().then(
      () => null,
      (fault: unknown) => fault,
    )
    expect(isFailedWrite(error)).toBe(true)
    tellNotKept({ what: 'this', error })
    expect(readNotKept()).toMatchObject({ isFull: true })
  })

  test('no write of the store is left out of this list', () => {
    const named = Object.values(modules).flatMap((module) => Object.entries(module))
    const writing = named.filter(
      ([name, value]) =>
        typeof value === 'function' &&
        /^(?:keep|take(?!Back)|put|write|update|mark|name|sign|add|change)[A-Z]/.test(name) &&
        !/^kept/.test(name),
    )
    expect(writing.map(([name]) => name).sort()).toEqual(Object.keys(WRITES).sort())
  })
})
