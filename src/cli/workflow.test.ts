import { spawnSync } from 'node:child_process'
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { parse } from 'yaml'
import { COMMENT_MARK, workflow } from './workflow'

const here = mkdtempSync(join(tmpdir(), 'nimble-parrot-workflow-'))
afterAll(() => rmSync(here, { recursive: true, force: true }))

type Step = { name?: string; run?: string; if?: string; env?: Record<string, string> }
const steps: Step[] = parse(workflow('./dist')).jobs.cards.steps
const stepOf = (name: string) => steps.find((step) => step.name?.startsWith(name))!

/** Stands in for the host's command: keeps comments in a file, as many as were posted. */
const STAND_IN = `#!/usr/bin/env node
const { readFileSync, writeFileSync, existsSync } = require('node:fs')
const all = existsSync('comments.json') ? JSON.parse(readFileSync('comments.json', 'utf8')) : []
const args = process.argv.slice(2)
const after = (name) => args[args.indexOf(name) + 1]
const body = () => readFileSync(after('--field').replace('body=@', ''), 'utf8')
if (!args.includes('--method')) {
  const mark = /startswith\\("(.*?)"\\)/.exec(after('--jq'))[1]
  for (const one of all) if (one.body.startsWith(mark)) console.log(one.id)
} else if (after('--method') === 'POST') {
  all.push({ id: 100 + all.length, body: body() })
} else {
  const id = Number(args.find((word) => word.includes('/comments/')).split('/').pop())
  all.find((one) => one.id === id).body = body()
}
writeFileSync('comments.json', JSON.stringify(all))
`

function commented(report: string, picture: string) {
  writeFileSync(join(here, 'cards.md'), report)
  const { status, stderr } = spawnSync('bash', ['-e', '-c', stepOf('One comment').run!], {
    cwd: here,
    encoding: 'utf8',
    env: { ...process.env, PATH: `${here}:${process.env['PATH']}`, REPOSITORY: 'a/b', NUMBER: '7', PICTURE: picture },
  })
  expect({ status, stderr }).toEqual({ status: 0, stderr: '' })
  return JSON.parse(readFileSync(join(here, 'comments.json'), 'utf8')) as { id: number; body: string }[]
}

test('a pull request has one comment, which is replaced and not repeated', () => {
  writeFileSync(join(here, 'gh'), STAND_IN)
  chmodSync(join(here, 'gh'), 0o755)
  writeFileSync(join(here, 'comments.json'), JSON.stringify([{ id: 1, body: 'Looks good to me.' }]))
  const first = commented('Not clear: 3 errors', 'https://host.example/picture')
  expect(first).toEqual([
    { id: 1, body: 'Looks good to me.' },
    {
      id: 101,
      body: `${COMMENT_MARK}\nNot clear: 3 errors\n[Changed cards as a picture](https://host.example/picture)\n`,
    },
  ])
  const second = commented('Clear for launch\n', '')
  expect(second.map(({ body }) => body)).toEqual(['Looks good to me.', `${COMMENT_MARK}\nClear for launch\n`])
})

test('nothing that a page or a branch is called is run as a command', () => {
  for (const { run = '' } of steps) expect(run).not.toContain('${{')
})

test('the baseline is the last run of main that ended well; without one nothing fails', () => {
  expect(stepOf('The last run of main').run).toContain('--branch main --status success --limit 1')
  const { run } = stepOf('Check')
  for (const [since, level] of [
    ['', 'never'],
    ['--baseline main/cards.json', 'error'],
  ]) {
    const asked = spawnSync('bash', ['-c', run!.replaceAll('npx nimble-parrot', 'echo')], {
      encoding: 'utf8',
      env: { ...process.env, SINCE: since },
    })
    expect(asked.stdout).toContain(`--fail-on ${level} `)
  }
})

test('the report is kept and the comment written when the check fails', () => {
  expect(stepOf('One comment').if).toMatch(/^always\(\)/)
  expect(stepOf('Check').run).toContain('npx nimble-parrot check ./dist $SINCE --fail-on $fails')
})
