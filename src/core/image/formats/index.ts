import type { FormatReader } from '../format-reader'
import { avif } from './avif'
import { bigTiff } from './big-tiff'
import { bmp } from './bmp'
import { gif } from './gif'
import { ico } from './ico'
import { jpeg } from './jpeg'
import { png } from './png'
import { svg } from './svg'
import { tiff } from './tiff'
import { webp } from './webp'

/** Every format that is known, most frequent first; `svg` last, since it alone must read text. */
export const formatReaders: readonly FormatReader[] = [jpeg, png, webp, avif, gif, ico, bmp, tiff, bigTiff, svg]
