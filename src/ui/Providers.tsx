'use client'

import { ThemeProvider } from 'next-themes'

/** What every page stands in: the colours that the reader chose, or the machine's own. */
export function Providers({ children, nonce }: { readonly children: React.ReactNode; readonly nonce?: string }) {
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
