import { type ChildProcess, spawn } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { STARTED_WITH_PORT } from './ports'

const app = `http://127.0.0.1:${STARTED_WITH_PORT}`
const at = mkdtempSync(join(tmpdir(), 'started-with-'))
const build = join(at, 'my build')
let server: ChildProcess

test.beforeAll(async () => {
  cpSync('demo/site', build, { recursive: true })
  server = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(STARTED_WITH_PORT)], {
    env: { ...process.env, NIMBLE_PARROT_SOURCE: build },
    stdio: 'inherit',
  })
  await expect
    .poll(() =>
      fetch(app)
        .then(({ status }) => status)
        .catch(() => 0),
    )
    .toBe(200)
})
test.afterAll(() => {
  server.kill()
  rmSync(at, { recursive: true })
})

test('a folder that the app was started with is gathered, and looked at again as it is by then', async ({ page }) => {
  await page.goto(app)
  const way = page.getByRole('region', { name: 'my build' })
  await expect(way).toContainText('The folder that this app was started with.')
  await way.getByRole('button', { name: 'Gather it' }).click()
  await expect(page.getByText('48 pages').first()).toBeVisible()
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  // By its section: only cards in sight are drawn.
  await page.getByRole('button', { name: /^\/about(?!:)/ }).click()
  await page.getByRole('button', { name: /^\/about:/ }).dblclick()
  await expect(page.getByRole('heading', { name: '/about' })).toBeVisible()

  const file = join(build, 'about.html')
  writeFileSync(file, readFileSync(file, 'utf8').replaceAll('Brasswick', 'Brightwick'))
  await page.keyboard.press('r')
  await expect(page.getByRole('region', { name: 'What changed' })).toContainText('Brightwick')
})
