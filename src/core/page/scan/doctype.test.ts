import { parse } from 'parse5'
import { describe, expect, test } from 'vitest'
import { isQuirkyDoctype } from './doctype'

/** What another parser says of the same DOCTYPE. */
const isQuirkyThere = (inside: string) => parse(`<!doctype${inside}><p>`).mode === 'quirks'

const DOCTYPES = [
  ' html',
  ' HTML',
  '\n\thtml ',
  '',
  ' ',
  ' xhtml',
  ' html nonsense',
  ' html PUBLIC',
  ' html PUBLIC unquoted',
  ' html PUBLIC "-//W3C//DTD HTML 4.01//EN" "http://www.w3.org/TR/html4/strict.dtd"',
  ' html PUBLIC "-//W3C//DTD HTML 4.01 Transitional//EN"',
  ' html PUBLIC "-//W3C//DTD HTML 4.01 Transitional//EN" "http://www.w3.org/TR/html4/loose.dtd"',
  ' html PUBLIC "-//W3C//DTD HTML 4.01 Frameset//EN"',
  " html PUBLIC '-//W3C//DTD HTML 3.2 Final//EN'",
  ' html public "-//IETF//DTD HTML//EN"',
  ' html PUBLIC "HTML"',
  ' html PUBLIC "-//W3O//DTD W3 HTML Strict 3.0//EN//"',
  ' html PUBLIC "-//W3C//DTD XHTML 1.0 Strict//EN" "http://www.w3.org/TR/xhtml1/DTD/xhtml1-strict.dtd"',
  ' html PUBLIC "-//W3C//DTD XHTML 1.0 Transitional//EN" "x"',
  ' html PUBLIC "a" garbage',
  ' html PUBLIC "unclosed',
  ' html PUBLIC "a" "unclosed',
  ' html SYSTEM "about:legacy-compat"',
  ' html SYSTEM "http://www.ibm.com/data/dtd/v11/ibmxhtml1-transitional.dtd"',
  ' html SYSTEM',
  ' html SYSTEM "unclosed',
]

describe('quirks mode by the DOCTYPE', () => {
  test.each(DOCTYPES)('<!doctype%s> is what another parser makes of it', (inside) => {
    expect(isQuirkyDoctype(inside, true)).toBe(isQuirkyThere(inside))
  })

  test('a DOCTYPE that the page ends in is quirky', () => {
    expect(isQuirkyDoctype(' html', false)).toBe(true)
  })

  test('the list has both kinds', () => {
    const kinds = new Set(DOCTYPES.map(isQuirkyThere))
    expect(kinds).toEqual(new Set([true, false]))
  })
})
