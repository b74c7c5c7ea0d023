// The regular expressions of the program, as its source has them. npm run patterns: looks for an input that any of
// them would take the square of, by an automaton and by trying (takes half a minute).
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import ts from 'typescript'
import { root } from './setup.mjs'

/** @returns each pattern once: its source, its flags, and the places where it stands */
export function patternsOfSource() {
  const found = new Map()
  for (const file of readdirSync(join(root, 'src'), { recursive: true })) {
    if (!/\.tsx?$/.test(file) || /\.test\.tsx?$|\btesting\b/.test(file)) continue
    const text = readFileSync(join(root, 'src', file), 'utf8')
    const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true)
    const visit = (node) => {
      if (node.kind === ts.SyntaxKind.RegularExpressionLiteral) {
        const literal = node.getText()
        const at = `src/${file}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}`
        const end = literal.lastIndexOf('/')
        const known = found.get(literal) ?? { source: literal.slice(1, end), flags: literal.slice(end + 1), places: [] }
        found.set(literal, { ...known, places: [...known.places, at] })
      }
      ts.forEachChild(node, visit)
    }
    visit(source)
  }
  return [...found.values()]
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  process.env.RECHECK_BACKEND = 'pure'
  const { checkSync } = await import('recheck')
  const patterns = patternsOfSource()
  for (const { source, flags, places } of patterns) {
    const { status, complexity, attack } = checkSync(source, flags, { timeout: 10_000 })
    if (status === 'safe') continue
    process.exitCode = 1
    console.error(
      `/${source}/${flags} at ${places.join(', ')}: ${complexity?.summary ?? status} ${attack?.pattern ?? ''}`,
    )
  }
  console.log(`${patterns.length} patterns looked at.`)
}
