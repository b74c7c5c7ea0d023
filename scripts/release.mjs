// npm run release: what has to hold before a version is published. Writes release/ and publishes nothing.
import { spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { withoutIntegrity } from './complete-lock.mjs'
import { LICENCES, licencesPage } from './make-licences.mjs'
import { root } from './setup.mjs'

const faults = []
const lock = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'))
const npm = (...args) => spawnSync('npm', args, { cwd: root, encoding: 'utf8', maxBuffer: 64_000_000 })

for (const { name, version } of withoutIntegrity(lock)) faults.push(`${name}@${version} has no integrity: npm run lock`)
if (readFileSync(LICENCES, 'utf8') !== licencesPage(lock)) faults.push('docs/licences.md is old: npm run licences')

const audit = npm('audit', '--omit=dev', '--audit-level=moderate')
if (audit.status !== 0) faults.push(`npm audit: ${(audit.stdout || audit.stderr).trim()}`)

// The bill of materials in CycloneDX, an open standard (ECMA-424).
const bill = npm('sbom', '--sbom-format=cyclonedx', '--sbom-type=application', '--omit=dev')
if (bill.status === 0) {
  mkdirSync(join(root, 'release'), { recursive: true })
  writeFileSync(join(root, 'release', 'sbom.cdx.json'), bill.stdout)
  console.log(`release/sbom.cdx.json: ${JSON.parse(bill.stdout).components.length} components`)
} else faults.push(`npm sbom: ${bill.stderr.trim()}`)

for (const fault of faults) console.error(fault)
process.exitCode = faults.length > 0 ? 1 : 0
