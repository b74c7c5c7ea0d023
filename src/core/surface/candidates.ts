import { withoutUnnamedHost } from '../address'
import type { GatheredPage, MetaFact, PageFacts, TagPosition } from '../model'
import { collapseWhiteSpace, forLast, isBlank } from '../text'
import { absent, type Candidate } from './ladder'
import type { ImageSource, TextSource } from './profile'

const fromMeta = (meta: MetaFact, value: string | null): Candidate => ({
  from: meta.key,
  // A tag without content is there, and says nothing.
  value: value ?? '',
  line: meta.line,
  column: meta.column,
  endByte: meta.endByte,
})

/** Metas by key of the page that was asked about last. */
let keyed: { facts: PageFacts; of: Map<string, MetaFact[]> } | null = null
const NONE: readonly MetaFact[] = []

function metasByKey(facts: PageFacts): Map<string, MetaFact[]> {
  const of = new Map<string, MetaFact[]>()
  for (const meta of facts.metas) {
    if (meta.attribute !== 'name' && meta.attribute !== 'property') continue
    const same = of.get(meta.key)
    if (same) same.push(meta)
    else of.set(meta.key, [meta])
  }
  return of
}

/** Metas of a key; `property` and `name` are both read, other attributes are not. */
export function metasOf(facts: PageFacts, key: string): readonly MetaFact[] {
  if (keyed?.facts !== facts) keyed = { facts, of: metasByKey(facts) }
  return keyed.of.get(key) ?? NONE
}

/** What a page says under a key: the first value that is not blank, trimmed; null when there is none. */
export function firstValue(facts: PageFacts, key: string): string | null {
  return (
    metasOf(facts, key)
      .find((meta) => !isBlank(meta.value))
      ?.value?.trim() ?? null
  )
}

const metaCandidatesOfLast = forLast<readonly Candidate[]>()

/** Candidates that metas of a key give, in document order; one absent candidate when there is no such tag. */
export function metaCandidates(facts: PageFacts, key: string): readonly Candidate[] {
  return metaCandidatesOfLast(facts, null, key, () => {
    const found = metasOf(facts, key).map((meta) => fromMeta(meta, collapseWhiteSpace(meta.value ?? '')))
    return found.length > 0 ? found : [absent(key)]
  })
}

const fromText = (from: string, value: string | null, at: TagPosition | null): Candidate => ({
  from,
  value,
  line: at?.line ?? null,
  column: at?.column ?? null,
  endByte: at?.endByte ?? 0,
})

/** Candidates for a text, in the order of the sources given. */
export function textCandidates(page: GatheredPage, sources: readonly TextSource[]): Candidate[] {
  const { facts } = page
  return sources.flatMap((source): readonly Candidate[] => {
    if (source === 'address') return [{ ...absent('address'), value: withoutUnnamedHost(page.url) }]
    if (!facts) return [absent(source)]
    if (source === 'title') return [fromText('title', facts.title, facts.at.title)]
    if (source === 'h1') return [fromText('h1', facts.h1, facts.at.h1)]
    if (source === 'first-paragraph') return [fromText(source, facts.firstParagraph, facts.at.firstParagraph)]
    return metaCandidates(facts, source)
  })
}

/** One picture that og:image tags describe: its address forms, and the size they declare. */
export type OgImage = {
  forms: MetaFact[]
  width: MetaFact | null
  height: MetaFact | null
  alt: MetaFact | null
  type: MetaFact | null
}

const ADDRESS_FORMS = new Set(['og:image', 'og:image:url', 'og:image:secure_url'])
const STRUCTURED = ['width', 'height', 'alt', 'type'] as const

const picturesOfLast = forLast<readonly OgImage[]>()

/**
 * Groups og:image tags into pictures. Structured properties belong to the picture before them (Open Graph protocol);
 * `og:image:url` and `og:image:secure_url` are forms of it, unless it has that form already.
 */
export const ogImages = (facts: PageFacts): readonly OgImage[] =>
  picturesOfLast(facts, null, '', () => groupedPictures(facts))

function groupedPictures(facts: PageFacts): OgImage[] {
  const images: OgImage[] = []
  for (const meta of facts.metas) {
    if (meta.attribute !== 'property' && meta.attribute !== 'name') continue
    const last = images.at(-1)
    if (ADDRESS_FORMS.has(meta.key)) {
      const isNew = meta.key === 'og:image' || !last || last.forms.some((form) => form.key === meta.key)
      if (isNew) images.push({ forms: [meta], width: null, height: null, alt: null, type: null })
      else last.forms.push(meta)
      continue
    }
    for (const property of STRUCTURED) {
      if (last && meta.key === `og:image:${property}`) last[property] ??= meta
    }
  }
  return images
}

const hasValue = (meta: MetaFact) => collapseWhiteSpace(meta.value ?? '') !== ''

/** Forms of one picture in order of preference: where og:image is on http, its secure form goes first. */
function preferredForms({ forms }: OgImage): MetaFact[] {
  const plain = forms.filter((form) => form.key !== 'og:image:secure_url')
  const secure = forms.filter((form) => form.key === 'og:image:secure_url' && hasValue(form))
  const isOnHttp = plain.some((form) => /^\s*http:/i.test(form.value ?? ''))
  return isOnHttp ? [...secure, ...plain] : [...plain, ...forms.filter((form) => form.key === 'og:image:secure_url')]
}

/** A place takes no content picture smaller than this, where it gives no minimum of its own. */
const CONTENT_IMAGE_LEAST_PX = 200
/** Pictures of the content that are looked at. */
const CONTENT_IMAGES_LOOKED_AT = 5

/** Pictures of the content that a place might take: the first few, those declared small left out. */
export function likelyContentImages(facts: PageFacts): PageFacts['contentImages'] {
  return facts.contentImages
    .filter(
      ({ width, height }) =>
        (width ?? Infinity) >= CONTENT_IMAGE_LEAST_PX && (height ?? Infinity) >= CONTENT_IMAGE_LEAST_PX,
    )
    .slice(0, CONTENT_IMAGES_LOOKED_AT)
}

const imagesOfLast = forLast<readonly Candidate[]>()

/** Candidates for the picture, in the order of the sources given; values are addresses as written. */
export function imageCandidates(facts: PageFacts, sources: readonly ImageSource[]): readonly Candidate[] {
  return imagesOfLast(facts, null, sources.join(' '), () => candidatesOf(facts, sources))
}

function candidatesOf(facts: PageFacts, sources: readonly ImageSource[]): Candidate[] {
  return sources.flatMap((source): Candidate[] => {
    if (source === 'content-image') {
      const images = likelyContentImages(facts)
      const found = images.map((image) => ({ ...fromText('content-image', image.src, image), value: image.src }))
      return found.length > 0 ? found : [absent(source)]
    }
    if (source === 'og:image') {
      const found = ogImages(facts).flatMap(preferredForms)
      return found.length > 0 ? found.map((meta) => fromMeta(meta, meta.value?.trim() ?? '')) : [absent(source)]
    }
    const found = metasOf(facts, source)
    return found.length > 0 ? found.map((meta) => fromMeta(meta, meta.value?.trim() ?? '')) : [absent(source)]
  })
}
