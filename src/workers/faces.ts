/** A font file that ships with the app, as its style sheet declares it. `source` is an absolute address. */
export type ShippedFace = { family: string; source: string; weight: string; unicodeRange: string }

/** A font file that somebody chose; `key` changes with its bytes. */
export type OwnFace = { key: string; blob: Blob }

type FaceScope = { fonts: { add(face: FontFace): void; load(font: string, text: string): Promise<FontFace[]> } }
const { fonts } = self as unknown as FaceScope

const known = new Set<string>()

/** Declares the faces that ship with the app; each is read only when a text needs it. */
export function declareFaces(faces: readonly ShippedFace[]): void {
  for (const { family, source, weight, unicodeRange } of faces) {
    if (known.has(source)) continue
    known.add(source)
    fonts.add(new FontFace(family, `url("${source}")`, { weight, ...(unicodeRange && { unicodeRange }) }))
  }
}

/** Family under which a file's face is known here. */
const ownFamily = (key: string) => `own ${[...key].map((letter) => letter.codePointAt(0)!.toString(36)).join('')}`

async function addOwn({ key, blob }: OwnFace): Promise<string> {
  const family = ownFamily(key)
  if (!known.has(family)) {
    // For every weight: a variable font follows what is asked for, and no other is made bold by smearing it.
    const face = new FontFace(family, await blob.arrayBuffer(), { weight: '1 1000' })
    try {
      await face.load()
    } catch {
      throw new Error('The font file can’t be read. WOFF2, WOFF, TTF and OTF can.')
    }
    fonts.add(face)
    known.add(family)
  }
  return family
}

const SAMPLE = 'mmmmmmmmmwwlliIQ@'

/** Does this computer have a family? It sets a text otherwise than both of two very different faces. */
function isInstalled(family: string): boolean {
  const pen = new OffscreenCanvas(8, 8).getContext('2d')!
  const width = (font: string) => {
    pen.font = font
    return pen.measureText(SAMPLE).width
  }
  return ['monospace', 'serif'].some((plain) => width(`72px ${plain}`) !== width(`72px "${family}", ${plain}`))
}

/** The face whose letters stand in for those that all others lack, on every computer: it ships with the app. */
const LAST = 'Arimo'

/**
 * Makes a face ready for drawing.
 *
 * @param also files whose letters stand in for those that it lacks, in this order
 * @param texts all that will be written in it
 * @returns the family list for a canvas; `chosen`: that of the faces that somebody named; whether the face is there at all
 */
export async function readyFace(
  family: string,
  weight: number,
  own: OwnFace | null,
  also: readonly OwnFace[],
  texts: string,
): Promise<{ families: string; chosen: string; isKnown: boolean }> {
  const name = own ? await addOwn(own) : family.replace(/["\\\n]/g, '')
  const behind: string[] = []
  for (const file of also) behind.push(await addOwn(file))
  // A face that is not there leaves the list empty, and is no fault.
  const loaded = await fonts.load(`${weight} 40px "${name}"`, texts).catch(() => [])
  const listed = (names: readonly string[]) => [...new Set(names)].map((one) => `"${one}"`).join(', ')
  const chosen = listed([name, ...behind])
  const families = listed([name, ...behind, LAST])
  await fonts.load(`${weight} 40px ${families}`, texts).catch(() => [])
  return { families, chosen, isKnown: own !== null || loaded.length > 0 || isInstalled(name) }
}
