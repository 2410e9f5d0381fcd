/** What went wrong, beside what it went wrong with; nothing where nothing did. */
export function Trouble({ words }: { readonly words: string | null }) {
  if (!words) return null
  return (
    <p className="say say-short" role="alert">
      {words}
    </p>
  )
}
