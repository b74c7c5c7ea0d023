// Prints the JSON Schemas of the package, by file name: scripts/build-command.mjs writes them.
import { checks, requirementsJsonSchema } from '../src/core/check'
import { templatesJsonSchema } from '../src/core/compose'
import { runDocumentJsonSchema } from '../src/core/document'
import { builtInSurfaces } from '../src/core/surface'
import { withIds } from './schema-ids'

const address = (name: string) => `https://nimble-parrot.example/schemas/${name}`
const ids = checks.map(({ id, looksAt }) => ({ id, about: looksAt }))

const made = {
  'requirements.schema.json': withIds(
    { ...requirementsJsonSchema() },
    ids,
    builtInSurfaces.map(({ id }) => id),
  ),
  'picture-templates.schema.json': templatesJsonSchema(),
  'run-document.schema.json': runDocumentJsonSchema(),
}
process.stdout.write(
  JSON.stringify(
    Object.fromEntries(Object.entries(made).map(([name, schema]) => [name, { $id: address(name), ...schema }])),
  ),
)
