import { describe, expect, test } from 'vitest'
import { testPage } from '@/core/testing/test-page'
import { repeatedTags, tagsAsText } from './tag-table'

const facts = testPage(`<head>
<meta property="og:title" content="One">
<meta property="og:image" content="/a.png"><meta property="og:image" content="/b.png">
<meta name="description" content="with a\ttab">
<meta name="og:title" content="Two"><meta property="og:title" content="Three">`).facts!

describe('repeated tags', () => {
  test('first and last of a single-valued one, under either attribute', () => {
    expect(repeatedTags(facts.metas).map(({ key, first, last }) => [key, first.value, last.value])).toEqual([
      ['og:title', 'One', 'Three'],
    ])
  })
})

test('tags as text have one row each, tabs inside a value taken out', () => {
  const rows = tagsAsText(facts).split('\n')
  expect(rows[0]).toBe('line\tattribute\tkey\tvalue')
  expect(rows).toHaveLength(7)
  expect(rows[4]).toBe('4\tname\tdescription\twith a tab')
})
