import { type NextRequest, NextResponse } from 'next/server'
import { isAllowedHost } from '@/io/same-origin'

const isDevelopment = process.env.NODE_ENV === 'development'

/** Pages: scripts only with this answer's nonce, everything from here. Styles: see docs/security.md. */
const pagePolicy = (nonce: string) =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${isDevelopment ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
    // Text becomes an address of code through the one policy of the layout alone; while developing, modules are texts.
    ...(isDevelopment ? [] : ["require-trusted-types-for 'script'", `trusted-types ${TRUSTED_TYPES.join(' ')}`]),
  ].join('; ')

/** Scripts that may become a worker, which does not inherit the policy of its page. */
const ASSET_POLICY =
  "default-src 'none'; script-src 'self'; connect-src 'self'; img-src 'self' blob: data:; font-src 'self'; style-src 'self'; frame-ancestors 'none'"

/** Data and pictures: opened by themselves they can run nothing, whatever they hold. */
const DATA_POLICY = "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'; sandbox"

/** The names under which the framework and the layout make their policies. */
const TRUSTED_TYPES = ['default', 'nextjs', 'nextjs#bundler']

function policyFor(path: string, nonce: string): string {
  if (path.startsWith('/_next/static/')) return ASSET_POLICY
  return path.startsWith('/api/') || path === '/icon.svg' ? DATA_POLICY : pagePolicy(nonce)
}

/** Every answer, of an unknown path and of a fault too, has a policy; no other name than ours is answered. */
export function proxy(request: NextRequest) {
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64')
  const policy = policyFor(request.nextUrl.pathname, nonce)
  const host = request.headers.get('host') ?? ''
  if (!isAllowedHost(host)) {
    const headers = { 'content-security-policy': DATA_POLICY, 'content-type': 'text/plain; charset=utf-8' }
    return new NextResponse('This server does not answer as that name.\n', { status: 403, headers })
  }
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  return response
}
