import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { mkdir, open, rm, symlink, writeFile } from 'node:fs/promises'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { openFolder, readPart } from './folder'

const root = mkdtempSync(join(tmpdir(), 'folder-'))
afterAll(() => rm(root, { recursive: true }))

describe('a folder that holds more than files', () => {
  test('pipes, sockets, links in a circle and links outside are passed over and named', async () => {
    const build = join(root, 'build')
    await mkdir(join(build, 'a'), { recursive: true })
    await writeFile(join(build, 'index.html'), '<title>Home</title>')
    await writeFile(join(root, 'secret.html'), 'not of the build')
    execFileSync('mkfifo', [join(build, 'pipe.html')])
    const server = createServer()
    await new Promise<void>((resolve) => server.listen(join(build, 'socket.html'), resolve))
    await symlink('index.html', join(build, 'start.html'))
    await symlink('pipe.html', join(build, 'to-pipe.html'))
    await symlink('..', join(build, 'a', 'circle'))
    await symlink('self.html', join(build, 'self.html'))
    await symlink(join(root, 'secret.html'), join(build, 'outside.html'))
    await symlink('/dev/zero', join(build, 'zero.html'))
    const { paths, passedOver, read } = await openFolder(build)
    server.close()
    expect(paths).toEqual(['index.html', 'start.html'])
    expect(passedOver).toEqual([
      'a/circle (a link to a folder)',
      'outside.html (a link that leads outside)',
      'pipe.html (a pipe)',
      'self.html (a link that leads nowhere)',
      'socket.html (a socket)',
      'to-pipe.html (a link to a pipe)',
      'zero.html (a link that leads outside)',
    ])
    expect(new TextDecoder().decode((await read('start.html', 100)).body)).toBe('<title>Home</title>')
  })
})

describe('reading a part', () => {
  test('a file that says it is huge takes what is wanted of it, and no more', async () => {
    const path = join(root, 'sparse.html')
    const file = await open(path, 'w')
    await file.write('<title>x</title>')
    await file.truncate(1_500_000_000)
    await file.close()
    const part = await readPart(path, 1000)
    expect({ ...part, body: part.body.buffer.byteLength }).toEqual({ body: 1000, isCut: true, bytes: 1_500_000_000 })
  })

  test('what has become a pipe is refused, and nothing waits for it', async () => {
    const path = join(root, 'late-pipe')
    execFileSync('mkfifo', [path])
    await expect(readPart(path, 10)).rejects.toThrow('it is a pipe.')
  })

  test('an empty file is empty', async () => {
    await writeFile(join(root, 'empty'), '')
    expect(await readPart(join(root, 'empty'), 10)).toEqual({ body: new Uint8Array(), isCut: false, bytes: 0 })
  })
})

test('a file that has become a link since it was listed is not followed, nor a folder on its way', async () => {
  const build = mkdtempSync(join(tmpdir(), 'swapped-'))
  const outside = mkdtempSync(join(tmpdir(), 'outside-'))
  mkdirSync(join(build, 'guides'))
  for (const [folder, name] of [
    [build, 'a.html'],
    [join(build, 'guides'), 'b.html'],
    [outside, 'a.html'],
    [outside, 'b.html'],
  ] as const)
    writeFileSync(join(folder, name), folder.startsWith(build) ? 'inside' : 'outside')
  const files = await openFolder(build)
  const textOf = async (path: string) => new TextDecoder().decode((await files.read(path, 100)).body)
  expect(await textOf('a.html')).toBe('inside')
  rmSync(join(build, 'a.html'))
  symlinkSync(join(outside, 'a.html'), join(build, 'a.html'))
  rmSync(join(build, 'guides'), { recursive: true })
  symlinkSync(outside, join(build, 'guides'))
  await expect(textOf('a.html')).rejects.toThrow('outside')
  await expect(textOf('guides/b.html')).rejects.toThrow('outside')
  for (const folder of [build, outside]) rmSync(folder, { recursive: true })
})
