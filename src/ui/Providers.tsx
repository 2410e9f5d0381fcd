'use client'

import { ThemeProvider } from 'next-themes'

/** What every page stands in: the colours that the reader chose, or the machine's own. */
export function Providers({ children }: { readonly children: React.ReactNode }) {
  return (
    <ThemeProvider attribute="data-bs-theme" defaultTheme="system" enableSystem disableTransitionOnChange>
      {children}
    </ThemeProvider>
  )
}
