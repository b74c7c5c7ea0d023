import type { NextConfig } from 'next'

/** Workers don't inherit the page's policy: files that may become one carry their own. */
const assetPolicy =
  "default-src 'none'; script-src 'self'; connect-src 'self'; img-src 'self' blob: data:; font-src 'self'; style-src 'self'"

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // npm test checks types, of everything; a build for the demo need not do it again.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['sharp'],
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'no-referrer' },
        { key: 'X-Frame-Options', value: 'DENY' },
        { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
        { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=(), interest-cohort=()' },
      ],
    },
    { source: '/_next/static/:path*', headers: [{ key: 'Content-Security-Policy', value: assetPolicy }] },
  ],
}

export default config
