#!/usr/bin/env node
// What only asks for words is answered from a file, made when the package was: the program itself is not loaded for it.
import { readFileSync } from 'node:fs'

const args = process.argv.slice(2)
const isHelp = (word) => word === '--help' || word === '-h'
const words = () => JSON.parse(readFileSync(new URL('./words.json', import.meta.url), 'utf8'))

const asked =
  args.length === 1 && (args[0] === '--version' || args[0] === '-V')
    ? words().version
    : args.length === 1 && isHelp(args[0])
      ? words().help['']
      : args.length === 2 && isHelp(args[1])
        ? words().help[args[0]]
        : undefined
if (asked === undefined) await import('./cli.mjs')
else process.stdout.write(asked)
