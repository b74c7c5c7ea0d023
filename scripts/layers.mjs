// Who may import whom. Everything points downward; a folder of the core is entered through its index.ts alone.
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import ts from 'typescript'
import { root } from './setup.mjs'

/** Folders of the core: each may import those above it, and no other. */
export const CORE_ORDER = [
  'text',
  'address',
  'model',
  'tag',
  'page',
  'image',
  'surface',
  'crawl',
  'requirements',
  'section',
  'check',
  'draft',
  'cause',
  'compose',
  'document',
  'compare',
  'sheet',
  'report',
]

/** What each part of the program may import beside itself. `core` is any folder of it, through its face. */
export const MAY_IMPORT = {
  io: ['core'],
  cli: ['core', 'io'],
  api: ['core', 'io', 'cli'],
  store: ['core'],
  workers: ['core', 'store'],
  ui: ['core', 'store', 'workers'],
  app: ['core', 'io', 'ui'],
}

/**
 * Rooms of the interface, and which of them each may import: what is known, plain controls, parts that show the product's
 * own nouns, and an area each. No area imports another: the frame (src/ui/app.tsx) puts them together.
 */
export const UI_ROOMS = { state: [], kit: [], parts: ['state', 'kit'], features: ['state', 'kit', 'parts'] }

const source = join(root, 'src')

/** Files of the program; tests may reach into what they test. */
export function programFiles() {
  return readdirSync(source, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name) && !/\.(?:test|d)\.tsx?$/.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name))
    .filter((file) => !relative(source, file).split('/').includes('testing'))
}

/** The file that an import means; null for a package. */
function resolved(from, name) {
  const base = name.startsWith('@/')
    ? join(source, name.slice(2))
    : name.startsWith('.')
      ? resolve(dirname(from), name)
      : null
  if (base === null) return null
  const found = [base, `${base}.ts`, `${base}.tsx`, join(base, 'index.ts')].find(
    (path) => existsSync(path) && statSync(path).isFile(),
  )
  return found ?? base
}

/** Every file that a file imports: types, re-exports, what is loaded later, and workers too. */
export function importsOf(file) {
  const text = readFileSync(file, 'utf8')
  const found = ts.preProcessFile(text, true, true).importedFiles.map(({ fileName }) => fileName)
  const workers = [...text.matchAll(/new URL\(\s*'(\.[^']+)'/g)].map(([, path]) => path)
  return [...found, ...workers].map((name) => resolved(file, name)).filter((path) => path !== null)
}

/** The part of the program that a file belongs to, and its room in there: `core` and `check`, `ui` and `wall`. */
export function placeOf(file) {
  const [part, room, ...rest] = relative(source, file).split('/')
  return {
    part: room === undefined ? 'app' : part,
    room: rest.length > 0 ? room : null,
    area: room === 'features' && rest.length > 1 ? rest[0] : null,
  }
}

function faultInUi(a, b) {
  if (a.room === null) return null
  if (a.room === b.room) return a.area === b.area ? null : `the area ${a.area} may not import the area ${b.area}`
  return UI_ROOMS[a.room]?.includes(b.room) ? null : `ui/${a.room} may not import ui/${b.room}`
}

/** What is wrong with an import, in words; null for one that may be. */
export function faultOf(from, to) {
  const [a, b] = [placeOf(from), placeOf(to)]
  if (b.part === '..') return null
  if (a.part !== b.part) {
    if (!MAY_IMPORT[a.part]?.includes(b.part)) return `${a.part} may not import ${b.part}`
    if (b.part !== 'core') return null
  } else if (a.part === 'ui') return faultInUi(a, b)
  else if (a.part !== 'core' || a.room === b.room) return null
  if (b.room === null || !CORE_ORDER.includes(b.room))
    return `${b.room ?? 'the root of the core'} is no folder of the core`
  if (a.part === 'core' && CORE_ORDER.indexOf(a.room) < CORE_ORDER.indexOf(b.room))
    return `core/${a.room} stands below core/${b.room}`
  return to === join(source, 'core', b.room, 'index.ts') ? null : `core/${b.room} is entered through its index.ts`
}
