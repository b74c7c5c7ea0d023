import type { PictureTemplate } from './template'

const EXTENSIONS = { jpeg: 'jpg', png: 'png', webp: 'webp' } as const
/** File systems take 255 bytes; a number and an ending come after. */
const MAX_LETTERS = 120

/**
 * Files for the composed pictures of some pages, by page, beneath the site. Each is named after its page's path, and no
 * two are the same, in letters of any case.
 *
 * @example composedNames(['https://a.example/guides/lamp'], 'https://a.example/', template)
 *          // Map { 'https://a.example/guides/lamp' => 'share/guides-lamp.jpg' }
 */
export function composedNames(
  urls: readonly string[],
  site: string,
  { folder, type }: Pick<PictureTemplate, 'folder' | 'type'>,
): Map<string, string> {
  const taken = new Set<string>()
  return new Map(
    urls.map((url) => {
      const rest = url.startsWith(site) ? url.slice(site.length) : new URL(url).pathname.slice(1)
      const stem =
        rest
          .replace(/(?:^|\/)index\.html?$/i, '')
          .replace(/\.html?$/i, '')
          .split(/[^\p{L}\p{N}]+/u)
          .filter((word) => word !== '')
          .join('-')
          .slice(0, MAX_LETTERS) || 'index'
      let name = `${folder}${stem}.${EXTENSIONS[type]}`
      for (let number = 2; taken.has(name.toLowerCase()); number++)
        name = `${folder}${stem}-${number}.${EXTENSIONS[type]}`
      taken.add(name.toLowerCase())
      return [url, name]
    }),
  )
}
