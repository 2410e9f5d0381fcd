import Link from 'next/link'
import { type Fitted, fitsOf } from '@/core/plan'
import { mounts } from '@/core/job'
import { listKits, listParts, theStore } from '@/store'
import { Ready } from '@/ui/Ready'
import { orTrouble } from '../trouble'
import { Sideways } from '@/ui/Sideways'
import { say } from '@/core/words'

export const dynamic = 'force-dynamic'

const MOST_UNTRIED = 12

/** One line a model and kit. */
function FittedTable({ fitted }: { readonly fitted: readonly Fitted[] }) {
  if (fitted.length === 0) return <p>{say`No job has a fan yet.`}</p>
  return (
    <Sideways>
      <table className="plain-table">
        <thead>
          <tr>
            <th scope="col">{say`model`}</th>
            <th scope="col">{say`fan`}</th>
            <th scope="col">{say`controller`}</th>
            <th scope="col">{say`held by`}</th>
            <th scope="col" className="text-end">
              {say`signed`}
            </th>
            <th scope="col" className="text-end">
              {say`open`}
            </th>
            <th scope="col" className="text-end">
              {say`ended`}
            </th>
            <th scope="col">{say`jobs`}</th>
          </tr>
        </thead>
        <tbody>
          {fitted.map((f) => (
            <tr key={`${f.model}${f.fan}${f.controller}${f.mount}`}>
              <th scope="row">{f.model}</th>
              <td>{f.fan}</td>
              <td>{f.controller}</td>
              <td>{mounts[f.mount].name}</td>
              <td className="figure-text text-end">{f.signed || '–'}</td>
              <td className="figure-text text-end">{f.open || '–'}</td>
              <td className="figure-text text-end">{f.ended || '–'}</td>
              <td>
                <Link href={`/jobs/${f.jobs[0]!}`} prefetch={false}>
                  {say`newest of ${f.jobs.length}`}
                </Link>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Sideways>
  )
}

/** Fans of the shelf that a model never had. */
function Untried({ untried }: { readonly untried: ReadonlyMap<string, readonly string[]> }) {
  return (
    <section aria-label={say`Not tried`}>
      <h2 className="mt-4">{say`Not tried`}</h2>
      <p className="soft">
        {say`Fans of the shelf that no job has put on the model: nobody knows yet whether they fit.`}
      </p>
      <dl className="plain-list">
        {[...untried].map(([model, names]) => (
          <div key={model}>
            <dt>{model}</dt>
            <dd>
              {names.length === 0
                ? say`every fan of the shelf was tried`
                : names.slice(0, MOST_UNTRIED).join(', ') +
                  (names.length > MOST_UNTRIED ? say` and ${names.length - MOST_UNTRIED} more` : '')}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  )
}

/** What was fitted to which model, and what was never tried on it. */
export default async function FitsPage() {
  return orTrouble(async () => {
    const store = await theStore()
    const fans = (await listParts(store)).filter((p) => p.kind === 'fan').map((p) => p.name)
    const { fitted, untried } = fitsOf(await listKits(store), fans)
    return (
      <>
        <Ready />
        <header className="masthead">
          <Link href="/" className="wordmark" prefetch={false}>
            PYRAXIS
          </Link>
          <h1>{say`What fits what`}</h1>
          <span className="right">
            <Link href="/" prefetch={false}>
              {say`Yard`}
            </Link>
            <Link href="/shelf" prefetch={false}>
              {say`Shelf`}
            </Link>
          </span>
        </header>
        <main className="workshop wide">
          <p className="soft">
            {say`From this yard’s own jobs.`} <em>{say`Signed`}</em>{' '}
            {say`was built and
              proved,`}{' '}
            <em>{say`open`}</em> {say`is planned or under way,`} <em>{say`ended`}</em>{' '}
            {say`came to nothing. A new job of a model that was here begins with what was read on the others, as
              typical.`}
          </p>
          <FittedTable fitted={fitted} />
          {fans.length > 0 && untried.size > 0 && <Untried untried={untried} />}
        </main>
      </>
    )
  })
}
