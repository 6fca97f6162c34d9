import type { NextConfig } from 'next'

const config: NextConfig = {
  turbopack: { root: import.meta.dirname },
  serverExternalPackages: ['pg', 'pino', 'sharp', 'piscina', 'prom-client', '@react-pdf/renderer'],
  poweredByHeader: false,
  devIndicators: false,
  distDir: process.env.ISTRUZIONE_BUILD_DIR ?? '.next',
  // bin/test has checked the types already: a second time takes half a minute.
  typescript: { ignoreBuildErrors: process.env.ISTRUZIONE_TYPES_CHECKED === '1' },
  experimental: { serverActions: { bodySizeLimit: '4mb' } },
}

export default config
