import { collapseWhiteSpace } from '../text/collapse'

/** Titles that templates and starters ship with; compared in lower case, as a whole. */
const STARTERS = new Set([
  'untitled',
  'untitled page',
  'untitled document',
  'document',
  'home',
  'home page',
  'homepage',
  'index',
  'new page',
  'page title',
  'title',
  'your title here',
  'my site',
  'my website',
  'website title',
  'site title',
  'lorem ipsum',
  'sample page',
  'test',
  'test page',
  'hello world',
  'hello world!',
  'welcome',
  'create next app',
  'react app',
  'vite app',
  'vite + react',
  'vite + vue',
  'vite + svelte',
  'astro',
  'welcome to astro',
  'nuxt app',
  'sveltekit app',
  'vue app',
  'angular app',
  'gatsby default starter',
  'description',
  'page description',
  'site description',
  'description of the page',
])

const NUMBERED = /^(?:untitled|new page|page|copy of .+)[\s-]*\d*$/i
const UNRESOLVED = /\{\{[^}]*\}\}|\$\{[^}]*\}|%[a-z_][\w.-]*%|<%.*%>|\[object Object\]/i
const WHOLE_ONLY = new Set(['undefined', 'null', 'nan'])
/** Separators between a page's title and its site's name. */
const SEPARATOR = /\s+[|–—·•»:-]\s+|\s*\|\s*/

/** Parts of a title between its separators. */
export function titleParts(title: string): string[] {
  return title
    .split(SEPARATOR)
    .map(collapseWhiteSpace)
    .filter((part) => part !== '')
}

/** The title without the site's name, whichever side it stands on. */
export function ownPart(title: string, siteName: string | null): string {
  const parts = titleParts(title)
  if (parts.length < 2) return collapseWhiteSpace(title)
  const named = parts.filter((part) => part.toLowerCase() !== siteName?.toLowerCase())
  return (named.length === parts.length ? parts[0]! : (named[0] ?? parts[0]!)) || title
}

/** What gives a text away as the template's; null when it is somebody's own. */
export function placeholderIn(own: string, whole: string): string | null {
  const text = collapseWhiteSpace(own).toLowerCase()
  if (STARTERS.has(text) || NUMBERED.test(text) || WHOLE_ONLY.has(text)) return own
  if (text.startsWith('lorem ipsum')) return own
  return UNRESOLVED.exec(whole)?.[0] ?? null
}
