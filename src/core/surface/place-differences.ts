import { listed } from '../text'
import type { Face } from './face'
import type { Surface } from './profile'

/** One thing that some places do with a page's card and others don't, as a sentence for those that do. */
type Difference = { isSo: (face: Face) => boolean; says: (names: string, isOne: boolean) => string }

const isAlone = ({ layout }: Face) => layout === 'bare' || layout === 'not-listed'
/** A card as such: what is said of texts and pictures is said of these. */
const isCard = (face: Face) => !isAlone(face)

const DIFFERENCES: readonly Difference[] = [
  { isSo: isAlone, says: (names, isOne) => `${names} ${isOne ? 'shows' : 'show'} the address alone.` },
  {
    isSo: (face) => isCard(face) && face.description === '',
    says: (names, isOne) => `${names} ${isOne ? 'shows' : 'show'} no description.`,
  },
  {
    isSo: (face) => isCard(face) && face.layout === 'thumbnail',
    says: (names, isOne) => `${names} ${isOne ? 'shows' : 'show'} the picture small.`,
  },
  {
    isSo: (face) => isCard(face) && face.layout === 'text',
    says: (names, isOne) => `${names} ${isOne ? 'shows' : 'show'} no picture.`,
  },
  {
    isSo: (face) => isCard(face) && face.title.endsWith('…'),
    says: (names, isOne) => `${names} ${isOne ? 'cuts' : 'cut'} the title.`,
  },
]

/**
 * In what a page's cards differ from place to place, in sentences that need no word of the trade. What all places do
 * alike is no difference.
 */
export function placeDifferences(
  faces: Readonly<Record<string, Face>>,
  surfaces: readonly Pick<Surface, 'id' | 'name'>[],
): string[] {
  const seen = surfaces.flatMap(({ id, name }) => (faces[id] ? [{ name, face: faces[id] }] : []))
  return DIFFERENCES.flatMap(({ isSo, says }) => {
    const names = seen.filter(({ face }) => isSo(face)).map(({ name }) => name)
    return names.length === 0 || names.length === seen.length ? [] : [says(listed(names), names.length === 1)]
  })
}
