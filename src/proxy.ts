import { type NextRequest, NextResponse } from 'next/server'

/** A policy for one answer: scripts only with its nonce, everything from here. Styles: see docs/security.md. */
function policy(nonce: string): string {
  const isDevelopment = process.env.NODE_ENV === 'development'
  return [
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
  ].join('; ')
}

export function proxy(request: NextRequest) {
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64')
  const value = policy(nonce)
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', value)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', value)
  return response
}

export const config = { matcher: [{ source: '/((?!_next/static|_next/image|api/|icon.svg).*)' }] }
