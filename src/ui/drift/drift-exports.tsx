'use client'

import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { driftDocument } from '@/core/compare/drift'
import { type DriftFormat, driftFormats } from '@/core/compare/drift-reports'
import type { StoredRun } from '@/store/database'
import { saveFile } from '../shared/save-file'
import { useSurfaces } from '../surface/use-surfaces'
import { comparisonOf } from './use-comparison'

const FORMS: { id: DriftFormat; name: string; extension: string; mediaType: string }[] = [
  { id: 'html', name: 'A page to read', extension: 'html', mediaType: 'text/html' },
  { id: 'markdown', name: 'Markdown', extension: 'md', mediaType: 'text/markdown' },
  { id: 'text', name: 'Text', extension: 'txt', mediaType: 'text/plain' },
  { id: 'json', name: 'JSON', extension: 'json', mediaType: 'application/json' },
]

/** What changed, in the forms that the command writes. */
export function DriftExports({ before, after }: { before: StoredRun; after: StoredRun }) {
  const surfaces = useSurfaces()
  const [fault, setFault] = useState<string | null>(null)
  const save = async ({ id, extension, mediaType }: (typeof FORMS)[number]) => {
    try {
      const { comparison } = await comparisonOf(before, after)
      const text = driftFormats[id](driftDocument(comparison, surfaces))
      saveFile(`drift-${new URL(after.source.site).host}.${extension}`, text, mediaType)
      setFault(null)
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error))
    }
  }
  return (
    <>
      {fault && (
        <span role="alert" className="text-wrong">
          {fault}
        </span>
      )}
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="button h-[28px]!">
          Save what changed <span aria-hidden="true">▾</span>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-30 w-[180px] rounded-card border border-line bg-sheet p-1 text-ink shadow-xl"
          >
            {FORMS.map((form) => (
              <DropdownMenu.Item
                key={form.id}
                onSelect={() => void save(form)}
                className="cursor-pointer rounded px-2 py-[6px] outline-none data-highlighted:bg-soft"
              >
                {form.name}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  )
}
