import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('identity-missing', {
  raises: {
    nowhere: {
      files: Object.fromEntries(
        (['index', 'about', 'visit'] as const).map((name) => [
          `${name}.html`,
          goodPage(`${name}.html`, name, { 'og:site_name': null }),
        ]),
      ),
    },
  },
  passes: {
    'on one page': { head: { 'og:site_name': null } },
    'an organization': {
      files: {
        ...Object.fromEntries(
          (['about', 'visit'] as const).map((name) => [
            `${name}.html`,
            goodPage(`${name}.html`, name, { 'og:site_name': null }),
          ]),
        ),
        'index.html': goodPage('', 'Roses', {
          'og:site_name': null,
          j: '<script type="application/ld+json">{"@type":"Organization","name":"Good Site"}</script>',
        }),
      },
    },
  },
})
