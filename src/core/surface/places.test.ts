import { describe, expect, test } from 'vitest'
import { surfaces, wideFeed } from '../testing/places'
import { mainPlace, representativePlaces, surfacesWith } from './places'
import { withSurfaces } from './read-surfaces'

const ids = (places: readonly { id: string }[]) => places.map(({ id }) => id)
const own = { ...wideFeed, id: 'noticeboard', represents: undefined }

describe('the places of a site', () => {
  test('one of its own comes after ours, and one of our name in the place of ours', () => {
    expect(surfacesWith([])).toBe(surfaces)
    expect(ids(surfacesWith([own]))).toEqual([...ids(surfaces), 'noticeboard'])
    const other = { ...wideFeed, name: 'Another' }
    expect(ids(surfacesWith([other]))).toEqual(ids(surfaces))
    expect(surfacesWith([own, other])[0]).toBe(other)
  })

  test('of its own the last that is opened counts', () => {
    const again = { ...own, name: 'Again' }
    expect(withSurfaces([own], [again])).toEqual([again])
  })
})

describe('places that stand for others', () => {
  test('one of each kind, then other habits, in the order of the list', () => {
    expect(ids(representativePlaces(surfaces, 3))).toEqual(['wide-feed', 'phone-chat', 'search'])
    expect(ids(representativePlaces(surfaces, 4))).toEqual(['wide-feed', 'microblog', 'phone-chat', 'search'])
    expect(ids(representativePlaces(surfaces, 2))).toEqual(['wide-feed', 'phone-chat'])
  })

  test('the first few where none does', () => {
    const none = surfaces.map((surface) => ({ ...surface, represents: undefined }))
    expect(ids(representativePlaces(none, 2))).toEqual(['wide-feed', 'feed-reply'])
    expect(mainPlace([own])).toBe(own)
  })

  test('the first is the one to compare by', () => {
    expect(mainPlace(surfaces)).toBe(wideFeed)
    expect(mainPlace([own, ...surfaces]).id).toBe('wide-feed')
  })
})
