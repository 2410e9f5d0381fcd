import '@fontsource/barlow/latin-400.css'
import '@fontsource/barlow/latin-500.css'
import '@fontsource/barlow/latin-600.css'
import '@fontsource/barlow-condensed/latin-500.css'
import '@fontsource/barlow-condensed/latin-600.css'
import '@fontsource/ibm-plex-mono/latin-400.css'
import '@fontsource/ibm-plex-mono/latin-600.css'
import '@/ui/theme.scss'
import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import { Providers } from '@/ui/Providers'
import { languageSpoken, say } from '@/core/words'
import { pageScript } from './language'

/**
 * What has the framework take a script before anything of the page runs, as its own script component with
 * "beforeInteractive" writes it; that component itself would be part of every page, of those in English too.
 */
const taken = (src: string): string => `(self.__next_s=self.__next_s||[]).push([${JSON.stringify(src)},{}])`

export const metadata: Metadata = {
  title: 'Pyraxis',
  description: say`Plans, proves and records the fitting of add-on electric fans.`,
}
export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: '#f5f2ea' },
    { media: '(prefers-color-scheme: dark)', color: '#1c2422' },
  ],
}

export default async function Layout({ children }: { readonly children: React.ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined
  const words = pageScript()
  return (
    <html lang={languageSpoken()?.tag ?? 'en'} suppressHydrationWarning>
      <body>
        {words && <script nonce={nonce} dangerouslySetInnerHTML={{ __html: taken(words.address) }} />}
        <Providers {...(nonce ? { nonce } : {})}>{children}</Providers>
      </body>
    </html>
  )
}
