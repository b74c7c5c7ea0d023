'use client'

/** Whether a field is set, taken out, or inherits, and from where. */
export function FieldState({
  value,
  inheritedFrom,
}: {
  value: string | null | undefined
  inheritedFrom: string | null
}) {
  const words =
    typeof value === 'string'
      ? 'set here'
      : value === null
        ? 'taken out'
        : inheritedFrom
          ? `from ${inheritedFrom}`
          : 'nothing to inherit'
  return <span className="text-fine text-quiet">{words}</span>
}
