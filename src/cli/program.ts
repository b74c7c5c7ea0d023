import { Command, CommanderError, InvalidArgumentError } from 'commander'
import { globFault, limits, resolveAddress, shownAddress, withoutUnnamedHost } from '@/core/address'
import { CENTER } from '@/core/image'
import { VERSION } from '@/core/model'
import { driftFormats, reportFormats } from '@/core/report'
import { surfacesWith } from '@/core/surface'
import { nearestWord, terminalText } from '@/core/text'
import { CannotRun } from './cannot-run'
import { check, type FormatChoice } from './check'
import { compare } from './compare'
import { init } from './init'
import { list } from './list'
import { merge } from './merge'
import { openApp } from './open-app'
import { checkPart } from './part'
import { plainRun } from './plain-run'
import { refit } from './refit'
import { bytesOf, fillOf, focusOf, shapeOf } from './refit-arguments'
import { shardFrom } from './shard'
import { sign } from './sign'
import { watch } from './watch'
import { writeStandardOut } from './write-out'

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

/** URLs of hosts. @throws InvalidArgumentError for anything else */
function collectUrl(value: string, before: string[]): string[] {
  const url = resolveAddress(value, 'about:blank')
  if (url === null) throw new InvalidArgumentError(`“${value}” is not an http(s) URL, such as http://localhost:3000`)
  return [...before, url]
}

const collectGlob = (glob: string, before: string[]) => {
  const fault = globFault(glob) ?? (before.length < limits.globs ? null : `More than ${limits.globs} are not taken.`)
  if (fault !== null) throw new InvalidArgumentError(fault)
  return [...before, glob]
}

const FORMATS = reportFormats.map(({ id }) => id)

/** `json`, or `json=run.json`. */
const collectFormat = (text: string, before: FormatChoice[]): FormatChoice[] => {
  const [id, ...rest] = text.split('=')
  const format = FORMATS.find((known) => known === id)
  const near = format ? null : nearestWord(id ?? '', FORMATS)
  if (!format)
    throw new InvalidArgumentError(`It must be one of ${FORMATS.join(', ')}.${near ? ` Is ${near} meant?` : ''}`)
  const file = rest.length === 0 ? null : rest.join('=')
  if (file === '') throw new InvalidArgumentError(`A file’s name belongs after ${format}=.`)
  return [...before, { format, file }]
}

const shardOption = (text: string) => {
  const shard = shardFrom(text, process.env)
  if (typeof shard === 'string') throw new InvalidArgumentError(shard)
  return shard
}

const DRIFT_FORMATS = Object.keys(driftFormats)

const ourPlaces = surfacesWith([])
const askable = ourPlaces.filter(({ token }) => token !== null).map(({ id }) => id)

async function parsed(argv: string[]): Promise<number> {
  const program = new Command('nimble-parrot').exitOverride().configureOutput({
    outputError: (text, write) =>
      write(
        text
          .replace(/^error: /, 'nimble-parrot: ')
          .split('\n')
          .map((line) => terminalText(shownAddress(line)))
          .join('\n'),
      ),
  })
  program.version(VERSION)
  let exitCode = 0
  program
    .command('check')
    .description('Check every page of a site: a running address, a folder or zip of built HTML, a sitemap, a list.')
    .argument(
      '<source>',
      'an http(s) address, a folder, a .zip, a sitemap (.xml, .xml.gz), or a list of addresses (.txt)',
    )
    .option('--site <url>', 'production address, with a path when the site lives under one')
    .option('--rules <file>', 'requirements file; nimble-parrot.json is found by itself')
    .option('--format <format>', `${FORMATS.join(', ')}; F=FILE writes there (repeatable)`, collectFormat, [])
    .option('--out <file>', 'write there instead of standard output')
    .option('--fail-on <level>', 'error, warning, note or never', anyOf(['error', 'warning', 'note', 'never']), 'error')
    .option(
      '--max-pages <n>',
      `pages at most, as a part of what is asked; a run that ends at the default is not complete (default: ${limits.maxPages} for a crawl, ${limits.maxPagesOfBuild} else)`,
      wholeNumber(1),
    )
    .option('--max-depth <n>', `steps from the start at most, likewise (default: ${limits.maxDepth})`, wholeNumber(0))
    .option('--concurrency <n>', 'requests at a time', wholeNumber(1), limits.concurrency)
    .option('--delay <ms>', 'wait between requests', wholeNumber(0), 0)
    .option('--timeout <ms>', 'a request’s total time', wholeNumber(1), limits.timeoutMs)
    .option(
      '--pictures <how>',
      'whole: each once, for hash and transparency; header: only as much as the size needs',
      anyOf(['whole', 'header']),
      'whole',
    )
    .option(
      '--shard <i/n>',
      'only this part of a folder, zip, list or sitemap, for merge; auto takes it from the engine',
      shardOption,
    )
    .option('--watch', 'stay: look again at what changes, and print what went and came', false)
    .option('--baseline <file>', 'a run document: what it found already does not count')
    .option('--since <file>', 'an earlier run document or archive: what has not changed since is taken from it')
    .option('--signed-off <file>', 'a sign-off, or a run document that was signed: another content fails')
    .option(
      '--signers <file>',
      'whose signatures count: a name and a public key a line; --signed-off is held against it',
    )
    .option('--all', 'text, Markdown, HTML: every cause, not only those that stand most in the way', false)
    .option('--one-page', 'HTML: only the page that a client reads', false)
    .option('--ask <url>', 'a host that a document names and that may be asked for images (repeatable)', collectUrl, [])
    .option('--include <glob>', 'only these paths (repeatable)', collectGlob, [])
    .option('--exclude <glob>', 'not these paths (repeatable)', collectGlob, [])
    .option('--per-section <n>', 'pages of one section at most: a sample', wholeNumber(1))
    .option('--follow', 'with a list or a sitemap: crawl on from its addresses', false)
    .option('--build <folder>', 'with a list or a sitemap file: read its URLs out of this build, before launch')
    .option('--header <header>', 'sent to the site crawled: "Name: value" (repeatable)', collect, [])
    .option('--user <user:password>', 'Basic authentication for the site crawled')
    .option(
      '--ask-as <surface>',
      `ask with that surface’s crawler token, and say what differs from asking as ourselves: ${askable.join(', ')}`,
      anyOf(askable),
    )
    .option('--ignore-robots', 'crawl in spite of robots.txt', false)
    .allowExcessArguments(false)
    .action(async (source, options) => {
      if (options.watch) exitCode = await watch(source, options)
      else exitCode = options.shard ? await checkPart(source, options, options.shard) : await check(source, options)
    })
  program
    .command('merge')
    .description('Put the parts of one run together (check --shard), and judge the whole.')
    .argument('<part...>', 'run documents of the parts, all of them')
    .option('--rules <file>', 'requirements file; nimble-parrot.json is found by itself')
    .option('--format <format>', `${FORMATS.join(', ')}; F=FILE writes there (repeatable)`, collectFormat, [])
    .option('--out <file>', 'write there instead of standard output')
    .option('--fail-on <level>', 'error, warning, note or never', anyOf(['error', 'warning', 'note', 'never']), 'error')
    .option('--baseline <file>', 'a run document: what it found already does not count')
    .option('--signed-off <file>', 'a sign-off, or a run document that was signed: another content fails')
    .option(
      '--signers <file>',
      'whose signatures count: a name and a public key a line; --signed-off is held against it',
    )
    .option('--all', 'text, Markdown, HTML: every cause, not only those that stand most in the way', false)
    .option('--one-page', 'HTML: only the page that a client reads', false)
    .option('--ask <url>', 'a host that a document names and that may be asked for images (repeatable)', collectUrl, [])
    .allowExcessArguments(false)
    .action(async (parts, options) => {
      exitCode = await merge(parts, { ...plainRun, watch: false, ...options })
    })
  program
    .command('compare')
    .description('Hold two run documents against each other.')
    .argument('<before>', 'run document (JSON)')
    .argument('<after>', 'run document (JSON)')
    .option('--format <format>', DRIFT_FORMATS.join(', '), anyOf(DRIFT_FORMATS), 'text')
    .option('--out <file>', 'write there instead of standard output')
    .allowExcessArguments(false)
    .action(async (before, after, options) => {
      exitCode = await compare(before, after, options)
    })
  program
    .command('refit')
    .description('Make a share picture fit a shape and a weight.')
    .argument('<image>', 'picture')
    .requiredOption('--shape <size>', 'width and height, as 1200x630', shapeOf)
    .option('--focus <x,y>', 'what matters most, 0 to 1 from left and top', focusOf, CENTER)
    .option('--fill <how>', 'crop, extend, blur, or a colour as #rrggbb', fillOf, { kind: 'crop' })
    .option('--budget <size>', 'weight at most, as 100kB', bytesOf)
    .option('--type <format>', 'jpeg, png or webp; by default what --out says', anyOf(['jpeg', 'png', 'webp']))
    .requiredOption('--out <file>', 'file to write')
    .allowExcessArguments(false)
    .action(async (image, options) => {
      exitCode = await refit(image, options)
    })
  program
    .command('cards')
    .description('Draw cards as pictures; with an earlier run, each changed card beside what it was.')
    .argument('<source>', 'what check takes, or a run document (.json)')
    .option('--page <path>', 'only this page (repeatable)', collect, [])
    .option('--surface <id>', `only this place (repeatable): ${ourPlaces.map(({ id }) => id).join(', ')}`, collect, [])
    .option('--changed-since <file>', 'a run document: only cards that are others than there')
    .option('--site <url>', 'production address, with a path when the site lives under one')
    .option('--rules <file>', 'requirements file; nimble-parrot.json is found by itself')
    .option('--header <header>', 'sent to the site crawled: "Name: value" (repeatable)', collect, [])
    .option('--user <user:password>', 'Basic authentication for the site crawled')
    .option('--ask <url>', 'a host that a document names and that may be asked for images (repeatable)', collectUrl, [])
    .option('--overwrite', 'write over files of the folder that were not drawn before', false)
    .requiredOption('--out <place>', 'a .png, an .svg, or a folder: a picture of each page')
    .allowExcessArguments(false)
    .action(async (source, options) => {
      const { cards } = await import('./cards')
      exitCode = await cards(source, { ...plainRun, ...options })
    })
  program
    .command('compose')
    .description('Write share pictures from templates, for pages that have none.')
    .argument('<source>', 'what check takes')
    .requiredOption('--templates <file>', 'nimble-parrot-pictures.json, as the app saves it')
    .option('--site <url>', 'production address, with a path when the site lives under one')
    .option('--rules <file>', 'requirements file; nimble-parrot.json is found by itself')
    .option('--header <header>', 'sent to the site crawled: "Name: value" (repeatable)', collect, [])
    .option('--user <user:password>', 'Basic authentication for the site crawled')
    .requiredOption('--out <folder>', 'folder to write into: the build, or one beside it')
    .option('--overwrite', 'write over files that were not composed before', false)
    .allowExcessArguments(false)
    .action(async (source, options) => {
      const { compose } = await import('./compose')
      exitCode = await compose(source, { ...plainRun, ...options })
    })
  program
    .command('sign')
    .description('Sign what the cards of a run show; check --signed-off holds later runs against it.')
    .argument('<source>', 'a run document, or what check takes')
    .requiredOption('--by <name>', 'who signs')
    .option('--reason <text>', 'why it is signed though something is wrong or was not seen')
    .option('--site <url>', 'production URL, with a path when the site lives under one')
    .option('--rules <file>', 'requirements file; nimble-parrot.json is found by itself')
    .option('--header <header>', 'sent to the site crawled: "Name: value" (repeatable)', collect, [])
    .option('--user <user:password>', 'Basic authentication for the site crawled')
    .option('--key <file>', 'a private key of Ed25519 (PEM, or as ssh-keygen makes it) to sign with')
    .option('--signers <file>', 'whose signatures count: the key has to be there under the name')
    .requiredOption('--out <file>', 'the sign-off, such as sign-off.json')
    .allowExcessArguments(false)
    .action(async (source, options) => {
      exitCode = await sign(source, { ...plainRun, ...options })
    })
  program
    .command('list')
    .description('Write the addresses of a source’s pages, one a line; nothing is judged.')
    .argument('<source>', 'what check takes')
    .option('--site <url>', 'production address, with a path when the site lives under one')
    .option('--include <glob>', 'only these paths (repeatable)', collectGlob, [])
    .option('--exclude <glob>', 'not these paths (repeatable)', collectGlob, [])
    .option('--header <header>', 'sent to the site crawled: "Name: value" (repeatable)', collect, [])
    .option('--user <user:password>', 'Basic authentication for the site crawled')
    .option('--out <file>', 'a .txt, which check takes as a list; else standard output')
    .allowExcessArguments(false)
    .action(async (source, options) => {
      exitCode = await list(source, { ...plainRun, pictures: 'header', ...options })
    })
  program
    .command('init')
    .description('Write nimble-parrot.json, which says what the site must have, and a workflow when asked.')
    .option('--site <url>', 'production address')
    .option(
      '--workflow [file]',
      'write a workflow that checks each pull request; .github/workflows/cards.yml by default',
    )
    .option('--folder <folder>', 'where the build writes its pages', './dist')
    .allowExcessArguments(false)
    .action(async (options) => {
      await writeStandardOut(await init(options))
    })
  if (argv.length <= 2) return openApp()
  await program.parseAsync(argv)
  return exitCode
}

/**
 * Runs the command with the arguments of a process.
 * @returns the exit code: 0 clear, 1 findings at or above --fail-on (or drift, or a budget that can't be met), 2 could
 * not run or could not tell, with one line on standard error
 */
export async function runCommand(argv: string[]): Promise<number> {
  try {
    return await parsed(argv)
  } catch (error) {
    // The parser has said it already.
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2
    const message = error instanceof CannotRun ? error.message : error instanceof Error ? error.message : String(error)
    process.stderr.write(`nimble-parrot: ${terminalText(withoutUnnamedHost(shownAddress(message)))}\n`)
    return 2
  }
}
