import { describe, expect, test } from 'vitest'
import { parseView, type RouteState, titleOf, viewHref } from './view'

const view: RouteState = {
  area: 'wall',
  run: '261123-0912-ab3',
  page: '/guides/rewire-a-lamp?x=1&y=2',
  surface: 'search',
  beside: 'team-chat',
  as: 'launched',
  section: '/guides/*',
  symptoms: ['errors', 'text-cut'],
  search: 'lamp & co',
  sort: 'address',
  size: 'large',
  isBuilt: true,
  tab: 'patterns',
  pane: 'draft',
  picture: 'https://site.example/img/a.png',
  look: 'keep-zone',
  compose: '/guides/*',
  against: '261122-0801-xyz',
  drift: 'held',
  cause: 'odd /guides/* title',
}

const roundTrip = (given: RouteState) => {
  const url = new URL(viewHref(given), 'http://localhost')
  return parseView(url.pathname, url.search)
}

describe('a view and its address', () => {
  test('the address holds everything', () => {
    expect(roundTrip(view)).toEqual(view)
  })

  test('the default view is the bare address', () => {
    expect(viewHref(parseView('/', ''))).toBe('/')
  })

  test('what makes no sense is left at its default', () => {
    expect(parseView('/nowhere', '?surface=No+such&beside=_x&as=never&show=errors,nonsense&sort=best')).toMatchObject({
      area: 'gather',
      surface: 'wide-feed',
      beside: null,
      as: null,
      symptoms: ['errors'],
      sort: 'worst',
    })
  })
})

test('tabs of different views are told apart', () => {
  expect(titleOf(view, 'site.example')).toBe('Wall · site.example · Nimble Parrot')
  expect(titleOf({ area: 'page', page: '/about' }, 'site.example')).toBe('/about · site.example · Nimble Parrot')
  expect(titleOf({ area: 'page', page: null }, null)).toBe('Page · Nimble Parrot')
})
