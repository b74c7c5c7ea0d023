/** A page's path as a file may be called on any system. @example fileNameOf('/guides/lamp') // 'guides-lamp' */
export const fileNameOf = (path: string): string =>
  path
    .replace(/^\/|\/$/g, '')
    .replace(/[^\p{L}\p{N}.-]+/gu, '-')
    .slice(0, 80) || 'home'
