import { expect, test } from 'vitest'
import { ownPart } from './own-part'
import { placeholderIn, titleParts, unresolvedIn } from './placeholder'

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
  // biome-ignore lint/suspicious/noTemplateCurlyInString: as it stands in a template that was not filled in
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
