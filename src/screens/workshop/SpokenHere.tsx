'use client'

import { useState } from 'react'
import { useRouter } from 'next/navigation'
import Form from 'react-bootstrap/Form'
import { languages, type LanguageTag, say } from '@/core/words'
import { troubleOf } from '@/ui/ask-server'
import type { Workshop } from './SaysOfItself'

const ASK_MS = 500
const ASK_TIMES = 60

interface Health {
  readonly language?: string
  readonly startsAgain?: boolean
}

const health = (): Promise<Health | null> =>
  fetch('/api/health', { cache: 'no-store' }).then(
    (answer) => answer.json() as Promise<Health>,
    () => null,
  )

const pause = (): Promise<void> =>
  new Promise((go) => {
    setTimeout(go, ASK_MS)
  })

/** Waits until the server speaks a language. @returns 'never' where nobody starts it again */
async function untilSpoken(language: LanguageTag): Promise<'spoken' | 'never' | 'not yet'> {
  for (let n = 0; n < ASK_TIMES; n++) {
    const said = await health()
    if (said?.language === language) return 'spoken'
    if (said && said.startsAgain === false) return 'never'
    await pause()
  }
  return 'not yet'
}

/** The language of everything here: one for the whole workshop. What people wrote stays as they wrote it. */
export function SpokenHere({ workshop }: { readonly workshop: Workshop }) {
  const router = useRouter()
  const [said, setSaid] = useState<{ readonly wrong: boolean; readonly words: string } | null>(null)
  const [chosen, setChosen] = useState<LanguageTag>(workshop.language)
  const choose = async (language: LanguageTag): Promise<void> => {
    setChosen(language)
    const kept: Workshop = { ...workshop, language }
    const message = await troubleOf('/api/settings', kept, 'PUT')
    if (message !== null) {
      setSaid({ wrong: true, words: message })
      setChosen(workshop.language)
      return
    }
    setSaid({ wrong: false, words: say`Pyraxis starts again, to speak it …` })
    const now = await untilSpoken(language)
    if (now === 'spoken') window.location.reload()
    else {
      router.refresh()
      setSaid({ wrong: false, words: say`Kept. It is spoken from the next start of Pyraxis on.` })
    }
  }
  return (
    <section aria-label={say`Language`}>
      <h2>{say`Language`}</h2>
      <Form>
        <Form.Group controlId="workshop-language">
          <Form.Label className="mb-0">{say`Language of everything here, numbers and days too`}</Form.Label>
          <Form.Select value={chosen} onChange={(e) => void choose(e.target.value as LanguageTag)}>
            {(Object.keys(languages) as LanguageTag[]).map((tag) => (
              <option key={tag} value={tag} lang={tag}>
                {languages[tag]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </Form>
      {said ? (
        <p className={`small ${said.wrong ? 'verdict-short' : 'soft'}`} role={said.wrong ? 'alert' : 'status'}>
          {said.words}
        </p>
      ) : (
        <p className="small soft">
          {say`What people wrote stays as they wrote it; a sheet stays in the language it was signed in.`}
        </p>
      )}
    </section>
  )
}
