'use client'

import { useState } from 'react'
import { filesNamedBy, type PictureTemplates, readTemplates } from '@/core/compose'
import type { FileFault } from '@/core/model'
import { focusesOf, takeFocuses } from '@/store/focuses'
import { takeTemplates, templateFilesOf, templatesOf } from '@/store/templates'
import { FileButton } from '../../../kit/file-button'
import { saveFile } from '../../../kit/save-file'
import { textOfFile } from '../../../kit/text-of-file'
import { count } from '../../../kit/words'
import { onPicture } from '../../../state/pictures/picture-worker'

const NAME = 'nimble-parrot-pictures.json'

/** The site's templates as a file, for the folder in which its requirements lie. */
export function TemplateFiles({ site, onTaken }: { site: string; onTaken: () => void }) {
  const [faults, setFaults] = useState<FileFault[]>([])
  const [said, setSaid] = useState('')
  const save = async () => {
    const focuses = await focusesOf(site)
    const templates: PictureTemplates = {
      format: 'nimble-parrot-picture-templates',
      version: 1,
      sections: await templatesOf(site),
      ...(focuses.size > 0 && { focuses: Object.fromEntries(focuses) }),
    }
    const text = `${JSON.stringify(templates, null, 2)}\n`
    const named = filesNamedBy(templates)
    setFaults([])
    if (named.length === 0) {
      saveFile(NAME, text, 'application/json')
      setSaid(`${count(Object.keys(templates.sections).length, 'template')} saved.`)
      return
    }
    const kept = (await templateFilesOf(site)).filter(({ name }) => named.includes(name))
    const files: Record<string, Uint8Array> = { [NAME]: new TextEncoder().encode(text) }
    for (const file of kept) files[file.name] = new Uint8Array(await file.blob.arrayBuffer())
    saveFile('nimble-parrot-pictures.zip', await onPicture('pack', { files }), 'application/zip')
    setSaid(`Saved with ${count(named.length, 'file')}: unpack it beside nimble-parrot.json.`)
  }
  const open = async (chosen: File[]) => {
    setSaid('')
    const json = chosen.find(({ name }) => /\.json$/i.test(name))
    if (!json) {
      setFaults([{ path: 'the choice', message: `There is no .json among it. Choose ${NAME} and the files it names.` }])
      return
    }
    const read = readTemplates(await textOfFile(json))
    setFaults(read.ok ? [] : read.faults)
    if (!read.ok) return
    const named = filesNamedBy(read.templates)
    // A file dialog gives names without folders.
    const files = named.flatMap((name) => {
      const blob = chosen.find((file) => file.name === name.split('/').at(-1))
      return blob ? [{ name, blob, savedAt: Date.now() }] : []
    })
    await takeTemplates(site, read.templates.sections, files)
    await takeFocuses(site, read.templates.focuses ?? {})
    const kept = await templateFilesOf(site)
    const missing = named.filter((name) => !kept.some((file) => file.name === name))
    if (missing.length > 0)
      setFaults([{ path: missing.join(', '), message: 'The templates name it. Choose it together with them.' }])
    setSaid(`${count(Object.keys(read.templates.sections).length, 'template')} taken over.`)
    onTaken()
  }
  return (
    <div className="border-t border-line px-3 py-2 text-small">
      <span className="flex items-center gap-2">
        <span className="min-w-0 flex-1 text-quiet">All templates</span>
        <button type="button" className="button h-[26px]! px-2!" onClick={() => void save()}>
          Save
        </button>
        <FileButton
          className="h-[26px]! px-2!"
          asks="several"
          label="Templates to open, with the files that they name"
          onChosen={(files) => void open(files)}
        >
          Open
        </FileButton>
      </span>
      <p aria-live="polite" className="text-quiet">
        {said}
      </p>
      {faults.length > 0 && (
        <ul role="alert" className="text-wrong">
          {faults.map(({ path, message }) => (
            <li key={path + message}>
              <code className="break-all">{path}</code>: {message}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
