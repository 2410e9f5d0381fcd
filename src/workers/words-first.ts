/**
 * Before anything else of a worker: the wording of its page, whose address it bears as its name; in English it bears
 * none. At once, as what is read before it would stay in English; a worker may wait so, nobody looks at it.
 */
const { name } = globalThis as unknown as { readonly name?: string }
if (name?.startsWith('/words')) {
  try {
    const asked = new XMLHttpRequest()
    asked.open('GET', name, false)
    asked.send()
    // the script sets one global to data: what stands behind its first sign is read, not run
    if (asked.status === 200)
      (globalThis as { pyraxisSpoken?: unknown }).pyraxisSpoken = JSON.parse(
        asked.responseText.slice(asked.responseText.indexOf('=') + 1),
      )
  } catch {
    // without the server it speaks English
  }
}
export {}
