'use client'

import { say } from '@/core/words'

/** Last resort: says so plainly, keeps what waits in the browser, and tries again on request. */
export default function ErrorPage({ reset }: { readonly reset: () => void }) {
  return (
    <main className="message-page">
      <h1>{say`Something went wrong`}</h1>
      <p>{say`What you changed is saved, or waits in this browser and is sent when the page opens again.`}</p>
      <p>
        <button type="button" className="btn btn-primary" onClick={reset}>
          {say`Try again`}
        </button>{' '}
        <a href="/" className="ms-3">
          {say`Back to the yard`}
        </a>
      </p>
    </main>
  )
}
