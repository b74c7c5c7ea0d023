import { expect, test } from 'vitest'
import { runDocument } from '../report'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { checkRequirements } from './read-requirements'

const NAMES = ['constructor', '__proto__', 'toString', 'hasOwnProperty', 'valueOf']

test.each(NAMES)('%s is a name like any other, wherever a page or a file writes it', async (name) => {
  const page = goodPage('about.html', 'Ferns', {
    'og:type': `<meta property="og:type" content="${name}">`,
    'og:image': `<meta property="og:image" content="/img.${name}"><meta property="og:image:type" content="image/${name}">`,
  })
  const withMore = page.replace(
    '</head>',
    `<meta property="${name}" content="x"><script type="application/ld+json">{"@type":"${name}","${name}":{"@type":"Article","headline":"${name}"}}</script></head>`,
  )
  const files = {
    ...goodSite({ 'about.html': withMore }),
    [`img.${name}`]: '<svg width="9constructor"/>',
    [`${name}.html`]: page,
  }
  const document = runDocument(await gatherMemory(files, GOOD_SITE))
  const about = document.pages.find(({ file }) => file === 'about.html')!
  expect(about.findings.find(({ rule }) => rule === 'og-type-unknown')?.message).toContain(name)
  expect(JSON.stringify(document)).not.toContain('native code')
})

test.each(NAMES)('%s is no check, no kind and no surface that requirements could name', (name) => {
  const given = JSON.parse(`{"levels":{"${name}":"off"},"kinds":{"${name}":{}},"surfaces":["${name}"]}`)
  const read = checkRequirements(given)
  expect(read.ok).toBe(false)
})
