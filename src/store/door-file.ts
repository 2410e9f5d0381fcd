import { createHmac, randomBytes, scryptSync, timingSafeEqual } from 'node:crypto'
import { existsSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs'

/** What lets others in over the network: kept beside the yard's file, readable by nobody else. */
interface Door {
  /** signs sessions and links; another pass-phrase brings another, and ends all of them */
  readonly secret: string
  readonly salt: string
  readonly hash: string
}

/** scrypt, as its authors set it for something typed now and then: some 60 ms, 32 MB */
const SCRYPT = { N: 32_768, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }
const KEY_BYTES = 32
export const SHORTEST_PASSPHRASE = 12

export const doorFileOf = (database: string): string => `${database}.door.json`

let read: { readonly file: string; readonly at: number; readonly door: Door } | null = null

/** The door of a yard; null where nobody has set a pass-phrase. */
function doorOf(file: string): Door | null {
  const at = statSync(file, { throwIfNoEntry: false })?.mtimeMs
  if (at === undefined) return null
  if (read?.file === file && read.at === at) return read.door
  try {
    const door = JSON.parse(readFileSync(file, 'utf8')) as Partial<Door>
    if (!door.secret || !door.salt || !door.hash) return null
    read = { file, at, door: door as Door }
    return read.door
  } catch {
    return null
  }
}

const hashed = (passphrase: string, salt: string): Buffer =>
  scryptSync(passphrase.normalize('NFC').trim(), Buffer.from(salt, 'hex'), KEY_BYTES, SCRYPT)

/** Sets the pass-phrase of a yard; whoever was let in by an older one, or by a link, is out. */
export function setPassphrase(file: string, passphrase: string): void {
  const salt = randomBytes(16).toString('hex')
  const door: Door = {
    secret: randomBytes(32).toString('hex'),
    salt,
    hash: hashed(passphrase, salt).toString('hex'),
  }
  writeFileSync(`${file}.part`, JSON.stringify(door), { mode: 0o600 })
  renameSync(`${file}.part`, file)
}

export const hasPassphrase = (file: string): boolean => existsSync(file) && doorOf(file) !== null

/** Whether a pass-phrase is the one that was set; it takes as long whether it is or not. */
export function isPassphrase(file: string, passphrase: string): boolean {
  const door = doorOf(file)
  return door !== null && timingSafeEqual(hashed(passphrase, door.salt), Buffer.from(door.hash, 'hex'))
}

/** Who may do what, until when: a mechanic everything, an owner look at the card of one job. */
export type Pass =
  | { readonly role: 'mechanic'; readonly until: number }
  | { readonly role: 'owner'; readonly job: string; readonly until: number }

const signatureOf = (body: string, { secret }: Door): Buffer => createHmac('sha256', secret).update(body).digest()

/** A pass as a text that nobody else can make. @returns null where there is no door */
export function sealed(file: string, pass: Pass): string | null {
  const door = doorOf(file)
  if (!door) return null
  const body = Buffer.from(JSON.stringify(pass)).toString('base64url')
  return `${body}.${signatureOf(body, door).toString('base64url')}`
}

/**
 * What a text lets its bearer do; null where it was not made here, was changed, or its time is over.
 * @param now ms
 */
export function opened(file: string, text: string | undefined, now: number): Pass | null {
  const door = doorOf(file)
  const [body, signature, more] = (text ?? '').split('.')
  if (!door || !body || !signature || more !== undefined) return null
  const [given, own] = [Buffer.from(signature, 'base64url'), signatureOf(body, door)]
  if (given.length !== own.length || !timingSafeEqual(given, own)) return null
  const pass = JSON.parse(Buffer.from(body, 'base64url').toString()) as Pass
  return pass.until > now ? pass : null
}
