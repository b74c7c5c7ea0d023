import { describe, expect, test } from 'vitest'
import { ownPart, placeholderIn, titleParts, unresolvedIn } from './placeholder'

test.each([
  ['Ferns | Good Site', ['Ferns', 'Good Site']],
  ['Ferns|Good Site', ['Ferns', 'Good Site']],
  ['Ferns – a guide - Good Site', ['Ferns', 'a guide', 'Good Site']],
  ['Well-known ferns: an overview', ['Well-known ferns: an overview']],
  ['Ferns : Good Site', ['Ferns', 'Good Site']],
  ['Ferns\u00A0»\u00A0Good Site', ['Ferns', 'Good Site']],
  [' | ', []],
])('“%s” has the parts %j', (title, parts) => {
  expect(titleParts(title)).toEqual(parts)
})

test.each([
  ['{{ page.title }} | Site', '{{ page.title }}'],
  ['{{{{ a }}', '{{ a }}'],
  ['{ {a} } }}', null],
  ['Hello ${name}!', '${name}'],
  ['%title% of the site', '%title%'],
  ['50% of ferns, 20% of mosses', null],
  ['<%= title %>', '<%= title %>'],
  ['About [Object object]', '[Object object]'],
  ['{{ unclosed', null],
])('“%s” holds %s', (text, expected) => {
  expect(unresolvedIn(text)).toBe(expected)
})

test('the own part is what is left without the site’s name', () => {
  expect(ownPart('Good Site – New page 3', 'Good Site')).toBe('New page 3')
  expect(placeholderIn('New page 3', 'Good Site – New page 3')).toBe('New page 3')
})

describe('strangers’ texts take no longer than their length', () => {
  const steps = (text: string) => {
    const start = performance.now()
    titleParts(text)
    unresolvedIn(text)
    return performance.now() - start
  }
  test.each(['\u00A0', '{{', '%a', '<%', '${', ' - ', '{'])('a row of “%s”', (sign) => {
    const [short, long] = [sign.repeat(4000), sign.repeat(64_000)]
    steps(long)
    // Sixteen times as long: a square would take 256 times as long. Noise of the machine is far below that.
    expect(steps(long)).toBeLessThan(100 * Math.max(0.05, steps(short)))
  })
})
