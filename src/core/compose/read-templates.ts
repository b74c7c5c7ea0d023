import { z } from 'zod'
import { PatternFault, parseText } from '../draft'
import { type FileFault, parseJson, pathText, schemaFaults } from '../model'
import { type Surface, surfacesWith } from '../surface'
import { nearestWord } from '../text'
import { type PictureTemplate, PictureTemplates } from './template'

export type ReadTemplates = { ok: true; templates: PictureTemplates } | { ok: false; faults: FileFault[] }

/** A pattern that a template writes: any text will do, with or without parts. */
export function patternFault(source: string): string | null {
  try {
    parseText(source)
    return null
  } catch (error) {
    if (error instanceof PatternFault) return error.message
    throw error
  }
}

function templateFaults(template: PictureTemplate, path: readonly PropertyKey[], ids: readonly string[]): FileFault[] {
  const patterns: [string[], string | undefined][] = [
    [['title', 'text'], template.title.text],
    [['line', 'text'], template.line?.text],
    [['mark', 'text'], template.mark?.text],
  ]
  const faults = patterns.flatMap(([at, source]) => {
    const message = source === undefined ? null : patternFault(source)
    return message === null ? [] : [{ path: pathText([...path, ...at]), message }]
  })
  if (template.title.smallest > template.title.largest)
    faults.push({
      path: pathText([...path, 'title', 'smallest']),
      message: `It is ${template.title.smallest}; it must not be more than largest, ${template.title.largest}.`,
    })
  for (const [index, id] of (template.places ?? []).entries()) {
    if (ids.includes(id)) continue
    const near = nearestWord(id, ids)
    faults.push({
      path: pathText([...path, 'places', index]),
      message: `There is no surface “${id}”.${near ? ` Is “${near}” meant?` : ''}`,
    })
  }
  return faults
}

/**
 * Reads `nimble-parrot-pictures.json`. Never throws: every fault is named with its path and what is allowed there.
 *
 * @param places of the site; ours without it
 */
export function readTemplates(text: string, places: readonly Surface[] = surfacesWith([])): ReadTemplates {
  const read = parseJson(text)
  if (!read.ok) return read
  const faults = schemaFaults(PictureTemplates, read.value)
  if (faults.length > 0) return { ok: false, faults }
  const templates = PictureTemplates.parse(read.value)
  const ids = places.map(({ id }) => id)
  const own = Object.entries(templates.sections).flatMap(([section, template]) =>
    templateFaults(template, ['sections', section], ids),
  )
  return own.length > 0 ? { ok: false, faults: own } : { ok: true, templates }
}

/** Files that templates name, each once. */
export const filesNamedBy = (templates: PictureTemplates): string[] => [
  ...new Set(
    Object.values(templates.sections).flatMap(({ face, mark }) =>
      [face.file ?? [], face.also ?? [], mark?.file ?? []].flat(),
    ),
  ),
]

/** The JSON Schema that is published in docs/. */
export function templatesJsonSchema(): object {
  return { title: 'Nimble Parrot picture templates', ...z.toJSONSchema(PictureTemplates, { io: 'input' }) }
}
