'use client'

import { type Result } from '@/core/units'
import { type ComponentProps, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import dynamic from 'next/dynamic'
import { Coming, persistently } from '@/ui/persistently'
import { usePathname, useSearchParams } from 'next/navigation'
import type { Remedy } from '@/core/advice'
import { type Station, stations } from '@/core/fields'
import { fieldsOf, type Job, type MarginId, marginIds } from '@/core/job'
import { type Findings, type MarginResult, stationOfMargin } from '@/core/margins'
import type { Part } from '@/core/parts'
import { timeInWords } from '@/ui/days'
import { DraftProvider } from '@/ui/drafts'
import { HatchDefinitions } from '@/ui/MarginBar'
import { MarginRail } from '@/ui/MarginRail'
import { Spine, type SpineEntry } from '@/ui/Spine'
import { fetchStation, fetchStations, stationViews } from '../all'
import type { PendingSave, SaveAnswer } from './saver'
import { Masthead } from './Masthead'
import { AsideNotes } from './SaveNotes'
import type { Judged } from './judge'
import { seenBy } from './seen-by'
import { useEvaluation } from './use-evaluation'
import { useJudged } from './use-judged'
import { useJobDocument, type Opened } from './use-job-document'
import { useRun } from './use-run'
import { useStationKeys } from './use-station-keys'
import { say } from '@/core/words'

const ConflictDialog = dynamic(() => persistently(() => import('@/ui/ConflictDialog')).then((m) => m.ConflictDialog), {
  ssr: false,
})
const ReopenDialog = dynamic(() => persistently(() => import('@/ui/ReopenDialog')).then((m) => m.ReopenDialog), {
  ssr: false,
})
const KeysDialog = dynamic(() => persistently(() => import('@/ui/KeysDialog')).then((m) => m.KeysDialog), {
  ssr: false,
})
const FanChoice = dynamic(() => persistently(() => import('./FanChoice')).then((m) => m.FanChoice), { ssr: false })
const ShelfChanges = dynamic(() => persistently(() => import('../ShelfChanges')).then((m) => m.ShelfChanges), {
  ssr: false,
})
const AtFoot = dynamic(() => persistently(() => import('../AtFoot')).then((m) => m.AtFoot), { ssr: false })
const Working = dynamic(() => persistently(() => import('./MarginWorking')).then((m) => m.MarginWorking), {
  loading: () => <Coming height={320} />,
})

/** A margin's working, once the core is there to work it. */
const AtMargin = ({
  margin,
  ...props
}: Omit<ComponentProps<typeof Working>, 'margin'> & { readonly margin: MarginResult | undefined }) =>
  margin ? <Working {...props} margin={margin} /> : <Coming height={320} />

interface Props {
  readonly opened: Opened
  /** what the job came to at the server, as it was opened */
  readonly first: Judged
  readonly shelf: readonly Part[]
  /** ISO moment where the clock is fixed, else null */
  readonly fixedNow: string | null
  readonly saveJob: (id: string, save: PendingSave) => Promise<SaveAnswer>
  readonly keepRun: (id: string, findings: Findings) => Promise<void>
  readonly loadRevision: (id: string, number: number) => Promise<Job | null>
  readonly signJob: (id: string, from: number, by: string) => Promise<Result<{ opened: Opened }>>
}

const oneOf = <V extends string>(list: readonly V[], value: string | null): V | null =>
  list.find((v) => v === value) ?? null

/** Station and selected margin stand in the address, so that back and forward work. */
function useAddress(): {
  station: Station
  margin: MarginId | null
  go: (station: Station, margin?: MarginId | null) => void
} {
  const params = useSearchParams()
  const path = usePathname()
  const station = oneOf(stations, params.get('station')) ?? 'machine'
  const margin = oneOf(marginIds, params.get('margin'))
  const go = useCallback(
    (to: Station, selected: MarginId | null = null) => {
      window.history.pushState(null, '', `${path}?station=${to}${selected ? `&margin=${selected}` : ''}`)
    },
    [path],
  )
  return { station, margin, go }
}

/** how long it is told what a step back has changed */
const NOTE_MS = 5000

/** Puts the focus on a reading's field once its station is drawn. */
const focusField = (address: string): void => {
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      const input = document.querySelector<HTMLInputElement>(`[data-address="${CSS.escape(address)}"] input`)
      input?.scrollIntoView({ block: 'center' })
      input?.focus()
    }),
  )
}

export function JobScreen({ opened, first, shelf, fixedNow, saveJob, signJob, loadRevision, keepRun }: Props) {
  const doc = useJobDocument(opened, saveJob)
  const { job, settle, preview } = doc
  const { station, margin, go } = useAddress()
  const [keysShown, setKeysShown] = useState(false)
  const [chosenFan, setChosenFan] = useState(0)
  const now = useCallback(() => (fixedNow ? new Date(fixedNow) : new Date()), [fixedNow])
  const fields = useRef<HTMLDivElement>(null)
  const keeping = useRef<Promise<void>>(Promise.resolve())
  const { Stage, Tray, perFan } = stationViews[station]
  const fan = perFan ? Math.min(chosenFan, job.runs.length - 1) : 0
  const run = useRun({
    job,
    fan,
    moving: doc.moving,
    charts: station === 'trigger',
    kept: opened.findings ?? null,
    now,
    onSettled: useCallback(
      (findings: Findings) => {
        keeping.current = keepRun(opened.id, findings)
      },
      [keepRun, opened.id],
    ),
  })
  const { evaluation, filled, waits } = useEvaluation(job, run.findings, doc.moving, first)
  const full = useJudged(job, run.findings, evaluation)
  const entries = useMemo(
    () =>
      Object.fromEntries(
        stations.map((s) => [
          s,
          {
            ...filled[s],
            short: full.margins.some((m) => m.verdict === 'short' && stationOfMargin[m.id] === s),
          },
        ]),
      ) as Record<Station, SpineEntry>,
    [filled, full],
  )
  const swapUnits = useCallback(
    () => settle((j) => ({ ...j, units: j.units === 'metric' ? 'imperial' : 'metric' })),
    [settle],
  )
  const close = useCallback(() => {
    if (margin) go(station)
  }, [go, station, margin])
  const [stepped, setStepped] = useState<string | null>(null)
  const { undo, redo, state } = doc
  const stepBack = useCallback(() => {
    const words = undo()
    if (words) setStepped(say`Undone. ${words}.`)
  }, [undo])
  const stepForward = useCallback(() => {
    const words = redo()
    if (words) setStepped(say`Done again. ${words}.`)
  }, [redo])
  useEffect(() => {
    if (!stepped) return undefined
    const timer = setTimeout(() => setStepped(null), NOTE_MS)
    return () => clearTimeout(timer)
  }, [stepped])
  const loadBase = useCallback(
    async () => (state.kind === 'stale' ? loadRevision(opened.id, state.from) : null),
    [state, loadRevision, opened.id],
  )
  useStationKeys({
    go,
    swapUnits,
    close,
    undo: stepBack,
    redo: stepForward,
    help: useCallback(() => setKeysShown(true), []),
  })
  useEffect(() => {
    if (fields.current) fields.current.inert = false
    document.documentElement.dataset.ready = 'yes'
    fetchStations()
  }, [])

  const sign = async (by: string): Promise<string | null> => {
    if (doc.state.kind !== 'saved') return say`Wait until everything is saved, then sign.`
    if (waits) return say`Wait until the margins are worked out, then sign.`
    // what is signed is told from the same run as what is shown
    await keeping.current
    const answer = await signJob(opened.id, doc.revision(), by)
    if (!answer.ok) return answer.message
    doc.takeUp(answer.opened)
    return null
  }
  const apply = (remedy: Remedy): void => {
    if (remedy.change) settle(remedy.change)
    else go(remedy.station, margin)
  }
  const goToField = (address: string): void => {
    const field = fieldsOf(job).get(address)
    if (!field) return
    go(field.station)
    focusField(address)
  }
  const stationProps = {
    ...seenBy(job, fan, settle, preview),
    fan,
    station,
    evaluation: full,
    run,
    shelf,
    now,
    goTo: (s: Station) => go(s),
    sign,
  }
  const selected = full.margins.find((m) => m.id === margin)
  return (
    <DraftProvider job={opened.id}>
      <HatchDefinitions />
      <div className={`job-screen at-${station}`}>
        <Masthead
          id={opened.id}
          job={job}
          doc={doc}
          stepped={stepped}
          onUndo={stepBack}
          onRedo={stepForward}
          onUnits={swapUnits}
          onKeys={() => setKeysShown(true)}
        />
        {/* what is chosen before the page can take it would be lost without a word: until then nothing takes it */}
        <div ref={fields} className="job-fields" inert suppressHydrationWarning>
          <Spine entries={entries} present={station} onGo={(s) => go(s)} onNear={fetchStation} />
          <main className="stage" key={station}>
            <AsideNotes aside={doc.aside} onDrop={doc.dropAside} />
            {perFan && <FanChoice job={job} fan={fan} station={station} onChoose={setChosenFan} settle={settle} />}
            <Stage {...stationProps} />
          </main>
          {selected ? (
            <AtMargin
              margin={waits ? undefined : selected}
              run={full.run}
              system={job.units}
              job={job}
              fieldAt={(a) => fieldsOf(job).get(a)}
              onRemedy={apply}
              onGoTo={goToField}
              onClose={() => go(station)}
            />
          ) : (
            <section className="tray" aria-label={say`Readings and choices`}>
              <ShelfChanges {...stationProps} />
              <Tray {...stationProps} />
              <AtFoot {...stationProps} />
            </section>
          )}
          <MarginRail
            evaluation={full}
            behind={waits && job !== opened.job}
            system={job.units}
            selected={margin}
            onSelect={(m) => go(station, m)}
          />
        </div>
      </div>
      {doc.reopening && <ReopenDialog {...doc.reopening} />}
      {keysShown && <KeysDialog show onHide={() => setKeysShown(false)} />}
      {doc.state.kind === 'stale' && (
        <ConflictDialog
          mine={doc.state.mine}
          theirs={doc.state.theirs.job}
          savedAt={timeInWords(doc.state.theirs.savedAt)}
          loadBase={loadBase}
          onSettle={doc.resolve}
        />
      )}
    </DraftProvider>
  )
}
