import type { Check, Family } from './define-check'

const FAMILIES: Record<Family, string> = {
  text: 'Text',
  'open-graph': 'Open Graph and cards',
  image: 'Pictures',
  access: 'Addresses and access',
  'rich-data': 'Rich data and sharing',
}

const SCOPES: Record<Check['scope'], string> = {
  page: 'each page that could be read',
  access: 'each page, read or not',
  image: 'each share picture, once',
  site: 'all pages together',
}

/** A message with its places to fill shown as such. */
const words = (text: string) => text.replace(/\{(\w+)\}/g, '‹$1›').replaceAll('<', '&lt;')

function describeOne(check: Check): string {
  const says = Object.values(check.messages).map(({ says: said, fix }) => `- ${words(said)} *${words(fix)}*`)
  return `### ${check.id}\n\n**${check.level}**, looks at ${SCOPES[check.scope]}. ${words(check.looksAt)} ${words(check.why)}\n\n${says.join('\n')}\n`
}

/** All checks as a page of Markdown: what docs/checks.md holds. */
export function describeChecks(checks: readonly Check[]): string {
  const intro = `# Checks

Written by \`npm run docs\` from the checks in \`src/core/check/rules\`; change it there.

Each check has an id that never changes meaning, a level (\`error\` stands in the way of a launch, \`warning\` and \`note\` do not), and says what is wrong and the one change that mends it. A check that could not be made (a picture that was not fetched) is listed as skipped, never as passed. ${checks.length} checks.
`
  const parts = Object.entries(FAMILIES).map(([family, name]) => {
    const members = checks.filter((check) => check.family === family)
    return `## ${name}\n\n${members.map(describeOne).join('\n')}`
  })
  return [intro, ...parts].join('\n')
}
