import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { FetchFact } from '@/core/model'
import { contentsOf } from './contents'
import { manualSite, templateCollection } from './testing/built-sites'
import { bundledCommand } from './testing/bundle-once'
import { commandIn, root } from './testing/command'
import { writeFiles } from './testing/real-site'

const here = mkdtempSync(join(tmpdir(), 'merge-'))
afterAll(() => rmSync(here, { recursive: true }))
const run = commandIn(here)
const demo = join(root, 'demo/site')
const SITE = ['--site', 'https://brasswick.example/']

/** A document without its times and what measures time; lists without an order are put into one. */
function apart(file: string): unknown {
  const text = readFileSync(join(here, file), 'utf8')
  const document = JSON.parse(text, (key, value) =>
    ['startedAt', 'finishedAt', 'fetchedAt', 'ms', 'location'].includes(key) ? undefined : value,
  )
  const byUrl = (a: { url: string }, b: { url: string }) => (a.url < b.url ? -1 : 1)
  return { ...document, pages: [...document.pages].sort(byUrl), images: [...document.images].sort(byUrl) }
}

describe('a folder in parts', () => {
  beforeAll(async () => {
    for (const index of [1, 2, 3, 4]) {
      const file = index % 2 === 0 ? `jsonl=part-${index}.jsonl.gz` : `json=part-${index}.json`
      const { code, out, err } = await run('check', demo, ...SITE, '--shard', `${index}/4`, '--format', file)
      expect({ code, out, err }).toEqual({ code: 0, out: '', err: '' })
    }
    await run('check', demo, ...SITE, '--format', 'json=whole.json')
  }, 60_000)

  const parts = ['part-3.json', 'part-1.json', 'part-4.jsonl.gz', 'part-2.jsonl.gz']

  test('is put together as it is in one piece, in any order and any form', async () => {
    const { code } = await run('merge', ...parts, '--format', 'json=merged.json', '--format', 'sarif=merged.sarif')
    expect(code).toBe(1)
    expect(apart('merged.json')).toEqual(apart('whole.json'))
    expect(JSON.parse(readFileSync(join(here, 'merged.sarif'), 'utf8')).runs).toHaveLength(1)
  }, 60_000)

  test.each([
    [['part-1.json', 'part-4.jsonl.gz', 'part-2.jsonl.gz'], 'Part 3 of 4 is missing: read it with check --shard 3/4.'],
    [['part-1.json', 'part-4.jsonl.gz'], 'Parts 2, 3 of 4 are missing'],
    [[...parts, 'part-1.json'], 'Part 1 of 4 is there twice: part-1.json and part-1.json.'],
    [['part-1.json', 'whole.json'], 'The part whole.json can’t be used. It is no part of a run'],
    [['none.json'], 'The part none.json can’t be read'],
  ])('what is missing, doubled or no part ends with one line: %j', async (given, line) => {
    const { code, out, err } = await run('merge', ...given)
    expect([code, out]).toEqual([2, ''])
    expect(err).toContain(line)
    expect(err.trimEnd().split('\n')).toHaveLength(1)
  })

  test('a part of another run is named', async () => {
    const other = async (name: string, ...args: string[]) => {
      await run('check', ...args, '--format', `json=${name}`)
      return run('merge', 'part-1.json', name)
    }
    const options = await other('options.json', demo, ...SITE, '--shard', '2/4', '--exclude', '/tools/**')
    expect(options.err).toMatch(
      /options\.json \(part 2 of 4\) is not of the same run as .*: it was read with other options/,
    )
    const count = await other('count.json', demo, ...SITE, '--shard', '2/5')
    expect(count.err).toMatch(/count\.json \(part 2 of 5\) is not of the same run .*: that run has 4 parts/)
    mkdirSync(join(here, 'edited'))
    for (const name of ['index.html', 'about.html', 'visit.html'])
      copyFileSync(join(demo, name), join(here, 'edited', name))
    const build = await other('build.json', 'edited', ...SITE, '--shard', '2/4')
    expect(build.err).toMatch(/build\.json .*: the files of the build were others then/)
  })

  type PartFile = {
    pages: { path?: string; page: { url?: string; facts: { title: string } } }[]
    partial: { contents: object }
  }
  test.each<[string, (part: PartFile) => unknown, RegExp]>([
    ['emptied', ({ pages }) => pages.splice(0), /It was written with \d+ pages and \d+ images?, and holds 0 and/],
    [
      'with another title',
      ({ pages }) => Object.assign(pages[0]!.page.facts, { title: 'Forged' }),
      /its digest does not match/,
    ],
    [
      'given a page that the build lacks',
      (part) => {
        const { images } = part as PartFile & { images: unknown[] }
        part.pages.push({ ...part.pages[0]!, path: 'made-up.html' })
        Object.assign(part.pages.at(-1)!, {
          page: { ...part.pages[0]!.page, url: 'https://brasswick.example/made-up' },
        })
        part.partial.contents = contentsOf(part.pages, images)
      },
      /holds made-up\.html, which is not in the build/,
    ],
    [
      'emptied, with its count and digest made anew',
      (part) => {
        const { images } = part as PartFile & { images: unknown[] }
        part.pages = []
        part.partial.contents = contentsOf([], images)
      },
      /part-3-forged\.json \(part 3 of 4\) lacks \d+ pages that it should hold/,
    ],
  ])('a part that was %s is refused', async (_name, edit, fault) => {
    const part = JSON.parse(readFileSync(join(here, 'part-3.json'), 'utf8'))
    edit(part)
    writeFileSync(join(here, 'part-3-forged.json'), JSON.stringify(part))
    const { code, err } = await run('merge', 'part-3-forged.json', ...parts.slice(1))
    expect(code).toBe(2)
    expect(err).toMatch(fault)
  })

  test('no other command takes a part for a run', async () => {
    const { code, err } = await run('compare', 'whole.json', 'part-1.json')
    expect(code).toBe(2)
    expect(err).toContain('It is part 1 of 4 of a run: put the parts together with nimble-parrot merge.')
  })

  test('a part is written for merge alone', async () => {
    expect((await run('check', demo, '--shard', '1/4')).err).toContain('A part is written as json or jsonl, for merge')
    expect((await run('check', demo, '--shard', '1/4', '--format', 'html=x.html')).err).toContain('and not as html')
    expect((await run('check', demo, '--shard', '5/4')).err).toContain('It is written I/N')
  })
})

describe('a list in parts', () => {
  type LinkedPage = { url: string; fetch: Pick<FetchFact, 'linkers' | 'ledHereBy'> }
  /** Every third page links to one that is not there, the first two to one that redirects. */
  const pageAt = (path: string) => {
    const number = Number(/\d+$/.exec(path)?.[0])
    const links = [...(number % 3 === 0 ? ['/gone'] : []), ...(number < 2 ? ['/old'] : [])]
    return `<title>Page ${path}</title>${links.map((href) => `<a href="${href}">on</a>`).join('')}`
  }
  const asked: string[] = []
  let most = 0
  let open = 0
  const server = createServer((request, response) => {
    asked.push(request.url!)
    most = Math.max(most, ++open)
    setTimeout(() => {
      open--
      if (request.url === '/robots.txt' || request.url === '/gone') response.writeHead(404).end()
      else if (request.url === '/old') response.writeHead(301, { location: '/p3' }).end()
      else response.writeHead(200, { 'content-type': 'text/html' }).end(pageAt(request.url!))
    }, 20)
  })
  let address = ''
  beforeAll(async () => {
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    const pages = [
      ...Array.from({ length: 24 }, (_, index) => `${address}/p${index}`),
      `${address}/gone`,
      `${address}/old`,
    ]
    writeFileSync(join(here, 'pages.txt'), `${pages.join('\n')}\n`)
  })
  afterAll(() => new Promise((resolve) => server.close(resolve)))

  test('each address is asked for once, by one part as politely as its share, and all are put together', async () => {
    for (const index of [1, 2, 3, 4]) {
      asked.length = 0
      most = 0
      const format = ['--format', `json=list-${index}.json`]
      const { code } = await run('check', 'pages.txt', '--concurrency', '4', '--shard', `${index}/4`, ...format)
      expect(code).toBe(0)
      expect(asked.filter((path) => path.startsWith('/p')).length).toBeGreaterThanOrEqual(6)
      expect(most).toBe(1)
    }
    await run('check', 'pages.txt', '--concurrency', '1', '--format', 'json=list-whole.json')
    const files = [4, 1, 3, 2].map((index) => `list-${index}.json`)
    expect((await run('merge', ...files, '--format', 'json=list-merged.json')).code).toBe(1)
    expect(apart('list-merged.json')).toEqual(apart('list-whole.json'))
    const merged = JSON.parse(readFileSync(join(here, 'list-merged.json'), 'utf8')) as {
      pages: LinkedPage[]
      missing: { url: string; linkers: object }[]
    }
    // Who links to what is not there is told of all pages, whichever part they were read with.
    const gone = merged.missing.find(({ url }) => url.endsWith('/gone'))!
    expect(gone.linkers).toMatchObject({ count: 8, first: { length: 3 } })
    const led = merged.pages.find(({ fetch }) => fetch.ledHereBy)!
    expect(led.fetch.ledHereBy![0]!.linkers.count).toBe(2)
  }, 60_000)

  test('parts that took different hosts for the production address are refused, with what to do', async () => {
    const other = address.replace('127.0.0.1', 'localhost')
    writeFileSync(join(here, 'hosts.txt'), `${address}/p0\n${other}/p1\n`)
    for (const index of [1, 2])
      await run('check', 'hosts.txt', '--shard', `${index}/2`, '--format', `json=hosts-${index}.json`)
    const { code, err } = await run('merge', 'hosts-1.json', 'hosts-2.json')
    expect(code).toBe(2)
    expect(err).toContain(`hosts-2.json (part 2 of 2) took ${other}/ for the production address`)
    expect(err).toContain('Read the parts again with --site.')
  })

  test('a crawl from an address has no parts, and says what to do', async () => {
    const { code, err } = await run('check', `${address}/`, '--shard', '1/4', '--format', 'json=x.json')
    expect(code).toBe(2)
    expect(err).toContain('nimble-parrot list')
  })
})

describe('four processes at once, as a job array runs them', () => {
  const part = (index: number) => {
    const format = `jsonl=${join(here, `at-once-${index}.jsonl.gz`)}`
    const args = ['check', demo, ...SITE, '--shard', 'auto', '--format', format]
    const env = { ...process.env, CI_NODE_INDEX: String(index), CI_NODE_TOTAL: '4' }
    return spawn(process.execPath, [bundledCommand(root), ...args], { env, stdio: 'ignore' })
  }
  const ended = (child: ChildProcess) => new Promise<number | null>((resolve) => child.on('exit', resolve))

  test('one that was killed leaves no part behind; run again, all are put together', async () => {
    const [first, second, third, fourth] = [1, 2, 3, 4].map(part)
    third!.kill('SIGKILL')
    expect(await Promise.all([first!, second!, fourth!].map(ended))).toEqual([0, 0, 0])
    const files = [1, 2, 3, 4].map((index) => `at-once-${index}.jsonl.gz`)
    const lacking = await run('merge', ...files)
    expect(lacking.code).toBe(2)
    expect(lacking.err).toContain('The part at-once-3.jsonl.gz can’t be')
    expect(await ended(part(3))).toBe(0)
    await run('merge', ...files, '--format', 'json=at-once.json')
    await run('check', demo, ...SITE, '--format', 'json=in-one.json')
    expect(apart('at-once.json')).toEqual(apart('in-one.json'))
  }, 240_000)
})

const PARALLEL = '/usr/bin/parallel'

test.runIf(existsSync(PARALLEL))(
  'GNU parallel runs four parts at once, and one that was killed again',
  async () => {
    mkdirSync(join(here, 'parallel'))
    // The third kills itself when it is run first, as a machine that runs out of memory does.
    const script = `if [ $1 = 3 ] && [ ! -e tried ]; then touch tried; kill -9 $$; fi
exec "${process.execPath}" "${bundledCommand(root)}" check "${demo}" ${SITE.join(' ')} --shard $1/4 --format jsonl=part-$1.jsonl.gz`
    writeFileSync(join(here, 'parallel/part.sh'), script)
    const args = ['--will-cite', '--jobs', '4', '--retries', '3', 'sh', 'part.sh', ':::', '1', '2', '3', '4']
    execFileSync(PARALLEL, args, {
      cwd: join(here, 'parallel'),
      env: { ...process.env, INIT_CWD: join(here, 'parallel') },
      stdio: 'ignore',
    })
    expect(existsSync(join(here, 'parallel/tried'))).toBe(true)
    const files = [1, 2, 3, 4].map((index) => `parallel/part-${index}.jsonl.gz`)
    await run('merge', ...files, '--format', 'json=by-parallel.json')
    await run('check', demo, ...SITE, '--format', 'json=for-parallel.json')
    expect(apart('by-parallel.json')).toEqual(apart('for-parallel.json'))
  },
  240_000,
)

describe('built sites of other shapes in parts', () => {
  test.each([
    ['a manual in two languages', manualSite, 2],
    ['templates from several hands', templateCollection, 5],
  ])(
    '%s',
    async (_what, make, of) => {
      const { name, site, files: built } = await make()
      writeFiles(join(here, name), built)
      const files: string[] = []
      for (let index = of; index >= 1; index--) {
        files.push(`${name}-${index}.jsonl.gz`)
        await run('check', name, '--site', site, '--shard', `${index}/${of}`, '--format', `jsonl=${files.at(-1)}`)
      }
      await run('merge', ...files, '--format', `json=${name}-merged.json`)
      await run('check', name, '--site', site, '--format', `json=${name}-whole.json`)
      expect(apart(`${name}-merged.json`)).toEqual(apart(`${name}-whole.json`))
    },
    60_000,
  )
})
