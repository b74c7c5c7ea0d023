// Writes the documents that are made from code: npm run docs
import { writeFileSync } from 'node:fs'
import { checks, describeChecks, requirementsJsonSchema } from '../src/core/check'
import { templatesJsonSchema } from '../src/core/compose'
import { runDocumentJsonSchema } from '../src/core/document'
import { builtInSurfaces, describeSurfaces } from '../src/core/surface'

writeFileSync(new URL('../docs/surfaces.md', import.meta.url), describeSurfaces(builtInSurfaces))
writeFileSync(new URL('../docs/checks.md', import.meta.url), describeChecks(checks))
writeFileSync(
  new URL('../docs/requirements.schema.json', import.meta.url),
  `${JSON.stringify(requirementsJsonSchema(), null, 2)}\n`,
)
writeFileSync(
  new URL('../docs/picture-templates.schema.json', import.meta.url),
  `${JSON.stringify(templatesJsonSchema(), null, 2)}\n`,
)
writeFileSync(
  new URL('../docs/run-document.schema.json', import.meta.url),
  `${JSON.stringify(runDocumentJsonSchema(), null, 2)}\n`,
)
