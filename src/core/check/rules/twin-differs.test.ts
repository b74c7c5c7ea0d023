import { describeCheck } from '../../testing/describe-check'
import { GOOD_SITE, goodPage } from '../../testing/good-site'

const twin = (key: string, value: string) => ({ head: { more: `<meta name="${key}" content="${value}">` } })
const image = (name: string) => twin('twitter:image', `${GOOD_SITE}img/${name}.png`)

describeCheck('twin-differs', {
  raises: {
    'the title of another page': {
      ...twin('twitter:title', 'Mosses of the garden'),
      expect: {
        level: 'warning',
        message:
          'twitter:title is “Mosses of the garden”, the title of https://site.example/visit.html; og:title is “Ferns of the garden”.',
      },
    },
    'a subject that the page says nothing of': {
      ...twin('twitter:title', 'Timetable for the harbour ferry'),
    },
    'the share image of another page': {
      ...image('Roses'),
      expect: { level: 'warning' },
    },
  },
  passes: {
    'the same title': twin('twitter:title', 'Ferns of the garden'),
    'with the site’s name': twin('twitter:title', 'Ferns of the garden | Good Site'),
    'other words of the same subject': twin('twitter:title', 'Which ferns grow in the shade'),
    'the site’s name alone': twin('twitter:title', 'Good Site'),
    'the page’s own image': image('Ferns'),
    'an image that no other page has': image('Ferns-wide'),
    'an image that all pages share': {
      files: {
        'index.html': goodPage('', 'Roses', {
          'og:image': `<meta property="og:image" content="${GOOD_SITE}img/Mosses.png">`,
        }),
        'about.html': goodPage('about.html', 'Ferns', {
          more: `<meta name="twitter:image" content="${GOOD_SITE}img/Mosses.png">`,
        }),
      },
    },
  },
})
