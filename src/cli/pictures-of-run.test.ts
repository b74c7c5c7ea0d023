import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeEach, expect, test, vi } from 'vitest'
import type { RunSource } from '@/core/model'
import { bytesOfRun, notAskedWords } from './pictures-of-run'

const made: { login: unknown }[] = []
const asked: string[] = []
vi.mock('@/io/fetch-address', () => ({
  createFetcher: (settings: { login: unknown }) => {
    made.push(settings)
    return {
      read: async ({ url }: { url: string }) => {
        asked.push(url)
        return { kind: 'failed', code: 'refused', message: '', ms: 0 }
      },
      close: async () => undefined,
    }
  },
}))
beforeEach(() => {
  made.length = 0
  asked.length = 0
})

const here = mkdtempSync(join(tmpdir(), 'parrot-pictures-'))
const elsewhere = mkdtempSync(join(tmpdir(), 'parrot-elsewhere-'))
afterAll(() => {
  for (const folder of [here, elsewhere]) rmSync(folder, { recursive: true })
})

const login = { user: 'ada', password: 'hush', headers: [] }
const served: RunSource = { kind: 'url', location: 'https://evil.example/', site: 'https://evil.example/' }

test('a login goes where the user said, and never where a document says', async () => {
  await (await bytesOfRun(served, { isNamedByUser: true, login, ask: [] })).close()
  expect(made.at(-1)!.login).toMatchObject({ origin: 'https://evil.example' })
  await (await bytesOfRun(served, { isNamedByUser: false, login, ask: [] })).close()
  expect(made.at(-1)!.login).toBeNull()
})

test('files of a build that only a document names are read below the working directory alone', async () => {
  vi.spyOn(process, 'cwd').mockReturnValue(here)
  for (const folder of [here, elsewhere]) {
    mkdirSync(join(folder, 'dist'))
    writeFileSync(join(folder, 'dist/a.png'), 'bytes')
  }
  const bytesIn = async (folder: string, isNamedByUser: boolean) => {
    const source: RunSource = { kind: 'folder', location: join(folder, 'dist'), site: 'https://site.example/' }
    const reader = await bytesOfRun(source, { isNamedByUser, login: null, ask: [] })
    return reader.read('https://site.example/a.png')
  }
  expect(await bytesIn(here, false)).not.toBeNull()
  expect(await bytesIn(elsewhere, false)).toBeNull()
  expect(await bytesIn(elsewhere, true)).not.toBeNull()
})

test('what only a document names is asked where the user says so, and by nothing else', async () => {
  const image = 'https://evil.example/a.png'
  const refused = await bytesOfRun(served, { isNamedByUser: false, login, ask: [] })
  expect(await refused.read(image)).toBeNull()
  expect(asked).toEqual([])
  expect(notAskedWords(refused.notAsked)).toBe(
    '1 image not fetched: only the document names https://evil.example. To fetch them: --ask https://evil.example',
  )
  const allowed = await bytesOfRun(served, { isNamedByUser: false, login, ask: ['https://evil.example/'] })
  await allowed.read(image)
  expect(asked).toEqual([image])
  expect(made.at(-1)!.login).toBeNull()
  expect(notAskedWords(allowed.notAsked)).toBeNull()
})
