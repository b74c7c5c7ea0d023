import '@fontsource-variable/bricolage-grotesque/index.css'
import '@fontsource-variable/hanken-grotesk/index.css'
import '@fontsource-variable/jetbrains-mono/index.css'
import '@fontsource/arimo/400.css'
import '@fontsource/arimo/600.css'
import '@fontsource/arimo/700.css'
import './globals.css'
import type { Metadata } from 'next'
import { connection } from 'next/server'
import type { ReactNode } from 'react'

export const metadata: Metadata = {
  title: 'Nimble Parrot',
  description: 'See the card that every kind of place would show for a link to each of your pages, before launch.',
}

export default async function Layout({ children }: { children: ReactNode }) {
  // A page that is rendered for each request can carry the nonce of its own policy; a prerendered one could not.
  await connection()
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  )
}
