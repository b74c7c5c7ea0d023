import { writeFileSync } from 'node:fs'
import type { Server } from 'node:http'
import { join } from 'node:path'
import { zipSync } from 'fflate'
import { listen, serveFolder } from '../../../demo/server.mjs'
import { filesIn } from './files-in'

/** Ways in to one build: a name, and the arguments of the command. */
export type WayIn = [name: string, args: string[]]

/**
 * All ways in to one build: folder, zip, address, list and sitemap.
 *
 * @param here a folder for what has to be made
 * @param sitemap its path on the server; null: there is none
 * @param servers the server that is started is added to these, to be closed
 */
export async function waysIn(
  folder: string,
  sitemap: string | null,
  here: string,
  servers: Server[],
): Promise<WayIn[]> {
  const server: Server = serveFolder(folder)
  servers.push(server)
  const address = await listen(server, 0)
  const zip = join(here, `${servers.length}.zip`)
  const list = join(here, `${servers.length}.txt`)
  writeFileSync(zip, zipSync(Object.fromEntries(filesIn(folder))))
  writeFileSync(list, `${address}\n`)
  return [
    ['folder', [folder]],
    ['zip', [zip]],
    ['address', [address]],
    ['list', [list, '--follow']],
    ...(sitemap === null ? [] : [['sitemap', [address + sitemap, '--follow']] as WayIn]),
  ]
}
