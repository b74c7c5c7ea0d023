import { spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { median } from './measure'

const PAGES = Number(process.env['PAGES'] ?? 5000)
const SECTIONS = 9
const ROUNDS = 3
const SITE = 'https://brasswick.example'
const SENTENCE = 'A lamp that flickers is a lamp that asks for a new switch, and sometimes for a new plug as well. '

/** A page of about 20 KB: a head as generators write it, 60 paragraphs, links to others. Every tenth lacks a description. */
function pageAt(index: number): string {
  const description = index % 10 === 0 ? '' : `Page ${index}: ${SENTENCE}`
  const links = Array.from({ length: 12 }, (_, step) => (index * 12 + step + 1) % PAGES)
    .map((to) => `<li><a href="/s${to % SECTIONS}/p${to}.html">next</a></li>`)
    .join('')
  const body = Array.from(
    { length: 60 },
    (_, part) => `<h2>Part ${part} of ${index}</h2><p class="text">${SENTENCE.repeat(3)}</p>`,
  ).join('\n')
  const address = `${SITE}/s${index % SECTIONS}/p${index}.html`
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Page ${index} of the bench | Brasswick</title>
<meta name="description" content="${description}"><link rel="canonical" href="${address}"><link rel="icon" href="/icon.png">
<meta property="og:title" content="Page ${index} of the bench"><meta property="og:description" content="${description}">
<meta property="og:type" content="website"><meta property="og:url" content="${address}"><meta property="og:site_name" content="Brasswick">
<meta property="og:image" content="${SITE}/img/${index % 50}.png"><meta name="twitter:card" content="summary_large_image">
</head><body><nav><ul>${links}</ul></nav><main><h1>Page ${index}</h1>${body}</main></body></html>`
}

async function writeSite(folder: string): Promise<void> {
  for (let section = 0; section < SECTIONS; section++) mkdirSync(join(folder, `s${section}`), { recursive: true })
  mkdirSync(join(folder, 'img'))
  for (let index = 0; index < PAGES; index++)
    writeFileSync(join(folder, `s${index % SECTIONS}`, `p${index}.html`), pageAt(index))
  for (let index = 0; index < 50; index++) {
    const background = { r: index * 5, g: 120, b: 255 - index * 5 }
    const plain = sharp({ create: { width: 1200, height: 630, channels: 3, background } })
    writeFileSync(join(folder, 'img', `${index}.png`), await plain.png().toBuffer())
  }
}

/** What somebody would write by hand: each file through one parser for title, metas and links, each picture's size. */
const PLAIN = `
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Parser } from 'htmlparser2'
import sharp from 'sharp'
const folder = process.argv[2]
let found = 0
for (const path of readdirSync(folder, { recursive: true })) {
  if (path.endsWith('.png')) { await sharp(join(folder, path)).metadata(); continue }
  if (!path.endsWith('.html')) continue
  const page = { title: '', metas: [], links: [] }
  let inTitle = false
  const parser = new Parser({
    onopentag(name, attributes) {
      if (name === 'title') inTitle = true
      else if (name === 'meta') page.metas.push(attributes)
      else if (name === 'a' || name === 'link') page.links.push(attributes.href)
    },
    ontext(text) { if (inTitle) page.title += text },
    onclosetag(name) { if (name === 'title') inTitle = false },
  })
  parser.end(readFileSync(join(folder, path), 'utf8'))
  found += page.metas.length
}
console.log(found)
`

/** Loaded into every process of a command: the memory of each is written down when it ends. */
const reporter = (into: string) => `
import { appendFileSync } from 'node:fs'
process.on('exit', () => appendFileSync(${JSON.stringify(into)}, process.resourceUsage().maxRSS + '\\n'))
`

/** Clock ticks in a second, in which Linux counts processor time (proc_pid_stat(5)). */
const TICKS_A_SECOND = 100

/** Processor time in ms of all processes that were started from here and have ended, with those that they started. */
function childrenMs(): number {
  // The name of the program, in brackets, may hold spaces: fields are counted from behind it.
  const fields = readFileSync('/proc/self/stat', 'utf8').split(') ')[1]!.split(' ')
  return ((Number(fields[13]) + Number(fields[14])) * 1000) / TICKS_A_SECOND
}

type Cost = { wallMs: number; cpuMs: number; residentMb: number }

/**
 * `check` of a folder beside a script written by hand over the same files, in turns: wall time, processor time of all
 * processes together, memory of the largest. PAGES=1000 npm run bench -- check for another size.
 */
export async function run(): Promise<void> {
  const root = process.cwd()
  const at = mkdtempSync(join(tmpdir(), 'check-bench-'))
  try {
    const folder = join(at, 'site')
    await writeSite(folder)
    spawnSync(process.execPath, [join(root, 'scripts', 'build-command.mjs')], { cwd: root, stdio: 'ignore' })
    const plain = join(root, 'bench', '.plain-check.mjs')
    writeFileSync(plain, PLAIN)
    const usage = join(at, 'usage.jsonl')
    writeFileSync(join(at, 'report.mjs'), reporter(usage))
    const bin = join(root, 'packages', 'nimble-parrot', 'dist', 'bin.mjs')
    const check = [bin, 'check', folder, '--site', SITE, '--fail-on', 'never']
    const commands: Record<string, string[]> = {
      'plain script': [plain, folder],
      check: [...check],
      'check --format jsonl': [...check, '--format', `jsonl=${join(at, 'run.jsonl.gz')}`],
    }
    const costs = new Map<string, Cost[]>(Object.keys(commands).map((name) => [name, []]))
    for (let round = 0; round < ROUNDS; round++) {
      for (const [name, args] of Object.entries(commands)) {
        writeFileSync(usage, '')
        const [startedAt, before] = [performance.now(), childrenMs()]
        const { status, stderr } = spawnSync(process.execPath, args, {
          cwd: root,
          encoding: 'utf8',
          env: { ...process.env, NODE_OPTIONS: `--import ${join(at, 'report.mjs')}` },
        })
        const wallMs = performance.now() - startedAt
        if (status !== 0) throw new Error(`${name} ended with ${status}: ${stderr}`)
        const residentKb = readFileSync(usage, 'utf8').trim().split('\n').map(Number)
        costs.get(name)!.push({ wallMs, cpuMs: childrenMs() - before, residentMb: Math.max(...residentKb) / 1000 })
      }
    }
    rmSync(plain)
    const middle = (name: string, of: (cost: Cost) => number) => median(costs.get(name)!.map(of))
    const base = {
      wall: middle('plain script', ({ wallMs }) => wallMs),
      cpu: middle('plain script', ({ cpuMs }) => cpuMs),
    }
    console.log(`${PAGES} pages of 20 KB, medians of ${ROUNDS} in turns`)
    for (const name of costs.keys()) {
      const wall = middle(name, ({ wallMs }) => wallMs)
      const cpu = middle(name, ({ cpuMs }) => cpuMs)
      const resident = middle(name, ({ residentMb }) => residentMb)
      console.log(
        `${name.padEnd(22)} wall ${(wall / 1000).toFixed(1)} s (${(wall / base.wall).toFixed(2)} ×)  processor ${(cpu / 1000).toFixed(1)} s (${(cpu / base.cpu).toFixed(2)} ×), ${(cpu / PAGES).toFixed(2)} ms a page  ${resident.toFixed(0)} MB`,
      )
    }
  } finally {
    rmSync(at, { recursive: true })
  }
}
