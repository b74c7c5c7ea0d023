import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import sharp from 'sharp'

const COLORS = ['#8a3b2e', '#2e5a8a', '#3f7a4d', '#7a6a3f', '#5a3f7a']

/** A share image that decoders read, each of another colour. */
export const realImage = (index: number): Promise<Buffer> =>
  sharp({ create: { width: 1200, height: 630, channels: 3, background: COLORS[index % COLORS.length]! } })
    .png()
    .toBuffer()

/** Writes files below a folder. */
export function writeFiles(folder: string, files: Readonly<Record<string, string | Uint8Array>>): string {
  for (const [path, content] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true })
    writeFileSync(join(folder, path), content)
  }
  return folder
}
