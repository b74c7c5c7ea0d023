'use client'

import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { driftDocument } from '@/core/compare/drift'
import { type DriftFormat, driftFormats } from '@/core/compare/drift-reports'
import type { StoredRun } from '@/store/database'
import { saveFile } from '../shared/save-file'
import { type SheetForm, saveSheet } from '../sheet/save-sheet'
import { useSurfaces } from '../surface/use-surfaces'
import { sheetOfChanges } from './changed-sheet'
import { comparisonOf } from './use-comparison'

const FORMS: { id: DriftFormat; name: string; extension: string; mediaType: string }[] = [
  { id: 'html', name: 'A page to read', extension: 'html', mediaType: 'text/html' },
  { id: 'markdown', name: 'Markdown', extension: 'md', mediaType: 'text/markdown' },
  { id: 'text', name: 'Text', extension: 'txt', mediaType: 'text/plain' },
  { id: 'json', name: 'JSON', extension: 'json', mediaType: 'application/json' },
]

/** What changed, in the forms that the command writes. */
export function DriftExports({ before, after, surface: id }: { before: StoredRun; after: StoredRun; surface: string }) {
  const surfaces = useSurfaces()
  const surface = surfaces.find((one) => one.id === id) ?? surfaces[0]!
  const [fault, setFault] = useState<string | null>(null)
  const host = new URL(after.source.site).host
  const attempt = async (work: () => Promise<void>) => {
    try {
      await work()
      setFault(null)
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error))
    }
  }
  const saveCards = (form: SheetForm) =>
    attempt(async () => {
      const { comparison } = await comparisonOf(before, after)
      const drawing = await sheetOfChanges(before, after, comparison, surface)
      await saveSheet(`changed-${surface.id}-${host}`, drawing, form)
    })
  const save = (form: (typeof FORMS)[number]) =>
    attempt(async () => {
      const { comparison } = await comparisonOf(before, after)
      const text = driftFormats[form.id](driftDocument(comparison, surfaces))
      saveFile(`drift-${host}.${form.extension}`, text, form.mediaType)
    })
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
            className="z-30 w-[250px] rounded-card border border-line bg-sheet p-1 text-ink shadow-xl"
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
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            {(['png', 'svg'] as const).map((form) => (
              <DropdownMenu.Item
                key={form}
                onSelect={() => void saveCards(form)}
                className="cursor-pointer rounded px-2 py-[6px] outline-none data-highlighted:bg-soft"
              >
                Cards of {surface.name} as {form.toUpperCase()}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  )
}
