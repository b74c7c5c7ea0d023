import '@fontsource-variable/bricolage-grotesque/index.css'
import '@fontsource-variable/hanken-grotesk/index.css'
import '@fontsource-variable/jetbrains-mono/index.css'
import '@fontsource/arimo/400.css'
import '@fontsource/arimo/600.css'
import '@fontsource/arimo/700.css'
import './globals.css'
import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { connection } from 'next/server'
import type { ReactNode } from 'react'

export const metadata: Metadata = {
  description: 'See the card that every kind of place would show for a link to each of your pages, before launch.',
}

/**
 * The policy by which text becomes an address of code: files of this server's own build and nothing else. There is none
 * for markup or code, so that both are refused.
 */
const TRUSTED_TYPES_POLICY = `window.trustedTypes?.createPolicy('default', {
  createScriptURL: (text) => {
    const url = new URL(text, document.baseURI)
    return url.origin === location.origin && url.pathname.startsWith('/_next/static/') ? text : null
  },
})`

export default async function Layout({ children }: { children: ReactNode }) {
  // A page that is rendered for each request can carry the nonce of its own policy; a prerendered one could not.
  await connection()
  const nonce = (await headers()).get('x-nonce') ?? undefined
  return (
    <html lang="en">
      <head>
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: a constant of ours, which has to run before all else. */}
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: TRUSTED_TYPES_POLICY }} />
      </head>
      <body>{children}</body>
    </html>
  )
}
