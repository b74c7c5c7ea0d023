import { describe, expect, test } from 'vitest'
import { inShortTasks } from './short-tasks'

/** Works through a list where each part takes so many ms. @returns the parts of each task */
async function tasksOf(count: number, atOnce: number, msOf: (part: number[]) => number) {
  let now = 0
  const tasks: number[][][] = [[]]
  const clock = { now: () => now, rest: async () => void tasks.push([]) }
  const items = Array.from({ length: count }, (_, index) => index)
  await inShortTasks(
    items,
    atOnce,
    (part) => {
      tasks.at(-1)!.push(part)
      now += msOf(part)
    },
    clock,
  )
  expect(tasks.flat(2)).toEqual(items)
  return tasks.map((parts) => parts.map((part) => part.length))
}

describe('inShortTasks', () => {
  test('a quick machine does much in one task, a slow one little', async () => {
    expect(await tasksOf(40, 10, () => 1)).toEqual([[10, 10, 10, 10]])
    expect(await tasksOf(40, 10, () => 4)).toEqual([
      [10, 10],
      [10, 10],
    ])
    expect(await tasksOf(25, 10, () => 50)).toEqual([[10], [10], [5]])
  })

  test('nothing to do is no task of its own', async () => {
    expect(await tasksOf(0, 10, () => 50)).toEqual([[]])
  })

  test('others get their turn in between', async () => {
    const order: string[] = []
    setTimeout(() => order.push('other'))
    await inShortTasks([1, 2, 3], 1, (part) => {
      order.push(String(part[0]))
      const until = performance.now() + 20
      while (performance.now() < until);
    })
    expect(order.indexOf('other')).toBeLessThan(3)
    expect(order.filter((one) => one !== 'other')).toEqual(['1', '2', '3'])
  })
})
