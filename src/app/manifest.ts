import type { MetadataRoute } from 'next'

/** As it is installed on a phone or a bench computer. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Pyraxis',
    short_name: 'Pyraxis',
    description: 'Plans, proves and records the fitting of add-on electric fans.',
    start_url: '/',
    display: 'standalone',
    background_color: '#f5f2ea',
    theme_color: '#f5f2ea',
    icons: [
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
      { src: '/app-icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/app-icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  }
}
