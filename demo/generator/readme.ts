import { troubles } from './troubles'
import { edits } from './week-later'

/** The demo's list of troubles, from the same data that makes them. */
export function readme(pageCount: number): string {
  const rows = troubles.map(
    ({ file, what, finds }) => `| ${file} | ${what} | ${finds.map((id) => `\`${id}\``).join(' ') || '–'} |`,
  )
  return `# Brasswick Mending Hall

A made-up repair hall, as a static site generator would build its site: ${pageCount} pages in \`demo/site\`, meant for
https://brasswick.example. Written by \`npm run demo:build\` from \`demo/generator\`; nothing here is edited by hand.

\`node demo/server.mjs\` serves it (\`--port\`, \`--delay\` in milliseconds a page).

About half of the pages are right. The others have these troubles, and the tests go by this list. A dash means that
the trouble shows on the cards and that no check speaks of it yet.

| page | what is wrong | findings |
|---|---|---|
${rows.join('\n')}

## A week later

\`demo/edited\` holds what an edit changes of the site, and \`gone.txt\` what it takes away: \`node demo/server.mjs --edited\`
serves the site with it.

${edits.map((edit) => `- ${edit}`).join('\n')}
`
}
