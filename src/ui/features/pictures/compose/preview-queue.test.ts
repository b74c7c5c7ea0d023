import { expect, it } from 'vitest'
import type { ComposeAsk, Composed } from '@/workers/draw-composed'
import { ComposedOnce } from './composed-once'
import { Outdated, PreviewQueue } from './preview-queue'

const ask = (name: string) => async () => ({ texts: { title: name, line: '', mark: '' } }) as ComposeAsk

/** Drawing waits until it is let go on. */
function slow() {
  const drawn: string[] = []
  const held: (() => void)[] = []
  const draw = ({ texts }: ComposeAsk) => {
    drawn.push(texts.title)
    return new Promise<Composed>((resolve) => {
      held.push(() => resolve({ contrast: drawn.length } as Composed))
    })
  }
  const goOn = async () => {
    await new Promise((resolve) => setTimeout(resolve))
    held.shift()?.()
    await new Promise((resolve) => setTimeout(resolve))
  }
  return { drawn, goOn, queue: new PreviewQueue({ get: () => undefined }, draw) }
}

it('draws one at a time, and of each page only the newest wish', async () => {
  const { drawn, goOn, queue } = slow()
  const first = queue.add('a', ask('a1'))
  const old = queue.add('b', ask('b1')).catch((error: unknown) => error)
  const other = queue.add('c', ask('c1'))
  const newest = queue.add('b', ask('b2'))
  expect(await old).toBeInstanceOf(Outdated)
  await goOn()
  expect(await first).toMatchObject({ contrast: 1 })
  expect(drawn).toEqual(['a1', 'c1'])
  await goOn()
  await goOn()
  await Promise.all([other, newest])
  expect(drawn).toEqual(['a1', 'c1', 'b2'])
})

it('doesn’t draw what was let go, and goes on after a fault', async () => {
  const drawn: string[] = []
  const queue = new PreviewQueue({ get: () => undefined }, async ({ texts }) => {
    drawn.push(texts.title)
    if (texts.title === 'bad') throw new Error('The font file can’t be read.')
    return {} as Composed
  })
  const bad = queue.add('a', ask('bad')).catch((error: Error) => error.message)
  const gone = queue.add('b', ask('gone')).catch((error: unknown) => error)
  const last = queue.add('c', ask('last'))
  queue.drop('b')
  expect(await bad).toBe('The font file can’t be read.')
  expect(await gone).toBeInstanceOf(Outdated)
  await last
  expect(drawn).toEqual(['bad', 'last'])
})

it('shows what was made as a file, and draws it no second time', async () => {
  const drawn: string[] = []
  const once = new ComposedOnce()
  const asked = { ...(await ask('a')()), template: {}, groundKey: null, markKey: null, face: null, focus: null }
  const file = asked as unknown as ComposeAsk
  once.keep(file, { blob: new Blob(['whole']), contrast: 7 } as Composed)
  const queue = new PreviewQueue(once, async ({ texts }) => {
    drawn.push(texts.title)
    return { contrast: 1 } as Composed
  })
  expect((await queue.add('a', async () => ({ ...file, previewWidth: 320 }))).contrast).toBe(7)
  const other = { ...file, texts: { title: 'b', line: '', mark: '' }, previewWidth: 320 }
  expect((await queue.add('b', async () => other)).contrast).toBe(1)
  expect(drawn).toEqual(['b'])
})
