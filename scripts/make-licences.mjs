// Writes docs/licences.md: every package that is shipped or run, with its licence, as the lock file says.
import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const here = (path) => fileURLToPath(new URL(path, import.meta.url))
export const LICENCES = here('../docs/licences.md')

/** Packages of a lock that are there when the program runs, each once, by name. */
export function shippedPackages(lock) {
  const shipped = new Map()
  for (const [at, entry] of Object.entries(lock.packages)) {
    if (!at.includes('node_modules/') || entry.dev || entry.link) continue
    const name = at.slice(at.lastIndexOf('node_modules/') + 'node_modules/'.length)
    shipped.set(`${name}@${entry.version}`, { name, version: entry.version, licence: entry.license ?? null })
  }
  return [...shipped.values()].sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0))
}

/** The same as a page. A package whose licence the lock does not hold has that of the package it is a binary of. */
export function licencesPage(lock) {
  const packages = shippedPackages(lock)
  const binaryOf = new Map()
  for (const { license, optionalDependencies = {} } of Object.values(lock.packages))
    for (const name of Object.keys(optionalDependencies)) if (license) binaryOf.set(name, license)
  const rows = packages.map(({ name, version, licence }) => {
    const known = licence ?? binaryOf.get(name) ?? 'not said'
    return `| ${name} | ${version} | ${known} |`
  })
  return `# Licences

Nimble Parrot is under the MIT licence. It runs with these packages, each under its own (made by \`npm run licences\`
from the lock file; packages that only develop and test it are left out).

| package | version | licence |
| ------- | ------- | ------- |
${rows.join('\n')}
`
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  writeFileSync(LICENCES, licencesPage(JSON.parse(readFileSync(here('../package-lock.json'), 'utf8'))))
