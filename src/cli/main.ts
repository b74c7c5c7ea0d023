import { Command, CommanderError, InvalidArgumentError } from 'commander'
import { limits } from '@/core/crawl/limits'
import { surfaces } from '@/core/surface/profiles'
import { CannotRun } from './cannot-run'
import { check } from './check'

const wholeNumber = (least: number) => (text: string) => {
  const number = Number(text)
  if (!Number.isInteger(number) || number < least)
    throw new InvalidArgumentError(`It must be a whole number from ${least} on.`)
  return number
}

const anyOf = (choices: readonly string[]) => (text: string) => {
  if (!choices.includes(text)) throw new InvalidArgumentError(`It must be one of ${choices.join(', ')}.`)
  return text
}

const collect = (value: string, before: string[]) => [...before, value]

const askable = surfaces.filter(({ token }) => token !== null).map(({ id }) => id)

/** The command. Exit codes: 0 clear, 1 findings at or above --fail-on, 2 could not run. */
async function main(argv: string[]): Promise<number> {
  const program = new Command('nimble-parrot').exitOverride().configureOutput({
    outputError: (text, write) => write(text.replace(/^error: /, 'nimble-parrot: ')),
  })
  let exitCode = 0
  program
    .command('check')
    .description('Check every page of a site: a running address, a folder or zip of built HTML, a sitemap, a list.')
    .argument(
      '<source>',
      'an http(s) address, a folder, a .zip, a sitemap (.xml, .xml.gz), or a list of addresses (.txt)',
    )
    .option('--site <url>', 'production address, with a path when the site lives under one')
    .option('--format <format>', 'text or json', anyOf(['text', 'json']), 'text')
    .option('--out <file>', 'write there instead of standard output')
    .option('--fail-on <level>', 'error, warning, note or never', anyOf(['error', 'warning', 'note', 'never']), 'error')
    .option('--max-pages <n>', 'pages at most', wholeNumber(1), limits.maxPages)
    .option('--max-depth <n>', 'steps from the start at most', wholeNumber(0), limits.maxDepth)
    .option('--concurrency <n>', 'requests at a time', wholeNumber(1), limits.concurrency)
    .option('--delay <ms>', 'wait between requests', wholeNumber(0), 0)
    .option('--timeout <ms>', 'a request’s total time', wholeNumber(1), limits.timeoutMs)
    .option('--include <glob>', 'only these paths (repeatable)', collect, [])
    .option('--exclude <glob>', 'not these paths (repeatable)', collect, [])
    .option('--per-section <n>', 'pages of one section at most: a sample', wholeNumber(1))
    .option('--follow', 'with a list or a sitemap: crawl on from its addresses', false)
    .option('--header <header>', 'sent to the site crawled: "Name: value" (repeatable)', collect, [])
    .option('--user <user:password>', 'Basic authentication for the site crawled')
    .option('--ask-as <surface>', `ask with that surface’s crawler token: ${askable.join(', ')}`, anyOf(askable))
    .option('--ignore-robots', 'crawl in spite of robots.txt', false)
    .allowExcessArguments(false)
    .action(async (source, options) => {
      exitCode = await check(source, options)
    })
  await program.parseAsync(argv)
  return exitCode
}

try {
  process.exitCode = await main(process.argv)
} catch (error) {
  if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? 0 : 2
  else {
    const message = error instanceof CannotRun ? error.message : error instanceof Error ? error.message : String(error)
    process.stderr.write(`nimble-parrot: ${message}\n`)
    process.exitCode = 2
  }
}
