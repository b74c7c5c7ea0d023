/**
 * Signs that one language, or one above all others, is written in, and the share of a text's letters that shows it: kana
 * among Chinese characters make a text Japanese, a few letters tell Ukrainian from Russian; a name in another script
 * makes no text of that language.
 */
const SCRIPTS: readonly [RegExp, string, number][] = [
  [/[\p{Script=Hiragana}\p{Script=Katakana}]/gu, 'ja', 0.1],
  [/\p{Script=Hangul}/gu, 'ko', 0.4],
  [/\p{Script=Han}/gu, 'zh', 0.4],
  [/\p{Script=Hebrew}/gu, 'he', 0.4],
  [/\p{Script=Arabic}/gu, 'ar', 0.4],
  [/\p{Script=Greek}/gu, 'el', 0.4],
  [/\p{Script=Thai}/gu, 'th', 0.4],
  [/\p{Script=Devanagari}/gu, 'hi', 0.4],
  [/[іїєґ]/giu, 'uk', 0.02],
  [/\p{Script=Cyrillic}/gu, 'ru', 0.4],
]

/** The most common short words of languages with a Latin alphabet: those that hardly any other of them has. */
const WORDS: Readonly<Record<string, string>> = {
  en: 'the and of to is for with that you this are from your how what it be can by as not',
  de: 'der die das und ist nicht mit für auf ein eine den dem von zu sich wie sie wir ihr auch oder bei',
  fr: 'le la les des et est une pour dans que qui sur vous avec pas du au ce nous sont votre plus',
  es: 'el los las y es una para con que por del se su como más pero sus este nuestra',
  it: 'il gli e è una per con che di non del della sono come più questo nel alla dei',
  pt: 'o os as e é uma para com que não do da dos das em por mais como seu sua ao',
  nl: 'de het een en is van niet met voor op te dat zijn die aan bij ook naar wij',
  sv: 'och är att en ett det som på för med av till inte den om vi har',
  da: 'og er at en et det som på til med af for ikke den om vi har de',
  pl: 'i w na z do jest nie się to że dla po od jak oraz ale',
  cs: 'a je v na se z do že pro jak nebo jsou také není při',
  fi: 'ja on ei se että kuin mutta myös sekä ovat voi tai',
  tr: 've bir bu için ile da de olarak daha çok ne gibi',
  hu: 'a az és egy hogy nem is van meg vagy ez mint',
}
const LISTS: readonly [string, ReadonlySet<string>][] = Object.entries(WORDS).map(([language, words]) => [
  language,
  new Set(words.split(' ')),
])

/** So many common words show a language, and so many more of them than of any other. */
const MIN_WORDS = 3
const LEAD = 1.5

/**
 * The language that a text is written in, as its primary subtag; null where it can't be told: too few words, or as many
 * of one language as of another. By its script, else by its most common short words: a guess for a page's own texts,
 * never for a name.
 */
export function languageOf(text: string): string | null {
  const letters = text.match(/\p{L}/gu)?.length ?? 0
  if (letters === 0) return null
  for (const [script, language, share] of SCRIPTS) {
    const found = text.match(script)?.length ?? 0
    if (found > 0 && found >= share * letters) return language
  }
  const words = text.toLowerCase().match(/\p{L}+/gu) ?? []
  const counts = LISTS.map(([language, list]) => ({ language, count: words.filter((word) => list.has(word)).length }))
  const [first, second] = counts.sort((a, b) => b.count - a.count)
  return first!.count >= MIN_WORDS && first!.count >= LEAD * second!.count ? first!.language : null
}
