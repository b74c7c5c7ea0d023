import { describeCheck } from '../../testing/describe-check'

describeCheck('description-thin', {
  raises: {
    '49 characters': {
      head: { description: '<meta name="description" content="xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx">' },
    },
    'the same in two tags, once': {
      head: {
        description: '<meta name="description" content="Ferns">',
        'og:description': '<meta property="og:description" content="Ferns">',
      },
      expect: { message: 'description and og:description: 5 characters, under 50.' },
    },
    'seven dense characters': { head: { description: '<meta name="description" content="電池を入れます">' } },
    'a word': { head: { 'og:description': '<meta property="og:description" content="Ferns">' } },
  },
  passes: {
    '50 characters': {
      head: { description: '<meta name="description" content="xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx">' },
    },
    'a whole sentence in a script of dense characters': {
      head: {
        description: '<meta name="description" content="箱を開けて電池を入れ、スマートフォンとペアリングします。">',
      },
    },
    'none at all is another finding': { head: { description: null } },
  },
})
