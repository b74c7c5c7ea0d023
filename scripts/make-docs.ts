// Writes the documents that are made from code: npm run docs
import { writeFileSync } from 'node:fs'
import { describeChecks } from '../src/core/check/describe-checks'
import { checks } from '../src/core/check/rules'
import { templatesJsonSchema } from '../src/core/image/compose/read-templates'
import { requirementsJsonSchema } from '../src/core/requirements/read-requirements'
import { describeSurfaces } from '../src/core/surface/describe-surfaces'
import { surfaces } from '../src/core/surface/profiles'

writeFileSync(new URL('../docs/surfaces.md', import.meta.url), describeSurfaces(surfaces))
writeFileSync(new URL('../docs/checks.md', import.meta.url), describeChecks(checks))
writeFileSync(
  new URL('../docs/requirements.schema.json', import.meta.url),
  `${JSON.stringify(requirementsJsonSchema(), null, 2)}\n`,
)
writeFileSync(
  new URL('../docs/picture-templates.schema.json', import.meta.url),
  `${JSON.stringify(templatesJsonSchema(), null, 2)}\n`,
)
