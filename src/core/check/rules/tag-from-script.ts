import { defineCheck } from '../define-check'

export const tagFromScript = defineCheck({
  id: 'tag-from-script',
  label: 'tags from script',
  subject: 'head',
  explainsAll: true,
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Whether the page as served holds its tags.',
  why: 'Crawlers of links run no scripts: what a script adds is not seen.',
  messages: {
    shell: {
      says: 'The page as served is an empty shell for a script, without any Open Graph tag.',
      fix: 'Write the tags into the HTML when the site is built or served.',
      repair: { do: 'askPerson', needs: 'tags that are written when the site is built' },
    },
  },
  check({ facts }) {
    return facts.isShell && !facts.metas.some(({ key }) => key.startsWith('og:')) ? [{ message: 'shell' }] : []
  },
})
