import { parseUrl } from '@/core/address'

/** Why a request is refused; null when it comes from our own page. */
export function refusalOf(request: Request, needsJson: boolean): string | null {
  const { headers } = request
  const host = headers.get('host') ?? ''
  if (!isAllowedHost(host)) return `This server does not answer as “${host}”.`
  const site = headers.get('sec-fetch-site')
  if (site !== null && site !== 'same-origin' && site !== 'none') return 'Requests from other sites are not answered.'
  const origin = headers.get('origin')
  // `request.url` may claim another scheme or host than was asked for: the Host header is what the browser connected to.
  if (origin !== null && hostOf(origin) !== host) return 'Requests from other origins are not answered.'
  if (needsJson && site === null && origin === null)
    return 'Requests that don’t say where they come from are not answered.'
  if (needsJson && mediaType(headers) !== 'application/json') return 'Only JSON is read here.'
  return null
}

/** The type of a body without its parameters, exactly. */
const mediaType = (headers: Headers) => (headers.get('content-type') ?? '').split(';', 1)[0]!.trim().toLowerCase()

function hostOf(origin: string): string | null {
  return parseUrl(origin)?.host ?? null
}

/** A name that a stranger's DNS could point at this machine is refused, unless it was allowed by name. */
export function isAllowedHost(host: string): boolean {
  const name = host.replace(/:\d+$/, '').toLowerCase()
  const allowed = (process.env['NIMBLE_PARROT_HOSTS'] ?? '').split(',').map((one) => one.trim().toLowerCase())
  return name === 'localhost' || name === '127.0.0.1' || name === '[::1]' || (name !== '' && allowed.includes(name))
}

export const refused = (reason: string, status = 403) => Response.json({ error: reason }, { status })
