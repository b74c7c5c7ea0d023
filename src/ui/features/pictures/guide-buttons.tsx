'use client'

import { keepZoneGuide } from '@/core/compose'
import type { Shape } from '@/core/image'
import { saveFile } from '../../kit/save-file'
import { asPixels } from '../../state/pictures/whole-picture'
import { useSurfaces } from '../../state/surface/use-surfaces'

/** The keep zone of the refit's shape, to lay over a drawing in any program. */
export function GuideButtons({ shape }: { shape: Shape }) {
  const { width, height } = shape
  const surfaces = useSurfaces()
  const name = `keep-zone-${width}x${height}`
  const svg = () => keepZoneGuide(shape, surfaces, 'summary_large_image')
  const savePng = async () => {
    const png = await asPixels(new Blob([svg()], { type: 'image/svg+xml' }), width, height)
    saveFile(`${name}.png`, new Uint8Array(await png.arrayBuffer()), 'image/png')
  }
  return (
    <p className="flex flex-wrap items-center gap-2 pt-2 text-small text-quiet">
      The zone as a guide for a drawing program, {width} × {height}:
      <button
        type="button"
        className="button h-[26px]! px-2!"
        onClick={() => saveFile(`${name}.svg`, svg(), 'image/svg+xml')}
      >
        Save SVG
      </button>
      <button type="button" className="button h-[26px]! px-2!" onClick={() => void savePng()}>
        Save PNG
      </button>
    </p>
  )
}
