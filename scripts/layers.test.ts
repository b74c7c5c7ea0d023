import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { expect, test } from 'vitest'
import { CORE_ORDER, faultOf, importsOf, programFiles } from './layers.mjs'
import { root } from './setup.mjs'

const src = (path: string) => join(root, 'src', path)

test('everything points downward, through the face of each folder of the core', () => {
  const files = programFiles()
  expect(files.length).toBeGreaterThan(500)
  const faults = files.flatMap((file) =>
    importsOf(file)
      .map((to) => ({ to, fault: faultOf(file, to) }))
      .filter(({ fault }) => fault !== null)
      .map(({ to, fault }) => `${relative(root, file)} → ${relative(root, to)}: ${fault}`),
  )
  expect(faults).toEqual([])
})

test('the order lists every folder of the core, and each says what it is for', () => {
  const folders = readdirSync(src('core'), { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && entry.name !== 'testing')
    .map(({ name }) => name)
  expect([...CORE_ORDER].sort()).toEqual(folders.sort())
  for (const folder of folders) {
    const [purpose] = readFileSync(src(`core/${folder}/index.ts`), 'utf8').split('*/')
    expect(purpose, folder).toMatch(/^\/\*\*\n(?: \* .+\n){3,6} $/)
  }
})

test('the interface asks storage by questions of the store, and never touches the database', () => {
  const touching = programFiles().filter(
    (file) =>
      relative(src('ui'), file)[0] !== '.' &&
      /import \{[^}]*\bdatabase\b[^}]*\} from '@\/store\/database'/.test(readFileSync(file, 'utf8')),
  )
  expect(touching.map((file) => relative(root, file))).toEqual([])
})

test.each([
  ['core/text/fit.ts', 'core/page/index.ts', 'core/text stands below core/page'],
  ['core/page/decode.ts', 'core/text/fit.ts', 'core/text is entered through its index.ts'],
  ['core/page/decode.ts', 'core/text/index.ts', null],
  ['core/page/decode.ts', 'core/page/scan/facts.ts', null],
  ['core/page/decode.ts', 'io/guard.ts', 'core may not import io'],
  ['store/runs.ts', 'workers/protocol.ts', 'store may not import workers'],
  ['workers/judge.ts', 'store/runs.ts', null],
  ['ui/features/wall/wall-area.tsx', 'core/check/rules/index.ts', 'core/check is entered through its index.ts'],
  ['ui/features/wall/wall-area.tsx', 'ui/features/page/page-area.tsx', 'the area wall may not import the area page'],
  ['ui/features/wall/wall-area.tsx', 'ui/parts/levels.ts', null],
  ['ui/kit/notice.tsx', 'ui/state/view/view.ts', 'ui/kit may not import ui/state'],
  ['ui/state/view/view.ts', 'ui/parts/levels.ts', 'ui/state may not import ui/parts'],
  ['ui/app.tsx', 'ui/features/wall/wall-area.tsx', null],
  ['cli/check.ts', 'ui/app.tsx', 'cli may not import ui'],
])('%s → %s', (from, to, fault) => expect(faultOf(src(from), src(to))).toBe(fault))
