type Schema = Record<string, unknown>

const isSchema = (value: unknown): value is Schema =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * A schema of requirements that names what may be named: the ids of checks under `levels` and in waivers, and surfaces.
 *
 * @param checks with what each looks at, which an editor shows beside it
 */
export function withIds(
  schema: Schema,
  checks: readonly { id: string; about: string }[],
  surfaces: readonly string[],
): Schema {
  const visit = (value: unknown, key: string, parent: string): unknown => {
    if (Array.isArray(value)) return value.map((one) => visit(one, '', key))
    if (!isSchema(value)) return value
    if (key === 'levels' && isSchema(value['additionalProperties'])) {
      const { additionalProperties: level, propertyNames: _names, ...rest } = value
      const properties = Object.fromEntries(
        checks.map(({ id, about }) => [id, { ...(level as Schema), description: about }]),
      )
      return { ...rest, properties, additionalProperties: false }
    }
    if (key === 'rule' && value['type'] === 'string') return { ...value, enum: checks.map(({ id }) => id) }
    if (key === 'surfaces' && isSchema(value['items']) && parent !== 'ownSurfaces')
      return { ...value, items: { anyOf: [{ enum: surfaces }, value['items']] } }
    return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, visit(one, name, key)]))
  }
  return visit(schema, '', '') as Schema
}
