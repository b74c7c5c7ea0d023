import type { Edit } from '@/core/cause'

/** What stands at one side of an edit, in words where there is nothing to quote. */
function Side({ value, isTo }: { value: string | null; isTo: boolean }) {
  if (value === null) return <span className="whitespace-nowrap text-quiet">{isTo ? 'left out' : 'not there'}</span>
  if (value === '') return <span className="text-quiet">empty</span>
  // Names of a rule are set off from what is written as it stands.
  return value.split(/(\{[^{}]*\})/).map((part, index) =>
    part.startsWith('{') ? (
      <span key={index} className="rounded-[3px] bg-pick-soft px-[3px]">
        {part.slice(1, -1)}
      </span>
    ) : (
      part
    ),
  )
}

/** Edits of a cause, a tag a row: what it says, and what it should say. */
export function EditList({ edits }: { edits: readonly Edit[] }) {
  const hasBasis = edits.some(({ basis }) => basis !== undefined)
  return (
    <table className="w-full border-collapse text-small">
      <thead>
        <tr className="text-left text-quiet">
          <th className="py-1 pr-4 font-normal">Tag</th>
          <th className="py-1 pr-4 font-normal">Now</th>
          <th className="py-1 pr-4 font-normal">Then</th>
          {hasBasis && <th className="py-1 font-normal max-md:hidden">Because of</th>}
        </tr>
      </thead>
      <tbody className="font-mono text-fine">
        {edits.map(({ tag, from, to, basis }) => (
          <tr key={`${tag} ${from} ${to}`} className="border-t border-line align-baseline">
            <td className="py-[5px] pr-4 whitespace-nowrap">{tag}</td>
            <td className="py-[5px] pr-4 [overflow-wrap:anywhere]">
              <Side value={from} isTo={false} />
            </td>
            <td className="py-[5px] pr-4 [overflow-wrap:anywhere]">
              <Side value={to} isTo />
              {basis && <span className="block font-sans text-small text-quiet md:hidden">because of {basis}</span>}
            </td>
            {hasBasis && <td className="py-[5px] font-sans text-small text-quiet max-md:hidden">{basis}</td>}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
