import { describeCheck } from '../../testing/describe-check'

describeCheck('image-elsewhere', {
  raises: {
    'another site': { head: { 'og:image': '<meta property="og:image" content="https://pictures.example/Ferns.png">' } },
  },
  passes: {
    'a host of its own beside the site': {
      head: { 'og:image': '<meta property="og:image" content="https://img.site.example/Ferns.png">' },
    },
    'this machine is another finding': {
      head: { 'og:image': '<meta property="og:image" content="http://localhost:3000/Ferns.png">' },
    },
  },
})
