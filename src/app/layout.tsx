import type { Metadata, Viewport } from 'next'
import type { ReactNode } from 'react'
import './globals.css'

// Every page is made for the request: it needs the session, and the policy's one-time nonce.
export const dynamic = 'force-dynamic'
export const metadata: Metadata = {
  title: { default: 'Istruzione', template: '%s · Istruzione' },
  description: 'How a vehicle comes apart, computed from facts, and counted back.',
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#0a5562' }

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body data-theme="desk">{children}</body>
    </html>
  )
}
