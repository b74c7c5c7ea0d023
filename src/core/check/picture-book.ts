import { byLevel, type Finding, type GatheredPage, type PageFacts } from '../model'
import { type CardKind, cardKindOf, metasOf, publicImageUrl } from '../surface'
import { addTo, groupBy, isBlank } from '../text'
import type { CheckContext } from './context'
import { inWords } from './finding-words'
import type { PageVerdict } from './run-checks'

/** A page that names a picture for its cards: under which tags, with which alternative text. */
type PictureUse = { page: string; keys: string[]; alt: string | null; kind: CardKind | null }

/** What a finding says of a picture, once for all pages that say it. */
type PictureFinding = Pick<Finding, 'rule' | 'level' | 'said' | 'data'> & { pages: number }

/** A share picture, with all that a run knows of its use. */
export type PictureEntry = {
  url: string
  uses: PictureUse[]
  /** Other pages that show it in their content. */
  contentOf: string[]
  findings: PictureFinding[]
  /** Other addresses of the very same bytes. */
  same: string[]
  /** Addresses of pictures that look the same, of other bytes. */
  alike: string[]
}

const saidAlt = (metas: readonly { value: string | null }[]) => {
  const value = metas.find((meta) => !isBlank(meta.value))?.value
  return value ? value.trim() : null
}

function usesOf(page: GatheredPage & { facts: PageFacts }, context: CheckContext): [string, PictureUse][] {
  const kind = cardKindOf(page.facts)
  const cardAlt = saidAlt(metasOf(page.facts, 'twitter:image:alt'))
  return context.declaredImages(page).map(({ url, group }) => {
    const forms = group?.forms ?? []
    const inCard = ['twitter:image', 'twitter:image:src'].filter((key) =>
      metasOf(page.facts, key).some(({ value }) => value !== null && publicImageUrl(page, value, context) === url),
    )
    const keys = [...new Set([...forms.map(({ key }) => key), ...inCard])]
    const alt = (group?.alt && saidAlt([group.alt])) ?? (inCard.length > 0 ? cardAlt : null)
    return [url, { page: page.url, keys, alt, kind }]
  })
}

function findingsByPicture(pages: readonly PageVerdict[]): Map<string, PictureFinding[]> {
  const found = new Map<string, Map<string, PictureFinding>>()
  for (const { findings } of pages) {
    for (const { rule, level, said, data, image } of findings) {
      if (image === undefined) continue
      const key = `${rule}\n${inWords({ rule, said, ...(data ? { data } : {}) }).message}`
      const ofPicture = found.get(image) ?? new Map<string, PictureFinding>()
      found.set(image, ofPicture)
      const known = ofPicture.get(key)
      if (known) known.pages++
      else ofPicture.set(key, { rule, level, said, ...(data ? { data } : {}), pages: 1 })
    }
  }
  return new Map([...found].map(([url, ofPicture]) => [url, [...ofPicture.values()].sort(byLevel)]))
}

/** Pages by the pictures that their content shows. */
function contentUses(context: CheckContext): Map<string, string[]> {
  const shown = new Map<string, string[]>()
  for (const page of context.readable) {
    const urls = page.facts.contentImages.flatMap(({ src }) => publicImageUrl(page, src, context) ?? [])
    for (const url of new Set(urls)) addTo(shown, url, page.url)
  }
  return shown
}

/** Every share picture of a run, those that feed most pages first. One pass over the pages, with indexes. */
export function pictureBook(context: CheckContext, verdicts: readonly PageVerdict[]): PictureEntry[] {
  const uses = groupBy(
    context.readable.flatMap((page) => usesOf(page, context)),
    ([url]) => url,
  )
  const content = contentUses(context)
  const findings = findingsByPicture(verdicts)
  const named = [...uses.keys()]
  const byHash = groupBy(
    named.filter((url) => context.images.get(url)?.hash),
    (url) => context.images.get(url)!.hash!,
  )
  const alike = new Map(context.alikePictures().flatMap((group) => group.map((url) => [url, group] as const)))
  return [...uses]
    .map(([url, own]): PictureEntry => {
      const hash = context.images.get(url)?.hash
      const same = (hash ? (byHash.get(hash) ?? []) : []).filter((other) => other !== url)
      // One address stands for all of the same bytes where pictures are compared.
      const group = [url, ...same].flatMap((one) => alike.get(one) ?? [])
      const pages = new Set(own.map(([, { page }]) => page))
      return {
        url,
        uses: own.map(([, use]) => use),
        contentOf: (content.get(url) ?? []).filter((page) => !pages.has(page)),
        findings: findings.get(url) ?? [],
        same,
        alike: [...new Set(group)].filter((other) => other !== url && !same.includes(other)),
      }
    })
    .sort((a, b) => b.uses.length - a.uses.length || (a.url < b.url ? -1 : 1))
}

/** Kind of card that most of a picture's pages ask for. */
export function commonKind({ uses }: PictureEntry): CardKind | null {
  const counts = new Map<CardKind | null, number>()
  for (const { kind } of uses) counts.set(kind, (counts.get(kind) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null
}
