import type { NextConfig } from 'next'
import { limits } from './src/core/address/limits'

const config: NextConfig = {
  poweredByHeader: false,
  // Traces what the built server loads: the packed app takes that and no more.
  output: 'standalone',
  reactStrictMode: true,
  devIndicators: false,
  // The app alone: its tests and tools are checked by npm test.
  typescript: { tsconfigPath: 'tsconfig.app.json' },
  serverExternalPackages: ['sharp'],
  // A request that hands over what an earlier run read may have 60 MB; beyond this the framework would cut it in silence.
  experimental: { proxyClientMaxBodySize: limits.earlierRequestBytes + 1_000_000 },
  // Pictures come through a route of ours, or as they are: nothing else decodes them on the server.
  images: { unoptimized: true },
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
  ],
}

export default config
