import { withoutUnnamedHost } from '@/core/address'

export { plural as count } from '@/core/text'

/** `09:12:04`, in the reader's own time. */
export function clockTime(iso: string): string {
  return new Date(iso).toLocaleTimeString('en-GB')
}

/** `23 Nov, 09:12`; with seconds `23 Nov, 09:12:04`. */
export function dayAndTime(iso: string, hasSeconds = false): string {
  return new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    ...(hasSeconds && { second: '2-digit' }),
  })
}

/** `38 KB`, `1.2 MB`: powers of ten. */
export function bytes(number: number): string {
  if (number < 1000) return `${number} bytes`
  if (number < 999_500) return `${Math.round(number / 1000)} KB`
  return number < 999_500_000 ? `${(number / 1_000_000).toFixed(1)} MB` : `${(number / 1_000_000_000).toFixed(1)} GB`
}

/** Host, and path where there is one, without the scheme. */
export function shortAddress(url: string): string {
  const plain = withoutUnnamedHost(url)
  if (plain !== url) return plain === '/' ? 'no production URL yet' : plain
  return url.replace(/^https?:\/\//, '').replace(/\/$/, '')
}

/** `12 s`, `3 min 20 s`. */
export function duration(ms: number): string {
  const seconds = Math.max(1, Math.round(ms / 1000))
  return seconds < 90 ? `${seconds} s` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`
}
