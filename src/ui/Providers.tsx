'use client'

import { ThemeProvider } from 'next-themes'
import { useServiceWorker } from './use-service-worker'

/** What every page stands in: the colours that the reader chose, or the machine's own. */
export function Providers({ children, nonce }: { readonly children: React.ReactNode; readonly nonce?: string }) {
  useServiceWorker()
  return (
    <ThemeProvider
      attribute="data-bs-theme"
      defaultTheme="system"
      enableSystem
      disableTransitionOnChange
      {...(nonce ? { nonce } : {})}
    >
      {children}
    </ThemeProvider>
  )
}
