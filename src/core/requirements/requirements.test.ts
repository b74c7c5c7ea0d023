import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { checkRequirements, createCheckContext, readRequirements, requirementsJsonSchema, runChecks } from '../check'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import type { Requirements } from './requirements'

const faults = (value: unknown) => {
  const read = checkRequirements(value)
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`)
}

describe('reading a requirements file', () => {
  test('a full one is taken as it is', () => {
    const full = {
      $schema: './requirements.schema.json',
      format: 'nimble-parrot-requirements',
      version: 1,
      site: 'https://brasswick.example/',
      identity: { name: 'Brasswick Mending Hall', kind: 'organization', pictureHosts: ['img.brasswick.example'] },
      surfaces: ['wide-feed', 'search'],
      levels: { 'title-cut': 'off', 'card-small': 'error' },
      limits: { titleCharacters: 60 },
      kinds: { article: { requires: ['author', 'date'] } },
      sections: { '/guides/*': { kind: 'article', requires: ['own-picture'], levels: { 'title-long': 'note' } } },
      waivers: [
        {
          rule: 'image-heavy',
          pages: '/news/*',
          reason: 'The photographer asks for it',
          by: 'Ada',
          until: '2026-12-31',
        },
      ],
    }
    expect(checkRequirements(full)).toEqual({ ok: true, requirements: full })
  })

  test.each([
    [{ sectons: {} }, 'sectons: There is no such field. Is “sections” meant?'],
    [{ nonsense: 1 }, 'nonsense: There is no such field. Allowed are $schema, format,'],
    [
      { sections: { '/a/*': { require: [] } } },
      'sections["/a/*"].require: There is no such field. Is “requires” meant?',
    ],
    [
      { sections: { '/a/*': { requires: ['autor'] } } },
      'sections["/a/*"].requires[0]: It is "autor"; allowed are title,',
    ],
    [{ sections: { '/a/*': { requires: ['autor'] } } }, 'Is “author” meant?'],
    [
      { levels: { 'title-cut': 'fatal' } },
      'levels["title-cut"]: It is "fatal"; allowed are error, warning, note, off.',
    ],
    [{ levels: { 'titel-cut': 'off' } }, 'levels["titel-cut"]: There is no check “titel-cut”. Is “title-cut” meant?'],
    [{ surfaces: ['widefeed'] }, 'surfaces[0]: There is no surface “widefeed”. Is “wide-feed” meant?'],
    [{ limits: { titleCharacters: 'many' } }, 'limits.titleCharacters: It is "many"; it must be a number.'],
    [{ waivers: [{ rule: 'image-heavy', by: 'Ada' }] }, 'waivers[0].reason: It is nothing; it must be a string.'],
    [{ waivers: [{ rule: 'image-heavy', by: 'Ada', reason: 'x', until: 'soon' }] }, 'waivers[0].until: It is "soon"'],
    [{ site: 'brasswick' }, 'site: It is "brasswick"'],
    [[], 'the file: It is []; it must be an object.'],
  ])('%j', (value, words) => {
    expect(faults(value).join('\n')).toContain(words)
  })

  test('what is no JSON is said to be none', () => {
    expect(readRequirements('{ "site": }')).toMatchObject({
      ok: false,
      faults: [{ path: 'the file', message: expect.stringMatching(/^It is no JSON: /) }],
    })
  })

  test('docs/requirements.schema.json is what the schema says: npm run docs', () => {
    const published = readFileSync(new URL('../../../docs/requirements.schema.json', import.meta.url), 'utf8')
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(requirementsJsonSchema())))
  })

  test('the published schema names every field', () => {
    const schema = requirementsJsonSchema() as { properties: object; additionalProperties: boolean }
    expect(Object.keys(schema.properties)).toEqual(
      expect.arrayContaining(['site', 'sections', 'kinds', 'waivers', 'ownSurfaces']),
    )
    expect(schema.additionalProperties).toBe(false)
  })
})

async function verdictOf(files: MemoryBuild, requirements: Requirements, today = '2026-11-23') {
  const gathering = await gatherMemory(goodSite(files), GOOD_SITE)
  const verdict = runChecks(gathering, createCheckContext(gathering, requirements), today)
  return {
    ...verdict,
    rules: verdict.pages.flatMap(({ findings }) => findings.map(({ rule, level }) => `${rule} ${level}`)),
  }
}

const noCard = { 'about.html': goodPage('about.html', 'Ferns', { 'twitter:card': null }) }

describe('what requirements do', () => {
  test('levels: the section’s over the kind’s over the site’s', async () => {
    const rules = async (requirements: Requirements) => (await verdictOf(noCard, requirements)).rules
    expect(await rules({})).toEqual(['card-missing warning'])
    expect(await rules({ levels: { 'card-missing': 'note' } })).toEqual(['card-missing note'])
    expect(
      await rules({ levels: { 'card-missing': 'note' }, kinds: { website: { levels: { 'card-missing': 'error' } } } }),
    ).toEqual(['card-missing error'])
    expect(
      await rules({
        kinds: { website: { levels: { 'card-missing': 'error' } } },
        sections: { '/about.html': { levels: { 'card-missing': 'off' } } },
      }),
    ).toEqual([])
  })

  test('pages that are never shared are asked nothing of their cards', async () => {
    const bare = {
      'about.html':
        '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>About the ferns here</title></head><body></body></html>',
    }
    const { rules } = await verdictOf(bare, { sections: { '/about.html': { kind: 'not-shared' } } })
    expect(rules.filter((rule) => /og-|card|image|description/.test(rule))).toEqual([])
    expect((await verdictOf(bare, {})).rules).toContain('og-image-missing error')
  })

  test('limits at their edge', async () => {
    const titled = (length: number) => ({
      'about.html': goodPage('about.html', 'Ferns', {
        'og:title': `<meta property="og:title" content="${'x'.repeat(length)}">`,
      }),
    })
    const limits = { titleCharacters: 40 }
    expect((await verdictOf(titled(40), { limits })).rules).not.toContain('title-long warning')
    expect((await verdictOf(titled(41), { limits })).rules).toContain('title-long warning')
  })

  test('a waiver takes a finding out of the way, and keeps it in sight with its reason', async () => {
    const waiver = {
      rule: 'card-missing',
      pages: '/about.html',
      reason: 'Comes with the next theme',
      by: 'Ada',
      until: '2026-11-23',
    }
    const { rules, pages, summary, notes } = await verdictOf(noCard, { waivers: [waiver] })
    expect(rules).toEqual([])
    expect(summary.warning).toBe(0)
    expect(pages.flatMap(({ waived }) => waived)).toMatchObject([
      { rule: 'card-missing', waiver: { by: 'Ada', until: '2026-11-23' } },
    ])
    expect(notes).toEqual([])
  })

  test('a waiver that has ended holds no more, and this is said', async () => {
    const waivers = [{ rule: 'card-missing', reason: 'x', by: 'Ada', until: '2026-11-22' }]
    const { rules, notes } = await verdictOf(noCard, { waivers })
    expect(rules).toEqual(['card-missing warning'])
    expect(notes).toEqual([
      {
        kind: 'waiver-ended',
        message: 'The waiver of card-missing by Ada ended on 2026-11-22: its findings count again.',
      },
    ])
  })

  test('a waiver for other pages changes nothing here', async () => {
    const waivers = [{ rule: 'card-missing', pages: '/guides/*', reason: 'x', by: 'Ada' }]
    expect((await verdictOf(noCard, { waivers })).rules).toEqual(['card-missing warning'])
  })

  test('what pages may share is no fault, and sections are those of the file', async () => {
    const same = Object.fromEntries(['a', 'b'].map((name) => [`g/${name}.html`, goodPage(`g/${name}.html`, 'Ferns')]))
    expect((await verdictOf(same, {})).findings.map(({ rule }) => rule)).toContain('title-duplicate')
    const shared = { sections: { '/g/*': { mayShare: ['title', 'description', 'picture'] as const } } }
    const verdict = await verdictOf(same, shared as unknown as Requirements)
    expect(verdict.findings.map(({ rule }) => rule)).not.toContain('title-duplicate')
    expect(verdict.pages.find(({ url }) => url.endsWith('/g/a.html'))?.section).toBe('/g/*')
  })

  test('surfaces that don’t count raise nothing', async () => {
    const long = {
      'about.html': goodPage('about.html', 'Ferns', {
        'og:title': `<meta property="og:title" content="${'Ferns of the garden and their friends '.repeat(2)}">`,
      }),
    }
    expect((await verdictOf(long, {})).rules).toContain('title-cut note')
    expect((await verdictOf(long, { surfaces: ['community-chat'] })).rules).not.toContain('title-cut note')
  })
})
