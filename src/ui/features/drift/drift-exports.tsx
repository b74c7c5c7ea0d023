'use client'

import { driftDocument } from '@/core/compare'
import { type DriftFormat, driftFormats } from '@/core/report'
import type { StoredRun } from '@/store/database'
import { saveFile } from '../../kit/save-file'
import { SheetMenu } from '../../parts/sheet/sheet-menu'
import { useSurfaces } from '../../state/surface/use-surfaces'
import { comparisonOf } from '../../state/wall/use-comparison'
import { sheetOfChanges } from './changed-sheet'

const FORMS: { id: DriftFormat; name: string; extension: string; mediaType: string }[] = [
  { id: 'html', name: 'A page to read', extension: 'html', mediaType: 'text/html' },
  { id: 'markdown', name: 'Markdown', extension: 'md', mediaType: 'text/markdown' },
  { id: 'text', name: 'Text', extension: 'txt', mediaType: 'text/plain' },
  { id: 'json', name: 'JSON', extension: 'json', mediaType: 'application/json' },
]

type Props = { before: StoredRun; after: StoredRun; surface: string }

/** What changed, in the forms that the command writes, and as a picture of the cards of one surface. */
export function DriftExports({ before, after, surface: id }: Props) {
  const surfaces = useSurfaces()
  const surface = surfaces.find((one) => one.id === id) ?? surfaces[0]!
  const { host } = new URL(after.source.site)
  const documents = FORMS.map(({ id: form, name, extension, mediaType }) => ({
    name,
    save: async () => {
      const { comparison } = await comparisonOf(before, after)
      const text = driftFormats[form](driftDocument(comparison, surfaces), surfaces)
      saveFile(`drift-${host}.${extension}`, text, mediaType)
    },
  }))
  const drawing = async () => {
    const { comparison } = await comparisonOf(before, after)
    return {
      file: `changed-${surface.id}-${host}`,
      drawing: await sheetOfChanges(before, after, comparison, surface),
    }
  }
  return (
    <SheetMenu
      name="Save what changed"
      cards={`Cards of ${surface.name}`}
      documents={documents}
      drawing={drawing}
      className="h-[28px]!"
    />
  )
}
