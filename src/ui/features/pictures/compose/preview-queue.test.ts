import { expect, it } from 'vitest'
import type { ComposeAsk, Composed } from '@/workers/draw-composed'
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
  return { drawn, goOn, queue: new PreviewQueue(draw) }
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
  const queue = new PreviewQueue(async ({ texts }) => {
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
