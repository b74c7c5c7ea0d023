import { typeOfFormat } from '../../image'
import { ownEntry } from '../../text'
import { eachDeclaredImage } from '../declared-images'
import { defineCheck } from '../define-check'

/** Other names of the same types. */
const ALIASES: Record<string, string> = {
  'image/jpg': 'image/jpeg',
  'image/pjpeg': 'image/jpeg',
  'image/apng': 'image/png',
  'image/svg': 'image/svg+xml',
  'image/vnd.microsoft.icon': 'image/x-icon',
  'image/x-ms-bmp': 'image/bmp',
}

export const imageTypeMismatch = defineCheck({
  id: 'image-type-mismatch',
  label: 'wrong picture type',
  subject: 'picture',
  family: 'image',
  level: 'warning',
  scope: 'image',
  looksAt: 'The format of share images by their bytes, beside Content-Type and og:image:type.',
  why: 'A place that goes by the named type may refuse the picture.',
  messages: {
    served: {
      says: '{url} is {format}; Content-Type says {said}.',
      fix: 'Serve and declare it as {right}.',
      repair: { do: 'askPerson', needs: 'a server that sends it as {right}', where: 'server' },
    },
    mismatch: {
      says: '{url} is {format}; og:image:type says {said}.',
      fix: 'Serve and declare it as {right}.',
      repair: { do: 'setTag', tag: 'og:image:type', to: '{right}' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image, { group }) => {
      if (image.errorCode !== null || image.format === null) return null
      const right = typeOfFormat[image.format]
      const isWrong = (said: string | null | undefined) => {
        const type = (said ?? '').split(';')[0]!.trim().toLowerCase()
        return type.startsWith('image/') && (ownEntry(ALIASES, type) ?? type) !== right
      }
      const data = { url: image.url, format: image.format, right }
      if (isWrong(group?.type?.value)) return { message: 'mismatch', data: { ...data, said: group!.type!.value! } }
      if (isWrong(image.contentType)) return { message: 'served', data: { ...data, said: image.contentType! } }
      return null
    })
  },
})
