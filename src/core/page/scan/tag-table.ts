// Written by scripts/make-tag-table.mjs; change it there. Source of each list: see that script.

/** Bits of what the standard says of an element. */
/** 13.2.4.2 The stack of open elements: "special" */
export const IS_SPECIAL = 1 << 0
/** 13.2.4.2: the list of "has an element in scope" */
export const IS_SCOPE = 1 << 1
/** 13.2.6.3 "generate implied end tags" */
export const IS_IMPLIED_END = 1 << 2
/** 13.2.6.3 "generate all implied end tags thoroughly" */
export const IS_IMPLIED_END_THOROUGH = 1 << 3
/** 13.2.6.1 "appropriate place for inserting a node": targets that foster-parent */
export const IS_FOSTERS = 1 << 4
/** 13.2.6.4.7: h1 to h6 */
export const IS_HEADING = 1 << 5
/** 13.2.6.4.7, li, dd and dt: special elements that the search goes past */
export const IS_LIST_PASS = 1 << 6
/** 13.2.6.5 In foreign content: start tags that leave it */
export const IS_BREAKOUT = 1 << 7
/** ours: elements whose text is about the site, not about the page */
export const IS_ASIDE = 1 << 8
/** ours: elements that hold what the page is about */
export const IS_MAIN = 1 << 9
/** ours: elements whose text nobody reads on the page */
export const IS_UNSEEN = 1 << 10
/** ours: elements that give a fact */
export const IS_SPEAKS = 1 << 11
/** ours, and 13.2.6: elements whose attributes matter to facts or to the tree */
export const IS_READS_ATTRIBUTES = 1 << 12

/** Numbers of elements; 0 is any other. */
export const A = 1
export const ADDRESS = 2
export const ANNOTATION_XML = 3
export const APPLET = 4
export const AREA = 5
export const ARTICLE = 6
export const ASIDE = 7
export const B = 8
export const BASE = 9
export const BASEFONT = 10
export const BGSOUND = 11
export const BIG = 12
export const BLOCKQUOTE = 13
export const BODY = 14
export const BR = 15
export const BUTTON = 16
export const CAPTION = 17
export const CENTER = 18
export const CODE = 19
export const COL = 20
export const COLGROUP = 21
export const DD = 22
export const DESC = 23
export const DETAILS = 24
export const DIALOG = 25
export const DIR = 26
export const DIV = 27
export const DL = 28
export const DT = 29
export const EM = 30
export const EMBED = 31
export const FIELDSET = 32
export const FIGCAPTION = 33
export const FIGURE = 34
export const FONT = 35
export const FOOTER = 36
export const FOREIGNOBJECT = 37
export const FORM = 38
export const FRAME = 39
export const FRAMESET = 40
export const H1 = 41
export const H2 = 42
export const H3 = 43
export const H4 = 44
export const H5 = 45
export const H6 = 46
export const HEAD = 47
export const HEADER = 48
export const HGROUP = 49
export const HR = 50
export const HTML = 51
export const I = 52
export const IFRAME = 53
export const IMAGE = 54
export const IMG = 55
export const INPUT = 56
export const KEYGEN = 57
export const LI = 58
export const LINK = 59
export const LISTING = 60
export const MAIN = 61
export const MALIGNMARK = 62
export const MARQUEE = 63
export const MATH = 64
export const MENU = 65
export const META = 66
export const MGLYPH = 67
export const MI = 68
export const MN = 69
export const MO = 70
export const MS = 71
export const MTEXT = 72
export const NAV = 73
export const NOBR = 74
export const NOEMBED = 75
export const NOFRAMES = 76
export const NOSCRIPT = 77
export const OBJECT = 78
export const OL = 79
export const OPTGROUP = 80
export const OPTION = 81
export const P = 82
export const PARAM = 83
export const PLAINTEXT = 84
export const PRE = 85
export const RB = 86
export const RP = 87
export const RT = 88
export const RTC = 89
export const RUBY = 90
export const S = 91
export const SCRIPT = 92
export const SEARCH = 93
export const SECTION = 94
export const SELECT = 95
export const SMALL = 96
export const SOURCE = 97
export const SPAN = 98
export const STRIKE = 99
export const STRONG = 100
export const STYLE = 101
export const SUB = 102
export const SUMMARY = 103
export const SUP = 104
export const SVG = 105
export const TABLE = 106
export const TBODY = 107
export const TD = 108
export const TEMPLATE = 109
export const TEXTAREA = 110
export const TFOOT = 111
export const TH = 112
export const THEAD = 113
export const TITLE = 114
export const TR = 115
export const TRACK = 116
export const TT = 117
export const U = 118
export const UL = 119
export const VAR = 120
export const WBR = 121
export const XMP = 122

/** What a start tag does "in body"; 0 is any other start tag. */
export const START_HTML = 1
export const START_HEAD_CONTENT = 2
export const START_BODY = 3
export const START_FRAMESET = 4
export const START_BLOCK = 5
export const START_HEADING = 6
export const START_PRE = 7
export const START_FORM = 8
export const START_LI = 9
export const START_DD_DT = 10
export const START_PLAINTEXT = 11
export const START_BUTTON = 12
export const START_A = 13
export const START_FORMATTING = 14
export const START_NOBR = 15
export const START_MARKER = 16
export const START_TABLE = 17
export const START_VOID = 18
export const START_INPUT = 19
export const START_VOID_PLAIN = 20
export const START_HR = 21
export const START_TEXTAREA = 22
export const START_XMP = 23
export const START_IFRAME = 24
export const START_NOEMBED = 25
export const START_SELECT = 26
export const START_OPTION = 27
export const START_RUBY_BASE = 28
export const START_RUBY_TEXT = 29
export const START_FOREIGN = 30
export const START_IGNORED = 31

/** What an end tag does "in body"; 0 is any other end tag. */
export const END_TEMPLATE = 1
export const END_BODY = 2
export const END_HTML = 3
export const END_BLOCK = 4
export const END_FORM = 5
export const END_P = 6
export const END_LI = 7
export const END_DD_DT = 8
export const END_HEADING = 9
export const END_FORMATTING = 10
export const END_MARKER = 11
export const END_BR = 12

/** Names by number. */
export const NAMES: readonly string[] = [
  '',
  'a',
  'address',
  'annotation-xml',
  'applet',
  'area',
  'article',
  'aside',
  'b',
  'base',
  'basefont',
  'bgsound',
  'big',
  'blockquote',
  'body',
  'br',
  'button',
  'caption',
  'center',
  'code',
  'col',
  'colgroup',
  'dd',
  'desc',
  'details',
  'dialog',
  'dir',
  'div',
  'dl',
  'dt',
  'em',
  'embed',
  'fieldset',
  'figcaption',
  'figure',
  'font',
  'footer',
  'foreignobject',
  'form',
  'frame',
  'frameset',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'head',
  'header',
  'hgroup',
  'hr',
  'html',
  'i',
  'iframe',
  'image',
  'img',
  'input',
  'keygen',
  'li',
  'link',
  'listing',
  'main',
  'malignmark',
  'marquee',
  'math',
  'menu',
  'meta',
  'mglyph',
  'mi',
  'mn',
  'mo',
  'ms',
  'mtext',
  'nav',
  'nobr',
  'noembed',
  'noframes',
  'noscript',
  'object',
  'ol',
  'optgroup',
  'option',
  'p',
  'param',
  'plaintext',
  'pre',
  'rb',
  'rp',
  'rt',
  'rtc',
  'ruby',
  's',
  'script',
  'search',
  'section',
  'select',
  'small',
  'source',
  'span',
  'strike',
  'strong',
  'style',
  'sub',
  'summary',
  'sup',
  'svg',
  'table',
  'tbody',
  'td',
  'template',
  'textarea',
  'tfoot',
  'th',
  'thead',
  'title',
  'tr',
  'track',
  'tt',
  'u',
  'ul',
  'var',
  'wbr',
  'xmp',
]

/** Bits by number. */
export const PROPS = Int32Array.from([
  0, 6144, 65, 4096, 3, 6145, 2561, 257, 128, 6145, 1, 1, 128, 129, 129, 129, 1, 11, 129, 128, 1, 9, 141, 0, 1, 256, 1,
  193, 129, 141, 128, 129, 1, 1, 1, 4096, 257, 0, 257, 1, 1, 2209, 161, 161, 161, 161, 161, 129, 257, 1, 129, 6147, 128,
  1, 6144, 6273, 4097, 1, 141, 6145, 129, 2561, 0, 3, 4096, 129, 6273, 0, 0, 0, 0, 0, 0, 257, 128, 1, 1, 1025, 3, 129,
  12, 12, 6349, 1, 1, 129, 12, 12, 12, 12, 128, 128, 7169, 1, 1, 1, 128, 1, 128, 128, 128, 1025, 128, 1, 128, 4096, 147,
  25, 11, 1027, 1, 25, 11, 25, 2049, 25, 1, 128, 128, 129, 128, 1, 1,
])

/** Action of a start tag "in body", by number. */
export const IN_BODY_START = Uint8Array.from([
  0, 13, 5, 0, 16, 18, 5, 5, 14, 2, 2, 2, 14, 5, 3, 18, 12, 31, 5, 14, 31, 31, 10, 0, 5, 5, 5, 5, 5, 10, 14, 18, 5, 5,
  5, 14, 5, 0, 8, 31, 4, 6, 6, 6, 6, 6, 6, 31, 5, 5, 21, 1, 14, 24, 18, 18, 19, 18, 9, 2, 7, 5, 0, 16, 30, 5, 2, 0, 0,
  0, 0, 0, 0, 5, 15, 25, 2, 0, 16, 5, 27, 27, 5, 20, 11, 7, 28, 29, 29, 28, 0, 14, 2, 5, 5, 26, 14, 20, 0, 14, 14, 2, 0,
  5, 0, 30, 17, 31, 31, 2, 22, 31, 31, 31, 2, 31, 20, 14, 14, 5, 0, 18, 23,
])

/** Action of an end tag "in body", by number. */
export const IN_BODY_END = Uint8Array.from([
  0, 10, 4, 0, 11, 0, 4, 4, 10, 0, 0, 0, 10, 4, 2, 12, 4, 0, 4, 10, 0, 0, 8, 0, 4, 4, 4, 4, 4, 8, 10, 0, 4, 4, 4, 10, 4,
  0, 5, 0, 0, 9, 9, 9, 9, 9, 9, 0, 4, 4, 0, 3, 10, 0, 0, 0, 0, 0, 7, 0, 4, 4, 0, 11, 0, 4, 0, 0, 0, 0, 0, 0, 0, 4, 10,
  0, 0, 0, 11, 4, 0, 0, 6, 0, 0, 4, 0, 0, 0, 0, 0, 10, 0, 4, 4, 0, 10, 0, 0, 10, 10, 0, 0, 4, 0, 0, 0, 0, 0, 1, 0, 0, 0,
  0, 0, 0, 0, 10, 10, 4, 0, 0, 0,
])
