import { expect, test } from 'vitest'
import { groupTroubles } from './run-progress'

test('troubles are grouped by kind, hosts aside, the most frequent first', () => {
  const trouble = (path: string, message: string) => ({ url: `http://a.example/${path}`, message })
  const groups = groupTroubles([
    trouble('1', 'a.example refuses connections.'),
    trouble('2', 'It answered 404.'),
    trouble('3', 'answered 404'),
    trouble('4', 'It answered 404.'),
  ])
  expect(groups.map(({ kind, addresses }) => [kind, addresses.length])).toEqual([
    ['It answered 404.', 3],
    ['The host refuses connections.', 1],
  ])
})
