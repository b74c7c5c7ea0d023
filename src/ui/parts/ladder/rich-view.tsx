import type { Card } from '@/core/surface'

/** Fields of a rich layout with those it lacks, and labels; nothing where the place shows neither. */
export function RichView({ rich, labels }: { rich: Card['rich']; labels: Card['labels'] }) {
  if (!rich && labels.length === 0) return null
  const rows = rich ? Object.entries(rich.fields) : labels.map(({ label, data }) => [label, data] as const)
  return (
    <section className="border-t border-line pt-[10px]">
      <h3 className="mb-[5px] font-semibold">{rich ? `Laid out as ${rich.kind}` : 'Labels'}</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-[2px] text-small">
        {rows.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="text-quiet">{name}</dt>
            <dd className="[overflow-wrap:anywhere]">{value}</dd>
          </div>
        ))}
      </dl>
      {rich && rich.lacks.length > 0 && (
        <p className="mt-1 text-small">
          It lacks <b className="font-semibold">{rich.lacks.join(', ')}</b>.
        </p>
      )}
    </section>
  )
}
