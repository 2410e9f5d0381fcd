/** the service worker's own name for pages that it shows while the server is away */
const KEPT_IN = 'pages'
const PAUSE_MS = 400

const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, PAUSE_MS))

/**
 * Lets pages open without the server that were never opened on this device: fetched one by one beside the work, where
 * the browser keeps pages at all.
 * @param paths of pages, the most wanted first
 * @param goOn  asked between two
 */
export async function keepPages(paths: readonly string[], goOn: () => boolean): Promise<void> {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator) || !('caches' in window)) return
  await navigator.serviceWorker.ready
  const kept = await caches.open(KEPT_IN)
  for (const path of paths) {
    if (!goOn()) return
    if (await kept.match(path)) continue
    const answer = await fetch(path, { headers: { accept: 'text/html' } }).catch(() => null)
    if (!answer) return
    if (answer.ok && !answer.redirected) await kept.put(path, answer)
    await pause()
  }
}
