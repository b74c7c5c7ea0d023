// Writes src/core/page/scan/tag-table.ts: a number for every element that the HTML standard's tree construction
// names, and what the standard says of it as bits. Sections named here are those of https://html.spec.whatwg.org/,
// "13.2 Parsing HTML documents". Run: node scripts/make-tag-table.mjs
import { writeFileSync } from 'node:fs'

const words = (text) => text.trim().split(/\s+/)

/** Categories, each with its source. */
const CATEGORIES = {
  SPECIAL: {
    from: '13.2.4.2 The stack of open elements: "special"',
    names: words(`address applet area article aside base basefont bgsound blockquote body br button caption center col
      colgroup dd details dir div dl dt embed fieldset figcaption figure footer form frame frameset h1 h2 h3 h4 h5 h6
      head header hgroup hr html iframe img input keygen li link listing main marquee menu meta nav noembed noframes
      noscript object ol p param plaintext pre script search section select source style summary table tbody td
      template textarea tfoot th thead title tr track ul wbr xmp`),
  },
  SCOPE: {
    from: '13.2.4.2: the list of "has an element in scope"',
    names: words('applet caption html table td th marquee object select template'),
  },
  IMPLIED_END: {
    from: '13.2.6.3 "generate implied end tags"',
    names: words('dd dt li optgroup option p rb rp rt rtc'),
  },
  IMPLIED_END_THOROUGH: {
    from: '13.2.6.3 "generate all implied end tags thoroughly"',
    names: words('caption colgroup dd dt li optgroup option p rb rp rt rtc tbody td tfoot th thead tr'),
  },
  FOSTERS: {
    from: '13.2.6.1 "appropriate place for inserting a node": targets that foster-parent',
    names: words('table tbody tfoot thead tr'),
  },
  HEADING: { from: '13.2.6.4.7: h1 to h6', names: words('h1 h2 h3 h4 h5 h6') },
  LIST_PASS: {
    from: '13.2.6.4.7, li, dd and dt: special elements that the search goes past',
    names: words('address div p'),
  },
  BREAKOUT: {
    from: '13.2.6.5 In foreign content: start tags that leave it',
    names: words(`b big blockquote body br center code dd div dl dt em embed h1 h2 h3 h4 h5 h6 head hr i img li listing
      menu meta nobr ol p pre ruby s small span strong strike sub sup table tt u ul var`),
  },
  ASIDE: {
    from: 'ours: elements whose text is about the site, not about the page',
    names: words('nav header footer aside form dialog'),
  },
  MAIN: { from: 'ours: elements that hold what the page is about', names: words('main article') },
  UNSEEN: {
    from: 'ours: elements whose text is not read on the page',
    names: words('script style template noscript'),
  },
  SPEAKS: {
    from: 'ours: elements that give a fact',
    names: words('html base title meta link script a area img image h1 main article p'),
  },
  READS_ATTRIBUTES: {
    from: 'ours, and 13.2.6: elements whose attributes matter to facts or to the tree',
    names: words('html base meta link script a area img image p input font annotation-xml svg math'),
  },
  TELLING: {
    from: 'ours: start tags that may still add a fact, or change how the text after them is read, when texts are settled',
    names: words(`html base meta link script a area img image main article h1 title style textarea xmp iframe noembed
      noframes plaintext svg math select template`),
  },
}

/** What a start tag does "in body" (13.2.6.4.7), in the order of the standard. */
const IN_BODY_START = {
  HTML: words('html'),
  HEAD_CONTENT: words('base basefont bgsound link meta noframes script style template title'),
  BODY: words('body'),
  FRAMESET: words('frameset'),
  BLOCK: words(`address article aside blockquote center details dialog dir div dl fieldset figcaption figure footer
    header hgroup main menu nav ol p search section summary ul`),
  HEADING: words('h1 h2 h3 h4 h5 h6'),
  PRE: words('pre listing'),
  FORM: words('form'),
  LI: words('li'),
  DD_DT: words('dd dt'),
  PLAINTEXT: words('plaintext'),
  BUTTON: words('button'),
  A: words('a'),
  FORMATTING: words('b big code em font i s small strike strong tt u'),
  NOBR: words('nobr'),
  MARKER: words('applet marquee object'),
  TABLE: words('table'),
  VOID: words('area br embed img image keygen wbr'),
  INPUT: words('input'),
  VOID_PLAIN: words('param source track'),
  HR: words('hr'),
  TEXTAREA: words('textarea'),
  XMP: words('xmp'),
  IFRAME: words('iframe'),
  NOEMBED: words('noembed'),
  SELECT: words('select'),
  OPTION: words('option'),
  OPTGROUP: words('optgroup'),
  RUBY_BASE: words('rb rtc'),
  RUBY_TEXT: words('rp rt'),
  FOREIGN: words('math svg'),
  IGNORED: words('caption col colgroup frame head tbody td tfoot th thead tr'),
}

/** What an end tag does "in body" (13.2.6.4.7). */
const IN_BODY_END = {
  TEMPLATE: words('template'),
  BODY: words('body'),
  HTML: words('html'),
  BLOCK: words(`address article aside blockquote button center details dialog dir div dl fieldset figcaption figure
    footer header hgroup listing main menu nav ol pre search section select summary ul`),
  FORM: words('form'),
  P: words('p'),
  LI: words('li'),
  DD_DT: words('dd dt'),
  HEADING: words('h1 h2 h3 h4 h5 h6'),
  FORMATTING: words('a b big code em font i nobr s small strike strong tt u'),
  MARKER: words('applet marquee object'),
  BR: words('br'),
}

/** Names of foreign elements that matter to the tree (13.2.4.2 and the integration points of 13.2.6). */
const FOREIGN = words('foreignobject desc mi mo mn ms mtext mglyph malignmark')
/** Names that drawings are full of: known, so that no string is made of each. */
const DRAWN = words(`circle clippath defs ellipse fegaussianblur feoffset filter g line lineargradient mask path pattern
  polygon polyline radialgradient rect stop symbol text tspan use`)

const names = [
  ...new Set([
    ...Object.values(CATEGORIES).flatMap((category) => category.names),
    ...Object.values(IN_BODY_START).flat(),
    ...Object.values(IN_BODY_END).flat(),
    ...FOREIGN,
    ...DRAWN,
  ]),
].sort()

const constant = (name) => name.replace(/-/g, '_').toUpperCase()
const bits = Object.keys(CATEGORIES)
const propsOf = (name) =>
  bits.reduce((sum, bit, index) => sum | (CATEGORIES[bit].names.includes(name) ? 1 << index : 0), 0)
const actionOf = (table, name) => 1 + Object.values(table).findIndex((members) => members.includes(name))

const lines = [
  '// Written by scripts/make-tag-table.mjs; change it there. Source of each list: see that script.',
  '',
  '/** Bits of what the standard says of an element. */',
  ...bits.flatMap((bit, index) => [`/** ${CATEGORIES[bit].from} */`, `export const IS_${bit} = 1 << ${index}`]),
  '',
  '/** Numbers of elements; 0 is any other. */',
  ...names.map((name, index) => `export const ${constant(name)} = ${index + 1}`),
  '',
  '/** What a start tag does "in body"; 0 is any other start tag. */',
  ...Object.keys(IN_BODY_START).map((action, index) => `export const START_${action} = ${index + 1}`),
  '',
  '/** What an end tag does "in body"; 0 is any other end tag. */',
  ...Object.keys(IN_BODY_END).map((action, index) => `export const END_${action} = ${index + 1}`),
  '',
  '/** Names by number. */',
  `export const NAMES: readonly string[] = ${JSON.stringify(['', ...names])}`,
  '',
  '/** Bits by number. */',
  `export const PROPS = Int32Array.from(${JSON.stringify([0, ...names.map(propsOf)])})`,
  '',
  '/** Action of a start tag "in body", by number. */',
  `export const IN_BODY_START = Uint8Array.from(${JSON.stringify([0, ...names.map((name) => actionOf(IN_BODY_START, name))])})`,
  '',
  '/** Action of an end tag "in body", by number. */',
  `export const IN_BODY_END = Uint8Array.from(${JSON.stringify([0, ...names.map((name) => actionOf(IN_BODY_END, name))])})`,
  '',
]
writeFileSync(new URL('../src/core/page/scan/tag-table.ts', import.meta.url), lines.join('\n'))
