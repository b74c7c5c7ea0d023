import { expect, type Page, test } from '@playwright/test'
import { openStoredDemo } from './stored-demo'

const AREAS = [
  'gather',
  'wall',
  'page?page=/guides/rewire-a-lamp',
  'causes',
  'pictures',
  'drafts',
  'drift',
  'clearance',
]
const SIZES = [
  { width: 1280, height: 800 },
  { width: 1024, height: 640 },
  { width: 640, height: 400 },
  { width: 390, height: 844 },
]

/** How far the document goes on below the window, and below the lowest thing that can be seen in it, in px. */
const beyond = (page: Page) =>
  page.evaluate(() => {
    const { scrollHeight, scrollWidth } = document.documentElement
    const seen = [...document.querySelectorAll('body *')].map((element) => {
      const box = element.getBoundingClientRect()
      if (box.width < 2 || box.height < 2) return 0
      let bottom = box.bottom
      for (let pane = element.parentElement; pane; pane = pane.parentElement)
        if (getComputedStyle(pane).overflowY !== 'visible')
          bottom = Math.min(bottom, pane.getBoundingClientRect().bottom)
      return bottom + window.scrollY
    })
    // A pane ends with its last thing, and a margin.
    const panes = [...document.querySelectorAll<HTMLElement>('main *')].flatMap((pane) => {
      if (!/auto|scroll/.test(getComputedStyle(pane).overflowY) || pane.scrollHeight <= pane.clientHeight + 1) return []
      const top = pane.getBoundingClientRect().top - pane.scrollTop
      const things = [...pane.querySelectorAll('*')].flatMap((thing) => {
        const box = thing.getBoundingClientRect()
        return box.width < 2 || box.height < 2 ? [] : [box.bottom - top]
      })
      const empty = pane.scrollHeight - Math.max(pane.clientHeight, ...things)
      return empty > 60 ? [`${pane.className.slice(0, 60)}: ${empty}`] : []
    })
    return {
      panes,
      window: scrollHeight - Math.max(window.innerHeight, 420),
      nothing: scrollHeight - Math.max(window.innerHeight, ...seen),
      sideways: scrollWidth - window.innerWidth,
    }
  })

test('nothing scrolls to where nothing is, in any area and size', async ({ page }) => {
  await openStoredDemo(page)
  const base = new URL(page.url())
  for (const size of SIZES) {
    await page.setViewportSize(size)
    for (const area of AREAS) {
      const [path, query] = area.split('?')
      const url = new URL(base)
      url.pathname = `/${path}`
      for (const [key, value] of new URLSearchParams(query)) url.searchParams.set(key, value)
      await page.goto(url.href)
      await expect(page.locator('main h1, main h2').first()).toBeAttached()
      const found = await beyond(page)
      expect(found, `${area} at ${size.width} × ${size.height}`).toEqual({
        panes: [],
        window: 0,
        nothing: 0,
        sideways: 0,
      })
    }
  }
})
