import { expect, test } from 'vitest'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage } from '../testing/good-site'
import { proposedRequirements } from './propose-requirements'
import { checkRequirements } from './read-requirements'

const article = { 'og:type': '<meta property="og:type" content="article">' }
const build = {
  'index.html': goodPage('index.html', 'Home'),
  ...Object.fromEntries(
    ['a', 'b', 'c'].map((name) => [`guides/${name}.html`, goodPage(`guides/${name}.html`, `Guide ${name}`, article)]),
  ),
  ...Object.fromEntries(
    ['x', 'y'].map((name) => [`people/${name}.html`, goodPage(`people/${name}.html`, `Person ${name}`)]),
  ),
}

test('sections with the kind that most of their pages say, the site as its pages name it', async () => {
  const proposed = proposedRequirements(await gatherMemory(build, null))
  expect(proposed).toEqual({
    site: GOOD_SITE,
    sections: { '/guides/*': { kind: 'article' }, '/people/*': { kind: 'website' } },
  })
  expect(checkRequirements(proposed)).toMatchObject({ ok: true })
})

test('no production URL is invented', async () => {
  const unnamed = { 'index.html': '<title>Home</title>', 'about.html': '<title>About</title>' }
  expect(proposedRequirements(await gatherMemory(unnamed, null))).not.toHaveProperty('site')
})
