import { describe, expect, test } from 'vitest'
import { completeLock, platformOf } from './complete-lock.mjs'

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
