import { describe, expect, test } from 'vitest'
import { checks } from '../check'
import type { Finding } from '../model'
import { testPage } from '../testing/test-page'
import { isAboutPicture, isBeside, isOfForm, subjectOf, tagLackedBy, tagOf } from './subject'

const finding = (rule: string, over: Partial<Finding> = {}): Finding => ({
  rule,
  level: 'warning',
  said: 'x',
  line: null,
  column: null,
  ...over,
})

describe('what a finding is about', () => {
  const { facts } = testPage(
    '<head>\n<meta property="og:title" content="">\n<meta name="twitter:site" content="x">\n</head>',
  )

  test.each([
    ['title-long', 'title'],
    ['og-title-missing', 'title'],
    ['description-thin', 'description'],
    ['image-alt-missing', 'picture'],
    ['og-image-missing', 'picture'],
    ['card-unknown', 'card'],
    ['canonical-missing', 'address'],
    ['account-malformed', 'account'],
    ['locale-differs', 'language'],
    ['json-ld-invalid', 'rich-data'],
    ['share-link-dead', 'share-links'],
    ['crawler-blocked', 'access'],
    ['tag-from-script', 'head'],
  ])('%s: %s', (rule, subject) => {
    expect(subjectOf(finding(rule), undefined)).toBe(subject)
  })

  test('a rule of many tags is about the tag that it points at', () => {
    const blank = finding('tag-empty', { line: 2, column: 1 })
    expect(tagOf(blank, facts)?.key).toBe('og:title')
    expect(subjectOf(blank, tagOf(blank, facts))).toBe('title')
    const account = finding('tag-repeated', { line: 3, column: 1 })
    expect(subjectOf(account, tagOf(account, facts))).toBe('account')
    expect(subjectOf(finding('tag-empty'), undefined)).toBe('tags')
  })

  test('a finding without a line points at no tag', () => {
    expect(tagOf(finding('og-title-missing'), facts)).toBeUndefined()
    expect(tagOf(finding('tag-empty', { line: 9, column: 1 }), facts)).toBeUndefined()
    expect(tagOf(finding('tag-empty', { line: 2, column: 1 }), null)).toBeUndefined()
  })

  test('only checks of pictures are about the picture itself', () => {
    expect(isAboutPicture(finding('image-heavy', { image: 'a.png' }))).toBe(true)
    expect(isAboutPicture(finding('image-relative', { image: 'a.png' }))).toBe(false)
    expect(isAboutPicture(finding('image-heavy'))).toBe(false)
  })

  test('what is missing is said by the check, and a form of writing is one with every check of it', () => {
    expect(tagLackedBy('og-title-missing')).toBe('og:title')
    expect(tagLackedBy('title-long')).toBeUndefined()
    expect(isOfForm(finding('tag-late'))).toBe(true)
    expect(isOfForm(finding('title-long'))).toBe(false)
    expect(isOfForm(finding('title-long', { form: true }))).toBe(true)
    expect(isBeside(finding('image-alt-missing'))).toBe(true)
    expect(isBeside(finding('og-title-missing'))).toBe(false)
  })

  test('only checks of many tags are about what their tag says', () => {
    const ids = checks.map(({ id }) => id)
    const ofMany = ids.filter((id) => subjectOf(finding(id), undefined) === 'tags')
    expect(ofMany.filter((id) => !/^(?:tag|text|label|required|keywords)/.test(id))).toEqual([])
  })
})
