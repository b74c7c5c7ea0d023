import { expect, test } from 'vitest'
import { sectionName } from './section-name'

test.each([
  ['/', '/'],
  ['/guides/*', '/guides/*'],
  ['/about.html', '/about.html'],
  ['/?*', 'Pages beside each other'],
  ['/?*/**', 'All others'],
  ['/fr/?*', '/fr: pages beside each other'],
  ['/[0-9]*', 'Dated or numbered'],
  ['/[0-9]*/*', 'Dated or numbered'],
  ['/blog/[0-9]*/*', '/blog: dated or numbered'],
])('%s is called %s', (id, name) => {
  expect(sectionName(id)).toBe(name)
})
