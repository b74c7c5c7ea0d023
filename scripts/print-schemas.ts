// Prints the JSON Schemas of the package, by file name: scripts/build-command.mjs writes them.
import { checks } from '../src/core/check/rules'
import { templatesJsonSchema } from '../src/core/image/compose/read-templates'
import { requirementsJsonSchema } from '../src/core/requirements/read-requirements'
import { surfaces } from '../src/core/surface/profiles'
import { withIds } from './schema-ids'

const address = (name: string) => `https://nimble-parrot.example/schemas/${name}`
const ids = checks.map(({ id, looksAt }) => ({ id, about: looksAt }))

const made = {
  'requirements.schema.json': withIds(
    { ...requirementsJsonSchema() },
    ids,
    surfaces.map(({ id }) => id),
  ),
  'picture-templates.schema.json': templatesJsonSchema(),
}
process.stdout.write(
  JSON.stringify(
    Object.fromEntries(Object.entries(made).map(([name, schema]) => [name, { $id: address(name), ...schema }])),
  ),
)
