import '@fontsource/barlow/latin-400.css'
import '@fontsource/barlow/latin-500.css'
import '@fontsource/barlow/latin-600.css'
import '@fontsource/barlow-condensed/latin-500.css'
import '@fontsource/barlow-condensed/latin-600.css'
import '@fontsource/ibm-plex-mono/latin-400.css'
import '@fontsource/ibm-plex-mono/latin-600.css'
import '@/ui/theme.scss'
import type { Metadata, Viewport } from 'next'

export const metadata: Metadata = { title: 'Pyraxis', description: 'Plans, proves and records the fitting of add-on electric fans.' }
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#f5f2ea' }

export default function Layout({ children }: { readonly children: React.ReactNode }) {
  return <html lang="en"><body>{children}</body></html>
}
