import { colorsOfStyleSheets, type SiteColor } from '../image'
import type { BuildFiles } from './build-files'

/** Style sheets that are read, those nearest the root first, and bytes of each: custom properties stand at the start. */
const MOST = { sheets: 6, bytes: 262_144 }

const depthOf = (path: string) => path.split('/').length

/** Colours of a build's own: what its style sheets keep in custom properties. None where nothing can be read. */
export async function colorsOfBuild(files: BuildFiles): Promise<SiteColor[]> {
  const sheets = files.paths
    .filter((path) => /\.css$/i.test(path))
    .sort((a, b) => depthOf(a) - depthOf(b) || a.localeCompare(b, 'en'))
    .slice(0, MOST.sheets)
  const texts: string[] = []
  for (const path of sheets) {
    const part = await files.read(path, MOST.bytes).catch(() => null)
    if (part) texts.push(new TextDecoder().decode(part.body))
  }
  return colorsOfStyleSheets(texts)
}
