import { existsSync } from 'node:fs'
import {
  backUp,
  backupFolder,
  backupNamed,
  defaultFile,
  doorFileOf,
  inspect,
  listBackups,
  now,
  openStore,
  restore,
  setPassphrase,
  SHORTEST_PASSPHRASE,
  StoreTrouble,
  thinBackups,
  tidy,
} from '../store'

export interface Output {
  readonly out: (text: string) => void
  readonly err: (text: string) => void
}

const USAGE = `Usage: npm run --silent yard -- backup             a copy of the yard now, looked through
       npm run --silent yard -- backups            the copies there are
       npm run --silent yard -- restore <copy>     puts a copy in its place, by its name or as a file
       npm run --silent yard -- check [file]       whether a yard reads whole
       npm run --silent yard -- tidy               older rows packed, the history thinned
       npm run --silent yard -- passphrase         reads one from what is typed, for the shop's network
       npm run --silent yard -- daily              tidy, backup, and copies that are no longer kept removed
The yard is the file in PYRAXIS_DB (${defaultFile()}), its copies are in PYRAXIS_BACKUPS (${backupFolder() ?? 'off'}).`

async function readInput(): Promise<string> {
  let text = ''
  if (process.stdin.isTTY) process.stderr.write('Pass-phrase, then Enter: ')
  for await (const piece of process.stdin) {
    text += String(piece)
    if (text.includes('\n')) break
  }
  return text
}

const folderOrTrouble = (): string => {
  const folder = backupFolder()
  if (folder === null) throw new StoreTrouble('Copies are switched off: PYRAXIS_BACKUPS is "off".', 'missing')
  return folder
}

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`

async function tidied(): Promise<string> {
  const store = await openStore(defaultFile())
  try {
    const { packed, thinned, purged } = await tidy(store, now().toISOString())
    return `${packed} older revisions packed, ${thinned} thinned out, ${purged} deleted jobs removed for good.`
  } finally {
    store.close()
  }
}

function backedUp(): string {
  const { name, bytes, jobs, revisions, evaluated, unreadable } = backUp(
    defaultFile(),
    folderOrTrouble(),
    now().toISOString(),
  )
  return (
    `Copied: ${name}, ${megabytes(bytes)}, ${jobs} jobs in ${revisions} revisions, ${evaluated} of them worked out` +
    `${unreadable ? `, ${unreadable} cannot be read` : ''}.`
  )
}

const commands: Readonly<Record<string, (argument: string | undefined) => string | Promise<string>>> = {
  backup: backedUp,
  backups: () =>
    listBackups(backupFolder())
      .map((b) => `${b.name}  ${megabytes(b.bytes)}`)
      .join('\n') || 'There is no copy yet.',
  restore: async (named) => {
    if (named === undefined) throw new StoreTrouble(USAGE, 'missing')
    const from = backupNamed(backupFolder(), named) ?? named
    if (!existsSync(from)) throw new StoreTrouble(`There is no copy named ${named}, and no such file.`, 'missing')
    const { jobs, evaluated, unreadable, aside } = await restore(from, defaultFile(), now().toISOString())
    return (
      `${from} is in place: ${jobs} jobs, ${evaluated} of them worked out` +
      `${unreadable ? `, ${unreadable} cannot be read` : ''}.${aside ? ` What stood there is ${aside}.` : ''}`
    )
  },
  check: (file) => {
    const { version, jobs, revisions, evaluated, unreadable } = inspect(file ?? defaultFile())
    return (
      `It reads whole: version ${version}, ${jobs} jobs in ${revisions} revisions; of the newest, ${evaluated} can ` +
      `be worked out and ${unreadable} cannot be read.`
    )
  },
  passphrase: async () => {
    const typed = (await readInput()).split('\n')[0]!.trim()
    if (typed.length < SHORTEST_PASSPHRASE)
      throw new StoreTrouble(
        `A pass-phrase has ${SHORTEST_PASSPHRASE} letters or more: a few plain words do.`,
        'missing',
      )
    setPassphrase(doorFileOf(defaultFile()), typed)
    return 'It is set. Whoever was let in by another one, or by a link, is out.'
  },
  tidy: tidied,
  daily: async () => {
    const first = await tidied()
    const second = backedUp()
    return `${first}\n${second}\n${thinBackups(folderOrTrouble(), now().toISOString())} older copies removed.`
  },
}

/** The yard's own command line. @returns the exit status: 0, or 2 where it was refused, with the reason in words */
export async function runTend(args: readonly string[], { out, err }: Output): Promise<number> {
  const [name, argument] = args
  const command = name !== undefined && Object.hasOwn(commands, name) ? commands[name] : undefined
  if (!command) {
    err(`${USAGE}\n`)
    return 2
  }
  try {
    out(`${await command(argument)}\n`)
    return 0
  } catch (error) {
    if (!(error instanceof StoreTrouble)) throw error
    err(`${error.message}\n`)
    return 2
  }
}
