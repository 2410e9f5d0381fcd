import Link from 'next/link'
import { readHead, StoreTrouble, theStore, type JobRevision, type Store } from '@/store'
import { say } from '@/core/words'

/** A page that says what is wrong and what to do, in place of the one that could not be shown. */
export function MessagePage({
  title,
  message,
  back,
  backName = say`Back to the yard`,
}: {
  readonly title: string
  readonly message: string
  readonly back?: string
  readonly backName?: string
}) {
  return (
    <main className="message-page">
      <h1>{title}</h1>
      <p>{message}</p>
      {back && <p>{back.startsWith('/api/') ? <a href={back}>{backName}</a> : <Link href={back}>{backName}</Link>}</p>}
    </main>
  )
}

/** Work of a page on the store, or the page that tells of its trouble. */
export async function orTrouble(work: () => Promise<React.ReactNode>): Promise<React.ReactNode> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof StoreTrouble)
      return (
        <MessagePage
          title={error.kind === 'broken' ? say`The yard is damaged` : say`The yard cannot be opened`}
          message={error.message}
          {...(error.kind === 'broken'
            ? { back: '/api/export', backName: say`Take out every job that can be read` }
            : {})}
        />
      )
    throw error
  }
}

/** A page of one job: the page itself, or that there is no such job, or the store's trouble. */
export const jobPage = (
  params: Promise<{ id: string }>,
  show: (opened: JobRevision, store: Store) => Promise<React.ReactNode>,
): Promise<React.ReactNode> =>
  orTrouble(async () => {
    const store = await theStore()
    const opened = await readHead(store, (await params).id)
    if (opened) return show(opened, store)
    return (
      <MessagePage
        title={say`There is no such job`}
        message={say`The address names a job that is not in this yard. It may be in another database, or the address
          was cut short.`}
        back="/"
      />
    )
  })
