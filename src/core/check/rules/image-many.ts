import { limits } from '../../address'
import { picturesNamed } from '../../surface'
import { defineCheck } from '../define-check'

export const imageMany = defineCheck({
  id: 'image-many',
  label: 'many pictures',
  subject: 'picture',
  family: 'image',
  level: 'warning',
  scope: 'page',
  looksAt: 'How many pictures a page’s tags name, icons included.',
  why: 'Every place takes the first that it can use. Hundreds of them are a template’s loop gone wrong.',
  messages: {
    many: {
      says: 'The page names {count} pictures; the first {most} were looked at.',
      fix: 'Name one picture in og:image, and two more at most where places are to choose.',
      repair: { do: 'askPerson', needs: 'a choice of one picture, or three at most' },
    },
  },
  check(page, context) {
    const { share, icons } = picturesNamed(page, context)
    const count = share.length + icons.length
    return count > limits.picturesOfPage ? [{ message: 'many', data: { count, most: limits.picturesOfPage } }] : []
  },
})
