import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { strToU8, zipSync } from 'fflate'
import { afterAll, describe, expect, test } from 'vitest'
import { fails } from '@/core/report'
import { goodPage } from '@/core/testing/good-site'
import { troubles } from '../../demo/generator/troubles'
import { digest } from './check'
import { commandIn, root, spawned } from './testing/command'

const here = mkdtempSync(join(tmpdir(), 'parrot-'))
afterAll(() => rmSync(here, { recursive: true }))

const run = commandIn(here)
const command = (...args: string[]) => run('check', ...args)

describe('nimble-parrot check', { timeout: 60_000 }, () => {
  test('the demo, in a process of its own: one document on standard output, nothing on standard error, exit 1', () => {
    const { code, out, err } = spawned(
      here,
      'check',
      join(root, 'demo/site'),
      '--site',
      'https://brasswick.example',
      '--format',
      'json',
    )
    const run = JSON.parse(out)
    expect(code).toBe(1)
    expect(err).toBe('')
    expect(run).toMatchObject({
      format: 'nimble-parrot-run',
      version: 1,
      source: { kind: 'folder', site: 'https://brasswick.example/' },
    })
    expect(run.pages).toHaveLength(48)
    const found = new Map<string, string[]>(
      run.pages.map((page: { file: string; findings: { rule: string }[] }) => [
        page.file,
        [...new Set(page.findings.map(({ rule }) => rule))].sort(),
      ]),
    )
    for (const { file, finds } of troubles) expect(found.get(file)).toEqual([...finds].sort())
  })

  test('--fail-on never is 0; --out writes there and prints nothing', async () => {
    const { code, out } = await command(join(root, 'demo/site'), '--fail-on', 'never', '--out', 'run.txt')
    expect(code).toBe(0)
    expect(out).toBe('')
    expect(readFileSync(join(here, 'run.txt'), 'utf8')).toContain('Not clear:')
  })

  test('ten causes in six lines at most, then how many more; --all prints them', async () => {
    const site = join(root, 'demo/site')
    const few = (await command(site)).out
    const all = (await command(site, '--all')).out
    const causesIn = (text: string) => text.split('\n\n').filter((part) => /^(?:error|warning|note)\s/.test(part))
    expect(causesIn(few)).toHaveLength(10)
    for (const cause of causesIn(few)) expect(cause.split('\n').length).toBeLessThanOrEqual(6)
    const [, more] = /^and (\d+) more changes; --all prints them/m.exec(few)!
    expect(causesIn(all)).toHaveLength(10 + Number(more))
    expect(all).not.toContain('--all')
  })

  test('causes name the source file and the line, where the rules say how pages are written', async () => {
    mkdirSync(join(here, 'dist/guides'), { recursive: true })
    mkdirSync(join(here, 'content/guides'), { recursive: true })
    writeFileSync(join(here, 'dist/guides/lamp.html'), '<html lang="en"><title>Untitled</title><p>A lamp</p>')
    writeFileSync(join(here, 'content/guides/lamp.md'), '---\nlayout: guide\ntitle: Untitled\n---\nA lamp\n')
    const source = [{ from: '/guides/*', to: 'content/guides/*.md' }]
    writeFileSync(join(here, 'nimble-parrot.json'), JSON.stringify({ source }))
    const { out } = await command('dist', '--all', '--site', 'https://good.example/')
    expect(out).toContain('content/guides/lamp.md:3')
    expect(out).not.toMatch(/^ +guides.lamp.html:/m)
    for (const made of ['nimble-parrot.json', 'dist', 'content']) rmSync(join(here, made), { recursive: true })
  })

  test('--signed-off: the content that was signed is 0, another is 1 and says in what', async () => {
    const write = (title: string) =>
      writeFileSync(join(here, 'signed/index.html'), `<html lang="en"><title>${title}</title><p>A lamp</p>`)
    mkdirSync(join(here, 'signed'))
    write('A lamp to mend')
    const site = ['--site', 'https://good.example/']
    await command('signed', ...site, '--format', 'json', '--out', 'signed.json')
    const run = JSON.parse(readFileSync(join(here, 'signed.json'), 'utf8'))
    const held = (file: string) => command('signed', ...site, '--fail-on', 'never', '--signed-off', file)
    expect(await held('signed.json')).toMatchObject({ code: 2, err: expect.stringContaining('was not signed') })
    const signedOff = { by: 'Ada', at: '2026-11-27T10:00:00Z', run: 'sha256:0', waived: 0 }
    writeFileSync(join(here, 'signed.json'), JSON.stringify({ ...run, signedOff }))
    const same = await held('signed.json')
    expect(same).toMatchObject({ code: 0 })
    expect(same.out).toContain('What is here is what Ada signed on 27 November 2026, 10:00 UTC.')
    // The same document in lines, which may be longer than any text.
    await command('signed', ...site, '--format', 'jsonl=signed.jsonl')
    const [head, ...lines] = readFileSync(join(here, 'signed.jsonl'), 'utf8').split('\n')
    writeFileSync(
      join(here, 'signed.jsonl'),
      [JSON.stringify({ ...JSON.parse(head!), signedOff }), ...lines].join('\n'),
    )
    expect((await held('signed.jsonl')).out).toContain('What is here is what Ada signed')
    write('Another lamp')
    const other = await held('signed.json')
    // A project archive holds the last yes of those who worked on it.
    const signOff = {
      ...{ format: 'nimble-parrot-sign-off', version: 1, by: 'Ada', at: '2026-11-27T10:00:00Z' },
      ...{ site: 'https://good.example/', content: 'sha256:0', surfaces: ['wide-feed'], errors: 0 },
      ...{ notLookedAt: [], pages: { '/': '0123456789abcdef' }, waivers: [], requirements: null },
    }
    const { pages, waivers, requirements } = signOff
    signOff.content = await digest(new TextEncoder().encode(JSON.stringify([pages, waivers, requirements])))
    const list = (runs: object[]) =>
      writeFileSync(
        join(here, 'project.zip'),
        zipSync({ 'nimble-parrot-project.json': strToU8(JSON.stringify({ format: 'nimble-parrot-project', runs })) }),
      )
    list([
      { signedOff: { content: { ...signOff, by: 'Benno', at: '2026-11-01T00:00:00Z' } } },
      { signedOff: { content: signOff } },
      {},
    ])
    expect((await held('project.zip')).out).toContain('This is not what Ada signed')
    list([{}])
    expect(await held('project.zip')).toMatchObject({ code: 2, err: expect.stringContaining('no run was signed') })
    expect(other).toMatchObject({ code: 1 })
    expect(other.out).toContain('This is not what Ada signed')
    expect(other.out).toContain('Another card than was signed: /.')
    rmSync(join(here, 'signed'), { recursive: true })
  })

  test('several forms in one run; text goes to standard output; the baseline silences what it has', async () => {
    const site = join(root, 'demo/site')
    const { code, out } = await command(
      site,
      '--format',
      'json=run.json',
      '--format',
      'sarif=run.sarif',
      '--format',
      'junit=run.xml',
    )
    expect(code).toBe(1)
    expect(out).toContain('Not clear:')
    expect(JSON.parse(readFileSync(join(here, 'run.sarif'), 'utf8')).version).toBe('2.1.0')
    expect(readFileSync(join(here, 'run.xml'), 'utf8')).toMatch(/^<\?xml/)
    const run = JSON.parse(readFileSync(join(here, 'run.json'), 'utf8'))
    expect(run.causes.length).toBeGreaterThan(5)
    expect(run.causes[0]).toMatchObject({ section: '/people/*', level: 'error', pages: { length: 5 } })
    expect((await command(site, '--baseline', 'run.json', '--fail-on', 'note')).code).toBe(0)
  })

  test('a requirements file is found by itself in the working directory, and its faults are named', async () => {
    const site = join(root, 'demo/site')
    writeFileSync(
      join(here, 'nimble-parrot.json'),
      JSON.stringify({ levels: { 'title-cut': 'off' }, sections: { '/people/*': { kind: 'not-shared' } } }),
    )
    const { out } = await command(site, '--format', 'json')
    const rules = JSON.parse(out).pages.flatMap((page: { url: string; findings: { rule: string }[] }) =>
      page.url.includes('/people/') ? page.findings.map(({ rule }) => rule) : [],
    )
    expect(rules).not.toContain('og-image-missing')
    writeFileSync(join(here, 'nimble-parrot.json'), '{ "levles": {} }')
    const { code, err } = await command(site)
    expect(code).toBe(2)
    expect(err).toContain('levles: There is no such field. Is “levels” meant?')
    rmSync(join(here, 'nimble-parrot.json'))
  })

  test('--pictures header: no hash, no transparency, and what needs them is skipped', async () => {
    const { out } = await command(join(root, 'demo/site'), '--pictures', 'header', '--format', 'json')
    const run = JSON.parse(out)
    expect(run.images.every(({ hash }: { hash: string | null }) => hash === null)).toBe(true)
    expect(run.images.some(({ width }: { width: number | null }) => width === 1200)).toBe(true)
    expect(
      run.pages.some(({ skipped }: { skipped: { reason: string }[] }) =>
        skipped.some(({ reason }) => reason === 'picture-not-read-whole'),
      ),
    ).toBe(true)
  })

  test.each([
    ['nothing there', ['no-such-folder'], /neither an http address nor a folder/],
    ['a bad level', ['.', '--fail-on', 'bad'], /error, warning, note or never|one of error, warning, note, never/],
    ['a bad number', ['.', '--max-pages', '0'], /whole number from 1 on/],
    ['a bad site', ['.', '--site', 'ftp://x'], /no http or https address/],
    ['no server', ['http://127.0.0.1:9/'], /Nothing answered at http:\/\/127\.0\.0\.1:9\//],
    ['no HTML', ['.'], /no HTML file/],
    ['a bad format', ['.', '--format', 'sarf'], /Is sarif meant\?/],
    ['a format without its file', ['.', '--format', 'csv='], /file’s name belongs after csv=/],
    [
      'two formats for one place',
      ['.', '--format', 'json', '--format', 'csv'],
      /Only one --format can go to standard output/,
    ],
    ['no requirements file', ['.', '--rules', 'none.json'], /requirements file none\.json can’t be read/],
    ['no baseline', ['.', '--baseline', 'none.json'], /baseline none\.json can’t be read/],
    ['no source', [], /missing required argument/],
  ])('%s: exit 2, one clear line', async (_name, args, words) => {
    const { code, out, err } = await command(...args)
    expect(code).toBe(2)
    expect(out).toBe('')
    expect(err).toMatch(words)
    expect(err.trim().split('\n')).toHaveLength(1)
  })
})

describe('nimble-parrot compare', { timeout: 60_000 }, () => {
  test('two runs of one build: nothing changed, exit 0; pages that went: exit 1', async () => {
    const site = join(root, 'demo/site')
    await command(site, '--format', 'json=a.json')
    await command(site, '--exclude', '/news/**', '--format', 'json=b.json')
    expect(await run('compare', 'a.json', 'a.json')).toMatchObject({ code: 0, out: 'Nothing changed.\n', err: '' })
    const { code, out } = await run('compare', 'a.json', 'b.json')
    expect(code).toBe(1)
    expect(out).toContain('5 pages removed')
  })

  test.each([
    ['nothing there', ['none.json', 'none.json'], /none\.json can’t be read/],
    ['no run document', [join(root, 'package.json'), 'a.json'], /package\.json can’t be used\. It is no run document/],
    ['a bad format', ['a.json', 'a.json', '--format', 'csv'], /one of text, json, markdown, html/],
  ])('%s: exit 2', async (_name, args, words) => {
    expect(await run('compare', ...args)).toMatchObject({ code: 2, out: '', err: expect.stringMatching(words) })
  })
})

describe('fails', () => {
  const summary = (error: number, warning: number, note: number) => ({
    pages: 1,
    error,
    warning,
    note,
    waived: 0,
    clear: error === 0,
    verdict: error === 0 ? ('clear' as const) : ('not-clear' as const),
  })

  test.each([
    [summary(1, 0, 0), 'error', true],
    [summary(0, 5, 5), 'error', false],
    [summary(0, 1, 0), 'warning', true],
    [summary(0, 0, 1), 'warning', false],
    [summary(0, 0, 1), 'note', true],
    [summary(0, 0, 0), 'note', false],
    [summary(9, 9, 9), 'never', false],
  ] as const)('%j with --fail-on %s: %s', (given, failOn, expected) => {
    expect(fails({ summary: given }, failOn)).toBe(expected)
  })
})

type Run = { source: object; pages: object[] }

const page = (title: string, body = '') =>
  `<!doctype html><html lang="en"><head><title>${title}</title></head><body>${body}</body></html>`

describe('a go that is never wrong', { timeout: 60_000 }, () => {
  const site = join(root, 'demo/site')
  const servers: Server[] = []
  afterAll(() => {
    for (const server of servers) server.close()
  })

  /** A server on loopback. @returns its address */
  async function served(answer: (request: IncomingMessage, response: ServerResponse) => void): Promise<string> {
    const server = createServer(answer)
    servers.push(server)
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`
  }

  const sending = (type: string, body: string) => (_request: IncomingMessage, response: ServerResponse) => {
    response.writeHead(200, { 'content-type': type })
    response.end(body)
  }

  test.each([
    ['application/pdf', '%PDF-1.4', /is application\/pdf/],
    ['image/png', 'x', /is image\/png/],
    ['application/json', '{}', /is application\/json/],
    ['text/plain', page('x'), /is text\/plain – its bytes are HTML/],
  ])('an address that is %s, alone or in a list: exit 2, and what was found instead', async (type, body, words) => {
    const address = await served(sending(type, body))
    expect(await command(`${address}thing`)).toMatchObject({ code: 2, out: '', err: expect.stringMatching(words) })
    writeFileSync(join(here, 'list.txt'), `${address}a\n${address}b\n`)
    expect(await command('list.txt')).toMatchObject({ code: 2, out: '', err: expect.stringMatching(words) })
  })

  test.each([
    ['--include', '/none/**'],
    ['--exclude', '/**'],
  ])('%s %s leaves nothing of a folder: exit 2', async (option, glob) => {
    const { code, out, err } = await command(site, option, glob)
    expect([code, out]).toEqual([2, ''])
    expect(err).toContain(`${option} ${glob} leaves none of 48 pages`)
  })

  test('a folder of more than 2,000 pages is read whole, its home page too', async () => {
    const folder = mkdtempSync(join(here, 'large-'))
    for (let index = 0; index < 2040; index++)
      writeFileSync(
        join(folder, `a${index}.html`),
        goodPage(`a${index}.html`, `Fern ${index.toString(36)}`, { 'og:image': null }),
      )
    writeFileSync(join(folder, 'index.html'), goodPage('', 'Home of them all', { 'og:image': null }))
    const { out } = await command(folder, '--format', 'json')
    const run = JSON.parse(out)
    expect(run.summary.pages).toBe(2041)
    expect(run).toMatchObject({ complete: true, incomplete: [], scope: [] })
    const asked = JSON.parse((await command(folder, '--max-pages', '3', '--format', 'json')).out)
    expect(asked).toMatchObject({ complete: true, scope: ['at most 3 pages'] })
    expect(asked.pages.map(({ file }: { file: string }) => file)).toContain('a0.html')
  })

  test('interrupted: what was gathered is written, and is not known to be clear', async () => {
    let asked = 0
    const address = await served(async (request, response) => {
      if (request.url === '/robots.txt' || request.url?.includes('sitemap')) return void response.writeHead(404).end()
      asked++
      if (asked > 5) process.emit('SIGINT')
      const next = Array.from({ length: 9 }, (_, at) => `<a href="${request.url}${at}/">x</a>`).join('')
      sending('text/html', page('A page of an endless site', next))(request, response)
    })
    const { code, err } = await command(address, '--format', 'json=cut.json', '--fail-on', 'never')
    expect(code).toBe(2)
    expect(err).toMatch(/Stopped at \d+ of about \d+ pages/)
    const run = JSON.parse(readFileSync(join(here, 'cut.json'), 'utf8'))
    expect(run).toMatchObject({ complete: false, incomplete: [{ why: 'stopped' }], summary: { clear: false } })
    expect(await command(site, '--baseline', 'cut.json')).toMatchObject({
      code: 2,
      err: expect.stringMatching(/cut\.json can’t be used/),
    })
  })

  test('a fault outside of any awaited call ends the run with one line, and what was gathered is kept', async () => {
    const address = await served((request, response) => {
      if (request.url === '/b')
        setTimeout(() => process.emit('uncaughtException', new Error('A fault of the connection.')), 10)
      else sending('text/html', page('A page of a site', '<a href="/b">b</a>'))(request, response)
    })
    const { code, err } = await command(address, '--format', 'json=broken.json', '--exclude', '/*.xml')
    expect(code).toBe(2)
    expect(err.trim().split('\n')).toEqual([
      'nimble-parrot: The run broke off, and what was gathered is kept. A fault of the connection.',
    ])
    const run = JSON.parse(readFileSync(join(here, 'broken.json'), 'utf8'))
    expect(run).toMatchObject({ complete: false, summary: { pages: 1, clear: false } })
    expect(run.incomplete.map(({ why }: { why: string }) => why)).toContain('lost')
  })

  test.each([
    [
      'of another site',
      (run: Run) => ({ ...run, source: { ...run.source, site: 'https://other.example/' } }),
      /another site|different sites/,
    ],
    ['of another version', (run: Run) => ({ ...run, version: 2 }), /of version 2/],
    ['that is no run', () => ({ format: 'nimble-parrot-drift', version: 1 }), /document of a comparison/],
    [
      'with a card that is none',
      (run: Run) => ({ ...run, pages: [{ ...run.pages[0], cards: { tab: {} } }] }),
      /broken: pages\[0\]/,
    ],
  ])('a baseline or a side of compare %s: exit 2, one line', async (_name, change, words) => {
    const good = (await command(site, '--format', 'json')).out
    writeFileSync(join(here, 'good.json'), good)
    writeFileSync(join(here, 'bad.json'), JSON.stringify(change(JSON.parse(good))))
    for (const said of [await command(site, '--baseline', 'bad.json'), await run('compare', 'good.json', 'bad.json')]) {
      expect(said).toMatchObject({ code: 2, out: '', err: expect.stringMatching(words) })
      expect(said.err.trim().split('\n')).toHaveLength(1)
    }
  })

  test.each([
    [
      { sections: { 'guides/*': {} } },
      /Line 1, sections\["guides\/\*"\]: “guides\/\*” matches no path.*“\/guides\/\*”/,
    ],
    [{ sections: { '/guides/*': { kind: 'artcle' } } }, /There is no kind “artcle”\. Is “article” meant\?/],
    [{ surfaces: [] }, /surfaces: No surface counts/],
    [
      { waivers: [{ rule: 'image-heavy', pages: 'news/*', reason: 'x', by: 'Ada' }] },
      /waivers\[0\]\.pages: “news\/\*”/,
    ],
  ])('requirements that can do nothing are refused: %j', async (requirements, words) => {
    writeFileSync(join(here, 'idle.json'), JSON.stringify(requirements))
    expect(await command(site, '--rules', 'idle.json')).toMatchObject({ code: 2, err: expect.stringMatching(words) })
  })

  test('requirements that no page of this run needs are said, with their lines', async () => {
    const idle = {
      sections: { '/guide/*': {}, '/guides/*': {} },
      waivers: [{ rule: 'image-heavy', pages: '/nws/*', reason: 'x', by: 'Ada' }],
    }
    writeFileSync(join(here, 'idle.json'), JSON.stringify(idle, null, 2))
    const { out } = await command(site, '--site', 'https://brasswick.example', '--rules', 'idle.json')
    expect(out).toContain('idle.json, line 3: No page lies under “/guide/*”')
    expect(out).toContain(
      'idle.json, line 9: No page lies under “/nws/*”: nothing is waived there. Is “/news/*” meant?',
    )
  })

  test.each([
    ['--header', 'X: y'],
    ['--user', 'a:b'],
    ['--ask-as', 'wide-feed'],
    ['--max-depth', '2'],
    ['--delay', '5'],
    ['--follow'],
  ])('%s with a folder is refused', async (...option) => {
    expect(await command(site, ...option)).toMatchObject({ code: 2, err: expect.stringContaining(option[0]!) })
  })

  test('--per-section takes a sample of a folder too, and says so', async () => {
    const run = JSON.parse((await command(site, '--per-section', '2', '--format', 'json')).out)
    expect(run.pages.length).toBeLessThan(20)
    expect(run.scope).toEqual(['at most 2 pages of a section'])
  })

  test('a file that can’t be written is said before the work, and none is left behind', async () => {
    const { code, err } = await command(site, '--format', 'json=no/such/run.json')
    expect([code, err]).toEqual([2, expect.stringContaining('run.json can’t be written')])
    await command(site, '--include', '/none/**', '--format', 'json=never.json')
    expect(existsSync(join(here, 'never.json'))).toBe(false)
  })
})

test('a report of more pages than it draws has all of them in a second file beside it', async () => {
  const folder = join(here, 'many-troubled')
  mkdirSync(folder)
  for (let index = 0; index < 401; index++)
    writeFileSync(join(folder, `p${index}.html`), `<!doctype html><title>Page number ${index}</title><h1>Page</h1>`)
  const args = [folder, '--site', 'https://brasswick.example', '--fail-on', 'never']
  await command(...args, '--format', 'html=many.html')
  expect(readFileSync(join(here, 'many.html'), 'utf8')).toContain('<a href="many-pages.html">')
  const all = readFileSync(join(here, 'many-pages.html'), 'utf8')
  expect(all.match(/<li><code>\/p\d+(?:\.html)?<\/code>/g)).toHaveLength(401)
  expect(all.length).toBeLessThan(401 * 1000)
  await command(...args, '--include', '/p1*', '--format', 'html=few.html')
  expect(existsSync(join(here, 'few-pages.html'))).toBe(false)
}, 60_000)

test('a document is packed by its name, written in lines, and taken in every form', async () => {
  const command = (...args: string[]) => commandIn(here)('check', ...args)
  mkdirSync(join(here, 'packed'))
  writeFileSync(join(here, 'packed/index.html'), '<html lang="en"><title>A lamp</title><p>A lamp to mend.')
  const site = ['--site', 'https://good.example/']
  const names = ['run.json', 'run.json.gz', 'run.jsonl', 'run.jsonl.gz']
  const forms = names.flatMap((name) => ['--format', `${name.includes('jsonl') ? 'jsonl' : 'json'}=${name}`])
  await command('packed', ...site, ...forms)
  const [json, packed, lines, packedLines] = names.map((name) => readFileSync(join(here, name)))
  expect(gunzipSync(packed!).equals(json!)).toBe(true)
  expect(gunzipSync(packedLines!).equals(lines!)).toBe(true)
  for (const name of names) {
    const { code, out } = await command('packed', ...site, '--baseline', name)
    expect([code, out.includes('New since the baseline: 0 errors')], name).toEqual([0, true])
  }
  const compared = await commandIn(here)('compare', 'run.jsonl.gz', 'run.json')
  expect(compared.code).toBe(0)
  writeFileSync(join(here, 'broken.json.gz'), packed!.subarray(0, 200))
  expect(await command('packed', ...site, '--baseline', 'broken.json.gz')).toMatchObject({
    code: 2,
    err: expect.stringMatching(/broken\.json\.gz can’t be read: it can’t be unpacked/),
  })
  writeFileSync(join(here, 'broken.jsonl.gz'), packedLines!.subarray(0, 200))
  expect(await command('packed', ...site, '--baseline', 'broken.jsonl.gz')).toMatchObject({ code: 2 })
})

test('list writes the addresses of pages, which check takes again', async () => {
  const build = join(root, 'demo/site')
  const { code, out, err } = await commandIn(here)(
    'list',
    build,
    '--site',
    'https://brasswick.example',
    '--include',
    '/guides/**',
  )
  expect([code, err]).toEqual([0, ''])
  const lines = out.trimEnd().split('\n')
  expect(lines).toHaveLength(14)
  expect(lines).toEqual([...lines].sort())
  expect(lines[0]).toBe('https://brasswick.example/guides/')
  expect((await commandIn(here)('list', build, '--out', 'addresses.txt')).code).toBe(0)
  expect(readFileSync(join(here, 'addresses.txt'), 'utf8').split('\n')).toHaveLength(49)
  expect(await commandIn(here)('list', 'http://127.0.0.1:9/')).toMatchObject({ code: 2, out: '' })
})
