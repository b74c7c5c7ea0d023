import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

const GERMAN = 'Wie man einen Docht gerade schneidet und wie hoch er stehen muss, damit die Flamme nicht mehr rußt.'
const JAPANESE = 'ランタンの芯をまっすぐに切り、炎が均一に燃えるようにする方法を説明します。写真と図も付いています。'

const described = (text: string, lang = 'en', paragraph = text) => {
  const head = {
    description: `<meta name="description" content="${text}">`,
    'og:description': `<meta property="og:description" content="${text}">`,
  }
  const html = goodPage('about.html', 'Ferns', head, `<h1>Ferns</h1><p>${paragraph}</p>`)
  return { files: { 'about.html': html.replace('lang="en"', `lang="${lang}"`) } }
}

describeCheck('language-differs', {
  raises: {
    'a German text on a page that says English': {
      ...described(GERMAN),
      expect: { level: 'warning', message: 'The text is in “de”; <html lang> is “en”.' },
    },
    'a Japanese one': described(JAPANESE),
    'an English one on a page that says German': described(
      'How to cut a wick square, how far to raise it, and what the flame is to look like when it is lit.',
      'de',
    ),
  },
  passes: {
    'a region beside the language': described(GERMAN, 'de-AT'),
    'the paragraph is in the page’s language': described(
      GERMAN,
      'en',
      'This is how we cut the wick of a lamp and light it.',
    ),
    'a language that is not told apart by its words': described(GERMAN, 'gsw'),
    'names alone': described('Brasswick Aldery Marlow Venn Harbour Quay Lantern Globe Burner Collar Bail Guard'),
  },
})
