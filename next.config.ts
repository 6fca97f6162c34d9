import type { NextConfig } from 'next'

const config: NextConfig = {
  turbopack: { root: import.meta.dirname },
  serverExternalPackages: ['pg', 'pino', 'sharp', '@react-pdf/renderer'],
  poweredByHeader: false,
  devIndicators: false,
  distDir: process.env.ISTRUZIONE_BUILD_DIR ?? '.next',
  experimental: { serverActions: { bodySizeLimit: '4mb' } },
}

export default config
