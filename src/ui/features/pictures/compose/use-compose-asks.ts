'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useCallback, useMemo } from 'react'
import { type PictureTemplate, pageTexts, wantsPicture } from '@/core/compose'
import { ownPictures, titleNames } from '@/core/draft'
import { CENTER } from '@/core/image'
import type { GatheredPage, PageFacts } from '@/core/model'
import { ogImages, publicImageUrl } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { imageAt } from '@/store/images'
import { readStoredPage } from '@/store/pages'
import { templateFilesOf } from '@/store/templates'
import { thumbKey } from '@/store/thumb-key'
import type { ComposeAsk } from '@/workers/draw-composed'
import { useDefaults, useDrafts } from '../../../state/draft/use-drafts'
import { useFocuses } from '../../../state/pictures/use-focus'
import { drawnPicture, pictureAtHand } from '../../../state/pictures/whole-picture'
import { useCardContext } from '../../../state/run/use-card-context'
import { useSurfaces } from '../../../state/surface/use-surfaces'
import { faceOf, markPixels } from './template-blobs'

export type AskFor = (url: string, previewWidth: number | null) => Promise<ComposeAsk>

/** How a page of a section asks for its picture, with all that the template needs of it; null until that is read. */
export function useComposeAsks(run: StoredRun, section: string, template: PictureTemplate): AskFor | null {
  const { site } = run.source
  const context = useCardContext(run)
  const drafts = useDrafts(site)
  const defaults = useDefaults(site, run)
  const focuses = useFocuses(site)
  const places = useSurfaces()
  const kept = useLiveQuery(() => templateFilesOf(site), [site])
  const files = useMemo(() => kept && new Map(kept.map((file) => [file.name, file])), [kept])
  const wantsGround = wantsPicture(template)
  const ask = useCallback<AskFor>(
    async (url, previewWidth) => {
      if (!context || !files) throw new Error('The run is still being read.')
      const stored = await readStoredPage(run.id, url)
      if (!stored?.page.facts) throw new Error('The page was not read in this run.')
      const page: GatheredPage & { facts: PageFacts } = { ...stored.page, facts: stored.page.facts }
      const draft = drafts?.get(url) ?? null
      const mark = template.mark?.file ? files.get(template.mark.file) : undefined
      const font = template.face.file ? files.get(template.face.file) : undefined
      let ground: Blob | null = null
      let groundKey: string | null = null
      let focus = CENTER
      if (wantsGround) {
        const named = ogImages(page.facts).flatMap(
          ({ forms }) => publicImageUrl(page, forms[0]?.value ?? '', context) ?? [],
        )
        const urls = [...ownPictures(page, context).map((image) => image.url), ...named]
        for (const one of urls) {
          const image = await imageAt(run.id, one)
          const found = image && image.errorCode === null ? await pictureAtHand(image) : null
          if (image && found) {
            ground = (await drawnPicture(image, found)).blob
            groundKey = thumbKey(image)
            focus = focuses?.get(one) ?? CENTER
            break
          }
        }
      }
      return {
        template,
        texts: pageTexts(template, page, section, draft, titleNames(defaults, section)),
        ground,
        groundKey,
        focus,
        mark: mark ? await markPixels(mark) : null,
        markKey: mark ? faceOf(mark).key : null,
        face: font ? faceOf(font) : null,
        also: (template.face.also ?? []).flatMap((name) => files.get(name) ?? []).map(faceOf),
        previewWidth,
        places,
      }
    },
    [run.id, section, template, context, drafts, files, defaults, wantsGround, focuses, places],
  )
  return context && files && drafts && focuses && defaults.called ? ask : null
}
