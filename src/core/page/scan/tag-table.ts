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
/** ours: elements whose text is not read on the page */
export const IS_UNSEEN = 1 << 10
/** ours: elements that give a fact */
export const IS_SPEAKS = 1 << 11
/** ours, and 13.2.6: elements whose attributes matter to facts or to the tree */
export const IS_READS_ATTRIBUTES = 1 << 12
/** ours: start tags that may still add a fact, or change how the text after them is read, when texts are settled */
export const MAY_CHANGE_FACTS = 1 << 13

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
export const CIRCLE = 19
export const CLIPPATH = 20
export const CODE = 21
export const COL = 22
export const COLGROUP = 23
export const DD = 24
export const DEFS = 25
export const DESC = 26
export const DETAILS = 27
export const DIALOG = 28
export const DIR = 29
export const DIV = 30
export const DL = 31
export const DT = 32
export const ELLIPSE = 33
export const EM = 34
export const EMBED = 35
export const FEGAUSSIANBLUR = 36
export const FEOFFSET = 37
export const FIELDSET = 38
export const FIGCAPTION = 39
export const FIGURE = 40
export const FILTER = 41
export const FONT = 42
export const FOOTER = 43
export const FOREIGNOBJECT = 44
export const FORM = 45
export const FRAME = 46
export const FRAMESET = 47
export const G = 48
export const H1 = 49
export const H2 = 50
export const H3 = 51
export const H4 = 52
export const H5 = 53
export const H6 = 54
export const HEAD = 55
export const HEADER = 56
export const HGROUP = 57
export const HR = 58
export const HTML = 59
export const I = 60
export const IFRAME = 61
export const IMAGE = 62
export const IMG = 63
export const INPUT = 64
export const KEYGEN = 65
export const LI = 66
export const LINE = 67
export const LINEARGRADIENT = 68
export const LINK = 69
export const LISTING = 70
export const MAIN = 71
export const MALIGNMARK = 72
export const MARQUEE = 73
export const MASK = 74
export const MATH = 75
export const MENU = 76
export const META = 77
export const MGLYPH = 78
export const MI = 79
export const MN = 80
export const MO = 81
export const MS = 82
export const MTEXT = 83
export const NAV = 84
export const NOBR = 85
export const NOEMBED = 86
export const NOFRAMES = 87
export const NOSCRIPT = 88
export const OBJECT = 89
export const OL = 90
export const OPTGROUP = 91
export const OPTION = 92
export const P = 93
export const PARAM = 94
export const PATH = 95
export const PATTERN = 96
export const PLAINTEXT = 97
export const POLYGON = 98
export const POLYLINE = 99
export const PRE = 100
export const RADIALGRADIENT = 101
export const RB = 102
export const RECT = 103
export const RP = 104
export const RT = 105
export const RTC = 106
export const RUBY = 107
export const S = 108
export const SCRIPT = 109
export const SEARCH = 110
export const SECTION = 111
export const SELECT = 112
export const SMALL = 113
export const SOURCE = 114
export const SPAN = 115
export const STOP = 116
export const STRIKE = 117
export const STRONG = 118
export const STYLE = 119
export const SUB = 120
export const SUMMARY = 121
export const SUP = 122
export const SVG = 123
export const SYMBOL = 124
export const TABLE = 125
export const TBODY = 126
export const TD = 127
export const TEMPLATE = 128
export const TEXT = 129
export const TEXTAREA = 130
export const TFOOT = 131
export const TH = 132
export const THEAD = 133
export const TITLE = 134
export const TR = 135
export const TRACK = 136
export const TSPAN = 137
export const TT = 138
export const U = 139
export const UL = 140
export const USE = 141
export const VAR = 142
export const WBR = 143
export const XMP = 144

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
export const START_OPTGROUP = 28
export const START_RUBY_BASE = 29
export const START_RUBY_TEXT = 30
export const START_FOREIGN = 31
export const START_IGNORED = 32

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
  'circle',
  'clippath',
  'code',
  'col',
  'colgroup',
  'dd',
  'defs',
  'desc',
  'details',
  'dialog',
  'dir',
  'div',
  'dl',
  'dt',
  'ellipse',
  'em',
  'embed',
  'fegaussianblur',
  'feoffset',
  'fieldset',
  'figcaption',
  'figure',
  'filter',
  'font',
  'footer',
  'foreignobject',
  'form',
  'frame',
  'frameset',
  'g',
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
  'line',
  'lineargradient',
  'link',
  'listing',
  'main',
  'malignmark',
  'marquee',
  'mask',
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
  'path',
  'pattern',
  'plaintext',
  'polygon',
  'polyline',
  'pre',
  'radialgradient',
  'rb',
  'rect',
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
  'stop',
  'strike',
  'strong',
  'style',
  'sub',
  'summary',
  'sup',
  'svg',
  'symbol',
  'table',
  'tbody',
  'td',
  'template',
  'text',
  'textarea',
  'tfoot',
  'th',
  'thead',
  'title',
  'tr',
  'track',
  'tspan',
  'tt',
  'u',
  'ul',
  'use',
  'var',
  'wbr',
  'xmp',
]

/** Bits by number. */
export const PROPS = Int32Array.from([
  0, 14336, 65, 4096, 3, 14337, 10753, 257, 128, 14337, 1, 1, 128, 129, 129, 129, 1, 11, 129, 0, 0, 128, 1, 9, 141, 0,
  0, 1, 256, 1, 193, 129, 141, 0, 128, 129, 0, 0, 1, 1, 1, 0, 4096, 257, 0, 257, 1, 1, 0, 10401, 161, 161, 161, 161,
  161, 129, 257, 1, 129, 14339, 128, 8193, 14336, 14465, 4097, 1, 141, 0, 0, 14337, 129, 10753, 0, 3, 0, 12288, 129,
  14465, 0, 0, 0, 0, 0, 0, 257, 128, 8193, 8193, 1025, 3, 129, 12, 12, 6349, 1, 0, 0, 8193, 0, 0, 129, 0, 12, 0, 12, 12,
  12, 128, 128, 15361, 1, 1, 8195, 128, 1, 128, 0, 128, 128, 9217, 128, 1, 128, 12288, 0, 147, 25, 11, 9219, 0, 8193,
  25, 11, 25, 10241, 25, 1, 0, 128, 128, 129, 0, 128, 1, 8193,
])

/** Action of a start tag "in body", by number. */
export const IN_BODY_START = Uint8Array.from([
  0, 13, 5, 0, 16, 18, 5, 5, 14, 2, 2, 2, 14, 5, 3, 18, 12, 32, 5, 0, 0, 14, 32, 32, 10, 0, 0, 5, 5, 5, 5, 5, 10, 0, 14,
  18, 0, 0, 5, 5, 5, 0, 14, 5, 0, 8, 32, 4, 0, 6, 6, 6, 6, 6, 6, 32, 5, 5, 21, 1, 14, 24, 18, 18, 19, 18, 9, 0, 0, 2, 7,
  5, 0, 16, 0, 31, 5, 2, 0, 0, 0, 0, 0, 0, 5, 15, 25, 2, 0, 16, 5, 28, 27, 5, 20, 0, 0, 11, 0, 0, 7, 0, 29, 0, 30, 30,
  29, 0, 14, 2, 5, 5, 26, 14, 20, 0, 0, 14, 14, 2, 0, 5, 0, 31, 0, 17, 32, 32, 2, 0, 22, 32, 32, 32, 2, 32, 20, 0, 14,
  14, 5, 0, 0, 18, 23,
])

/** Action of an end tag "in body", by number. */
export const IN_BODY_END = Uint8Array.from([
  0, 10, 4, 0, 11, 0, 4, 4, 10, 0, 0, 0, 10, 4, 2, 12, 4, 0, 4, 0, 0, 10, 0, 0, 8, 0, 0, 4, 4, 4, 4, 4, 8, 0, 10, 0, 0,
  0, 4, 4, 4, 0, 10, 4, 0, 5, 0, 0, 0, 9, 9, 9, 9, 9, 9, 0, 4, 4, 0, 3, 10, 0, 0, 0, 0, 0, 7, 0, 0, 0, 4, 4, 0, 11, 0,
  0, 4, 0, 0, 0, 0, 0, 0, 0, 4, 10, 0, 0, 0, 11, 4, 0, 0, 6, 0, 0, 0, 0, 0, 0, 4, 0, 0, 0, 0, 0, 0, 0, 10, 0, 4, 4, 4,
  10, 0, 0, 0, 10, 10, 0, 0, 4, 0, 0, 0, 0, 0, 0, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 10, 10, 4, 0, 0, 0, 0,
])
