import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** How Chromium is started for benchmarks. */
export const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]
const PARAGRAPH =
  '<p>A paragraph of some length, as pages have them, one after the other, with words in it.</p>'.repeat(40)

/** Writes a build of so many pages in ten sections. */
export function writeFolder(folder: string, count: number): void {
  for (let section = 0; section < 10; section++) mkdirSync(join(folder, `p${section}`), { recursive: true })
  for (let index = 0; index < count; index++) {
    const head = `<meta charset="utf-8"><title>Page ${index} | Bench</title><meta name="description" content="Page ${index} says what it is about in a sentence."><meta property="og:title" content="Page ${index}"><link rel="canonical" href="https://bench.example/p${index % 10}/${index}.html">`
    writeFileSync(
      join(folder, `p${index % 10}`, `${index}.html`),
      `<!doctype html><html lang="en"><head>${head}</head><body><main><h1>Page ${index}</h1>${PARAGRAPH}</main></body></html>`,
    )
  }
}

/** Notes the long tasks of a page. What the browser does to hand over a list of files is not ours, and left out. */
export function noteTasks(): void {
  const tasks: number[] = []
  Object.assign(window, { tasks, chosenAt: 0 })
  document.addEventListener('change', () => Object.assign(window, { chosenAt: performance.now() }), true)
  new PerformanceObserver((list) => {
    const { chosenAt } = window as unknown as { chosenAt: number }
    for (const { startTime, duration } of list.getEntries())
      tasks.push(Math.min(duration, startTime + duration - chosenAt))
  }).observe({ type: 'longtask', buffered: true })
}
