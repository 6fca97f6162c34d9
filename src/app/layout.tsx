import type { Metadata, Viewport } from 'next'
import type { ReactNode } from 'react'
import './globals.css'

export const metadata: Metadata = { title: { default: 'Istruzione', template: '%s · Istruzione' }, description: 'How a vehicle comes apart, computed from facts, and counted back.' }
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#0a5562' }

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body data-theme="desk">{children}</body>
    </html>
  )
}
