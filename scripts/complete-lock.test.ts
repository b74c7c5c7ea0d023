import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { addIntegrity, completeLock, platformOf, withoutIntegrity } from './complete-lock.mjs'

describe('platformOf', () => {
  test.each([
    ['@img/sharp-linuxmusl-arm64', { os: ['linux'], cpu: ['arm64'], libc: ['musl'] }],
    ['@biomejs/cli-win32-x64', { os: ['win32'], cpu: ['x64'] }],
    ['@next/swc-linux-x64-gnu', { os: ['linux'], cpu: ['x64'], libc: ['glibc'] }],
    ['@tailwindcss/oxide-wasm32-wasi', { cpu: ['wasm32'] }],
  ])('%s', (name, expected) => {
    expect(platformOf(name)).toEqual(expected)
  })
})

test('completeLock adds a stub for what is named and not held, and leaves the rest', () => {
  const lock = {
    packages: {
      'node_modules/tool': {
        version: '1.0.0',
        optionalDependencies: { '@tool/darwin-x64': '1.0.0', '@tool/linux-x64': '1.0.0', other: '^2.0.0' },
      },
      'node_modules/@tool/linux-x64': { version: '1.0.0' },
    },
  }
  const { lock: whole, added } = completeLock(lock)
  expect(added).toEqual(['@tool/darwin-x64@1.0.0'])
  expect(whole.packages['node_modules/@tool/darwin-x64']).toEqual({
    version: '1.0.0',
    optional: true,
    os: ['darwin'],
    cpu: ['x64'],
  })
  expect(completeLock(whole).added).toEqual([])
})

test('every package of the lock can be told from another of the same name, those of other systems too', () => {
  expect(withoutIntegrity(JSON.parse(readFileSync('package-lock.json', 'utf8')))).toEqual([])
})

test('integrity is taken from the registry; what it does not say is named', async () => {
  const lock = {
    packages: { '': {}, 'node_modules/@a/b': { version: '1.0.0' }, 'node_modules/c': { version: '2.0.0' } },
  }
  const dist = { integrity: 'sha512-AA==', tarball: 'https://registry.example/b-1.0.0.tgz' }
  expect(await addIntegrity(lock, async (name: string) => (name === '@a/b' ? dist : null))).toEqual(['c@2.0.0'])
  expect(lock.packages['node_modules/@a/b']).toEqual({
    version: '1.0.0',
    resolved: dist.tarball,
    integrity: dist.integrity,
  })
})
