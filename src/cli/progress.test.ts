import { expect, test } from 'vitest'
import { progressLine } from './progress'

function terminal(isTTY: boolean, columns = 40) {
  const lines: string[] = []
  return { lines, isTTY, columns, write: (text: string) => lines.push(text) > 0 }
}
const event = (done: number) => ({ kind: 'progress' as const, done, waiting: 1200, fetching: ['https://a.example/x'] })

test('a line is written ten times a second at most, with what is left', () => {
  const out = terminal(true)
  let now = 0
  const line = progressLine(out, () => now)
  for (now = 0; now < 1000; now++) line.show(event(now))
  expect(out.lines).toHaveLength(10)
  expect(out.lines[1]).toBe('\r\u001b[K100 pages read, 1,200 waiting  https://')
})

test('what is done after reading is said at once, and the line is cleared in the end', () => {
  const out = terminal(true)
  const line = progressLine(out, () => 0)
  line.show(event(1))
  line.stage('judging 2 pages')
  line.clear()
  expect(out.lines.slice(1)).toEqual(['\r\u001b[Kjudging 2 pages …', '\r\u001b[K'])
})

test('where no terminal is there nothing is written', () => {
  const out = terminal(false)
  const line = progressLine(out)
  line.show(event(1))
  line.stage('judging')
  line.clear()
  expect(out.lines).toEqual([])
})
