import 'fake-indexeddb/auto'
import { beforeEach, expect, test, vi } from 'vitest'
import { database } from '@/store/database'
import { remakeCopy } from '../../state/pictures/remake-copy'
import { wishForThumb } from './thumb-cache'

vi.mock('../../state/pictures/remake-copy', () => ({ remakeCopy: vi.fn(async () => null) }))

const picture = (run: string, url: string, hash: string) => ({ run, url, image: { url, hash } as never })
const thumb = (key: string) => ({ key, blob: new Blob(['x']), bytes: 1, savedAt: 0 })
/** Long enough for a wish to be looked for, and for its answer to be watched. */
const aWhile = () => new Promise((resolve) => setTimeout(resolve, 150))

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
})

test('a copy that is there is taken', async () => {
  await database.images.add(picture('r', 'a', 'sha256:a'))
  await database.thumbs.add(thumb('sha256:a'))
  const take = vi.fn()
  wishForThumb({ run: 'r', url: 'a', take })
  await vi.waitFor(() => expect(take).toHaveBeenCalledWith(expect.stringMatching(/^blob:/)))
})

test('one that is made later is taken when it is made', async () => {
  await database.images.add(picture('r', 'b', 'sha256:b'))
  const take = vi.fn()
  wishForThumb({ run: 'r', url: 'b', take })
  await aWhile()
  expect(take).not.toHaveBeenCalled()
  await database.thumbs.add(thumb('sha256:b'))
  await vi.waitFor(() => expect(take).toHaveBeenCalledTimes(1))
})

test('a picture that another run has a copy of needs but its own record', async () => {
  await database.thumbs.add(thumb('sha256:c'))
  const take = vi.fn()
  wishForThumb({ run: 'r', url: 'c', take })
  await aWhile()
  await database.images.add(picture('r', 'c', 'sha256:c'))
  await vi.waitFor(() => expect(take).toHaveBeenCalledTimes(1))
})

test('who waits no more is told nothing', async () => {
  const take = vi.fn()
  wishForThumb({ run: 'r', url: 'd', take })()
  await database.images.add(picture('r', 'd', 'sha256:d'))
  await database.thumbs.add(thumb('sha256:d'))
  await aWhile()
  expect(take).not.toHaveBeenCalled()
})

test('wishes of one moment are two questions to the database, whatever their number', async () => {
  const urls = Array.from({ length: 30 }, (_, index) => `many-${index}`)
  await database.images.bulkAdd(urls.map((url) => picture('r', url, `sha256:${url}`)))
  await database.thumbs.bulkAdd(urls.map((url) => thumb(`sha256:${url}`)))
  const images = vi.spyOn(database.images, 'bulkGet')
  const thumbs = vi.spyOn(database.thumbs, 'bulkGet')
  const take = vi.fn()
  for (const url of urls) wishForThumb({ run: 'r', url, take })
  await vi.waitFor(() => expect(take).toHaveBeenCalledTimes(30))
  expect([images.mock.calls.length, thumbs.mock.calls.length]).toEqual([1, 1])
})

test('a copy that can be had no more is said to be none; one that can is taken when it is made', async () => {
  await database.images.bulkAdd([picture('r', 'lost', 'sha256:lost'), picture('r', 'left', 'sha256:left')])
  vi.mocked(remakeCopy).mockImplementation(async ({ url }) => {
    if (url === 'lost') return false
    await database.thumbs.add(thumb('sha256:left'))
    return true
  })
  const [lost, left] = [vi.fn(), vi.fn()]
  wishForThumb({ run: 'r', url: 'lost', take: lost })
  wishForThumb({ run: 'r', url: 'left', take: left })
  await vi.waitFor(() => expect(lost).toHaveBeenCalledWith(null))
  await vi.waitFor(() => expect(left).toHaveBeenCalledWith(expect.stringMatching(/^blob:/)))
  expect(left).not.toHaveBeenCalledWith(null)
})

test('while a run makes copies itself, nothing is said to be lost', async () => {
  await database.images.add(picture('r', 'soon', 'sha256:soon'))
  vi.mocked(remakeCopy).mockResolvedValue(null)
  const take = vi.fn()
  wishForThumb({ run: 'r', url: 'soon', take })
  await aWhile()
  expect(take).not.toHaveBeenCalled()
})
