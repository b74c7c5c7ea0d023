import { describe, expect, test } from 'vitest'
import { gatherMemory } from '../testing/build-run'

type Build = Record<string, string>

/** A page that says these tags, and links to these paths. */
const page = (tags: string, ...hrefs: string[]) =>
  `<!doctype html><html lang=en><head><title>A page</title>${tags}</head><body>${hrefs.map((href) => `<a href="${href}">x</a>`).join('')}</body></html>`
const canonical = (url: string) => `<link rel="canonical" href="${url}">`
const ogUrl = (url: string) => `<meta property="og:url" content="${url}">`

/** Three pages whose tags put their files below a base. */
const named = (base: string, tag = canonical): Build => ({
  'index.html': page(tag(base)),
  'guide/index.html': page(tag(`${base}guide/`)),
  'about.html': page(tag(`${base}about`)),
})

const siteOf = async (build: Build) => {
  const { source, notes } = await gatherMemory(build, null)
  return { ...source, note: notes.find(({ kind }) => kind === 'site-guessed')!.message }
}

describe('where the site of a build lives', () => {
  test.each([
    ['a root', named('https://site.example/'), 'https://site.example/', '3 canonicals'],
    ['a path', named('https://site.example/bench/'), 'https://site.example/bench/', '3 canonicals'],
    ['og:url alone', named('https://site.example/a/b/', ogUrl), 'https://site.example/a/b/', '3 og:urls'],
    [
      'a deployed index.html',
      { 'index.html': page(canonical('https://site.example/x/index.html')) },
      'https://site.example/x/',
      '1 canonical',
    ],
    [
      'names that need encoding',
      { 'für/index.html': page(canonical('https://site.example/d%C3%B6/f%C3%BCr/')) },
      'https://site.example/d%C3%B6/',
      '1 canonical',
    ],
    [
      'one page among many that is wrong',
      { ...named('https://site.example/bench/'), 'shop.html': page(canonical('https://other.example/shop.html')) },
      'https://site.example/bench/',
      '3 canonicals',
    ],
    [
      'a sitemap, where no page says it',
      {
        'index.html': page('', 'guide/'),
        'guide/index.html': page(''),
        'sitemap.xml':
          '<urlset><url><loc>https://site.example/bench/</loc></url><url><loc>https://site.example/bench/guide/</loc></url></urlset>',
      },
      'https://site.example/bench/',
      '1 sitemap entry',
    ],
    [
      'share images that are in the build',
      { 'index.html': page('<meta property=og:image content=https://site.example/bench/img/a.png>'), 'img/a.png': 'x' },
      'https://site.example/bench/',
      '1 share image',
    ],
    [
      'hosts alone, where URLs are rewritten',
      {
        'posts/a.html': page(canonical('https://site.example/2026/one')),
        'posts/b.html': page(canonical('https://site.example/2026/two')),
      },
      'https://site.example/',
      '2 canonicals',
    ],
  ])('%s', async (_name, build, site, evidence) => {
    const found = await siteOf(build)
    expect(found).toMatchObject({ site, siteFrom: evidence })
    expect(found.note).toBe(`Site: ${site}, from ${evidence}.`)
  })

  test.each([
    ['nothing', { 'index.html': page(''), 'about.html': page('') }],
    ['this machine', named('http://localhost:4321/')],
    ['the network that this machine is in', named('http://192.168.1.20/')],
    ['a host for trying out', named('https://staging.site.example/')],
    ['a branch of a preview service', named('https://deploy-preview-7--lamps.pages.example/')],
    [
      'one URL on every page',
      {
        'index.html': page(canonical('https://theme.example/x/')),
        'a.html': page(canonical('https://theme.example/x/')),
        'b.html': page(canonical('https://theme.example/x/')),
      },
    ],
    ['relative tags', named('/')],
  ])('is not known by %s, and nothing is invented', async (_name, build) => {
    const found = await siteOf(build)
    expect(found.site).toBe('https://site.invalid/')
    expect(found).not.toHaveProperty('siteFrom')
    expect(found.note).toContain('The pages name no production URL')
  })

  test('a preview host that is named is said', async () => {
    expect((await siteOf(named('https://staging.site.example/'))).note).toContain(
      'https://staging.site.example is named, but looks like a preview.',
    )
  })

  test('the path stands in links and assets where nothing names a host', async () => {
    const links = ['/bench/guide/', '/bench/about.html', '/bench/site.css']
    const build = {
      'index.html': page('', ...links),
      'guide/index.html': page('', ...links),
      'about.html': page(''),
      'site.css': '',
    }
    const { source, pages, survey } = await gatherMemory(build, null)
    expect(source.site).toBe('https://site.invalid/bench/')
    expect(pages.map(({ url }) => url)).toContain('https://site.invalid/bench/guide/')
    expect(survey?.missing).toBeUndefined()
  })

  test('where links and tags disagree, both readings are told, and the stronger is taken', async () => {
    const links = ['/bench/guide/', '/bench/about.html', '/bench/site.css', '/bench/img/a.png']
    const build = {
      ...named('https://site.example/'),
      'site.css': '',
      'img/a.png': 'x',
      'about.html': page(canonical('https://site.example/about'), ...links),
    }
    const found = await siteOf(build)
    expect(found.site).toBe('https://site.example/bench/')
    expect(found.siteOther).toEqual({ site: 'https://site.example/', evidence: '3 canonicals' })
    expect(found.note).toContain('Other signs say https://site.example/ (3 canonicals)')
  })
})
