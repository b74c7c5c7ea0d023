import type { StoredRun } from '@/store/database'

/** Which tags of a page say only a placeholder, in a run that is tried; nothing elsewhere. */
export function PlaceholdersSaid({ run, url }: { run: StoredRun; url: string }) {
  const tags = run.tried?.placeholders?.[url]
  if (!tags) return null
  return (
    <p className="rounded-[5px] border border-dashed border-quiet px-2 py-1 text-small">
      {tags.length === 1 ? 'A placeholder' : 'Placeholders'}, until somebody writes or draws{' '}
      {tags.length === 1 ? 'it' : 'them'}: <span className="font-mono text-fine">{tags.join(', ')}</span>
    </p>
  )
}
