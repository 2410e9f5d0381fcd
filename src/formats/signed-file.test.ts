import { example } from './test-support/examples'
import { readJob, writeJobFile } from '.'
import { asWritten, unsigned, withDigest } from './signed-file'

const signed = example('fell-bike-signed')
const file = (): Record<string, unknown> => JSON.parse(writeJobFile(withDigest(signed))) as Record<string, unknown>

test('a signed file comes back as it left, however its members stand', () => {
  const turned = Object.fromEntries(Object.entries(file()).reverse())
  const read = asWritten(turned)
  if (!read.ok) throw new Error(read.message)
  expect(readJob(read.value)).toEqual({ ok: true, job: signed })
})

test('changed by hand, its digest changed or gone: nobody signed that; without a signature it is taken', () => {
  const changed = { ...file(), title: 'Another' }
  const { by, at, coreVersion } = file().signature as Record<string, unknown>
  const bare = { by, at, coreVersion }
  for (const forged of [
    changed,
    { ...file(), signature: bare },
    { ...file(), signature: { ...bare, digest: '0'.repeat(64) } },
  ])
    expect(asWritten(forged)).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Nobody signed that/) as string,
    })
  expect(asWritten(unsigned(changed))).toMatchObject({ ok: true })
  // files of before had none
  expect(asWritten({ version: 13, signature: { by: 'me' } })).toMatchObject({ ok: true })
})
