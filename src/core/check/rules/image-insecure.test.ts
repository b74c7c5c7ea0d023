import { describeCheck } from '../../testing/describe-check'

describeCheck('image-insecure', {
  raises: {
    http: { head: { 'og:image': '<meta property="og:image" content="http://site.example/img/Ferns.png">' } },
  },
  passes: {
    'with a secure form': {
      head: {
        'og:image':
          '<meta property="og:image" content="http://site.example/img/Ferns.png"><meta property="og:image:secure_url" content="https://site.example/img/Ferns.png">',
      },
    },
    'an address of staging is another finding': {
      head: { 'og:image': '<meta property="og:image" content="http://localhost:3000/img/Ferns.png">' },
    },
  },
})
