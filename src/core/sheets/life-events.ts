import { seenInWords } from '../evidence'
import type { Job } from '../job'
import { format } from '../units'
import { readTrace, samplesOf } from '../build'
import { say, spokenWord } from '../words'

/** What a thing of a machine's life is, as it is marked on its line. */
export const lifeKinds = [
  'job',
  'setting',
  'part',
  'seen',
  'looked at',
  'for now',
  'trace',
  'not as planned',
  'fault',
] as const
export type LifeKind = (typeof lifeKinds)[number]

/** Something that was done to a machine, or seen of it. */
export interface LifeEvent {
  /** day or moment, ISO */
  readonly at: string
  readonly kind: LifeKind
  readonly what: string
  readonly about: string
  /** id and title of the job that it belongs to */
  readonly job: string
  readonly title: string
}
type Own = Omit<LifeEvent, 'job' | 'title'>

const jobEvents = (job: Job): Own[] => [
  { at: job.startedOn, kind: 'job', what: say`Begun: ${job.title}`, about: '' },
  ...(job.signature
    ? [
        {
          at: job.signature.at,
          kind: 'job' as const,
          what: say`Signed: ${job.title}`,
          about: say`by ${job.signature.by}`,
        },
      ]
    : []),
  ...(job.ended
    ? [
        {
          at: job.ended.at,
          kind: 'job' as const,
          what: say`Ended without a fan: ${spokenWord(job.ended.why)}`,
          about: [job.ended.note, job.ended.by].filter(Boolean).join(', '),
        },
      ]
    : []),
]

const settingEvents = (job: Job): Own[] =>
  job.settings.map((s) => ({
    at: s.at,
    kind: 'setting',
    what: say`Left at ${format(s.startsC, 'temperature', job.units, 3)} on,
      ${format(s.stopsC, 'temperature', job.units, 3)} off, for ${spokenWord(s.purpose)}`,
    about: `${s.why} (${s.by})`,
  }))

const partEvents = (job: Job): Own[] =>
  job.bought.map((b) => ({
    at: b.at,
    kind: 'part',
    what: `${b.count === 1 ? '' : `${b.count} × `}${b.what}`,
    about: [
      b.number && say`no. ${b.number}`,
      b.from && say`from ${b.from}`,
      b.warrantyUntil && say`warranty until ${b.warrantyUntil}`,
    ]
      .filter(Boolean)
      .join(', '),
  }))

const careEvents = (job: Job): Own[] =>
  job.after.flatMap((a): Own[] => (a.doneOn ? [{ at: a.doneOn, kind: 'looked at', what: a.what, about: a.found }] : []))

const debtEvents = (job: Job): Own[] =>
  job.debts.flatMap((d): Own[] => [
    {
      at: d.at,
      kind: 'for now',
      what: d.what,
      about: `${d.why} (${d.by})${d.dangerous ? say`; nobody drives with it` : ''}`,
    },
    ...(d.paid
      ? [
          {
            at: d.paid.at,
            kind: 'for now' as const,
            what: say`Put right: ${d.what}`,
            about: `${d.paid.how} (${d.paid.by})`,
          },
        ]
      : []),
  ])

const traceEvents = (job: Job): Own[] =>
  job.traces.map((t) => {
    const { switchings, runningA } = readTrace(samplesOf(t), null)
    const switched = switchings.flatMap((s) =>
      s.probeC === null ? [] : [say`${s.on ? say`on` : say`off`} at ${format(s.probeC, 'temperature', job.units, 3)}`],
    )
    return {
      at: t.at,
      kind: 'trace',
      what: t.name,
      about: [...switched.slice(0, 2), ...(runningA === null ? [] : [format(runningA, 'current', job.units, 3)])].join(
        ', ',
      ),
    }
  })

const faultEvents = (job: Job): Own[] =>
  job.searches.flatMap(({ ended }): Own[] =>
    ended
      ? [
          {
            at: ended.at,
            kind: 'fault',
            what: say`Found: ${ended.words}`,
            about: `${ended.repair} (${ended.by}). ${ended.proof}`,
          },
        ]
      : [],
  )

/** Everything of one job that belongs to its machine's life, in no order. */
export const changesOfLife = (job: Job): Own[] => [
  ...jobEvents(job),
  ...settingEvents(job),
  ...partEvents(job),
  ...job.observations.map((o): Own => ({
    at: o.at,
    kind: 'seen',
    what: seenInWords(o, job.units),
    about: o.doubted ? say`doubted` : '',
  })),
  ...careEvents(job),
  ...debtEvents(job),
  ...traceEvents(job),
  ...faultEvents(job),
  ...job.build.unplanned.map((u): Own => ({
    at: u.at,
    kind: 'not as planned',
    what: u.what,
    about: `${u.words} (${u.by})`,
  })),
]
