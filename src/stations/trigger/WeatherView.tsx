'use client'

import { useEffect, useState } from 'react'
import { inNumber } from '@/core/fan-circuit'
import type { Job } from '@/core/job'
import type { Standing } from '@/core/run'
import { format, percent, fromSi, plainNumber, shownUnit } from '@/core/units'
import type { Sweep, Weather } from '@/workers/sweep.worker'
import type { StationProps } from '../station'
import { useTask } from '../use-task'
import { languageSpoken, say } from '@/core/words'

const THIRD = 1 / 3
/** how much higher than home is asked for besides, m */
const HIGHER_M = 1000

interface SliderProps {
  readonly label: string
  readonly value: number
  readonly min: number
  readonly max: number
  readonly step: number
  readonly text: string
  readonly onChange: (value: number) => void
}
function Slider({ label, value, min, max, step, text, onChange }: SliderProps) {
  return (
    <label className="weather-slider">
      <span>{label}</span>
      <input
        type="range"
        min={min}
        max={max}
        step={step}
        value={value}
        aria-valuetext={text}
        onChange={(e) => onChange(Number(e.target.value))}
      />
      <b className="figure-text">{text}</b>
    </label>
  )
}

/** Rounded down, as the job's units have it: a degree that is told must hold. */
function upTo(job: Job, c: number | null): string {
  if (c === null) return say`at no temperature`
  if (c >= 60) return say`to more than ${format(60, 'temperature', job.units, 2)}`
  const unit = shownUnit('temperature', job.units)
  return say`to ${plainNumber(Math.floor(fromSi(c, unit) + 1e-9))} ${unit.symbol}`
}

/** How warm, how high and how blocked it may get before nothing is left. */
export function WeatherView({ job, run }: StationProps) {
  const evidence = run.findings?.evidence ?? null
  const u = job.units
  const home = Math.round(job.surroundings.heightM.value)
  const [airC, setAir] = useState(Math.round(job.surroundings.hottestC.value))
  const [heightM, setHeight] = useState(home)
  const [blocked, setBlocked] = useState<number | null>(null)
  const [weather, setWeather] = useState<Weather | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  const { ask, busy } = useTask<Sweep>(
    () =>
      new Worker(new URL('../../workers/sweep.worker.ts', import.meta.url), {
        type: 'module',
        name: languageSpoken()?.address ?? '',
      }),
  )
  const standing: Standing = { heightM, ...(blocked === null ? {} : { blocked }) }
  const text = JSON.stringify(standing)
  useEffect(() => {
    const now = JSON.parse(text) as Standing
    const others = [
      ...(job.cooling ? [{ ...now, blocked: THIRD }] : []),
      { ...now, heightM: (now.heightM ?? 0) + HIGHER_M },
    ]
    const timer = setTimeout(() => {
      ask((sweep) => sweep.weather(inNumber(job), evidence, airC, now, others)).then(
        (answer) => {
          if (answer?.ok) setWeather(answer.weather)
          if (answer) setMessage(answer.ok ? null : answer.message)
        },
        () => setMessage(say`This could not be run through.`),
      )
    }, 120)
    return () => clearTimeout(timer)
  }, [job, evidence, airC, text, ask])
  const what = job.bay ? say`what is allowed in the bay` : say`boiling, over what is kept free`
  return (
    <>
      <h2>{say`Season, height and a blocked core`}</h2>
      <Slider
        label={say`air`}
        value={airC}
        min={-20}
        max={55}
        step={1}
        text={format(airC, 'temperature', u, 3)}
        onChange={setAir}
      />
      <Slider
        label={say`height`}
        value={heightM}
        min={0}
        max={4000}
        step={50}
        text={format(heightM, 'height', u, 3)}
        onChange={setHeight}
      />
      {job.cooling && (
        <Slider
          label={say`core blocked`}
          value={Math.round(100 * (blocked ?? 0))}
          min={0}
          max={80}
          step={1}
          text={blocked === null ? say`as its ground blocks it` : `${percent(blocked)}`}
          onChange={(v) => setBlocked(v / 100)}
        />
      )}
      {message && (
        <p className="say say-short" role="alert">
          {message}
        </p>
      )}
      {weather && (
        <div role="status" aria-busy={busy}>
          <p className={`say ${weather.leftK >= 0 ? 'say-holds' : 'say-short'}`}>
            {say`At ${format(airC, 'temperature', u, 3)} the day leaves `}
            {say`${format(weather.leftK, 'temperatureDifference', u, 2)} below ${what}.`}
          </p>
          <p className="say">
            {say`Holds up ${upTo(job, weather.upToC)} at ${format(heightM, 'height', u, 4)}${
              job.cooling ? say`, or up ${upTo(job, weather.others[0] ?? null)} with a third of the core blocked` : ''
            }; ${format(HIGHER_M, 'height', u, 3)} higher, up
              ${upTo(job, weather.others[job.cooling ? 1 : 0] ?? null)}.`}
          </p>
        </div>
      )}
      <p className="soft small">
        {say`${
          job.cooling
            ? say`Thin air carries less heat and coolant boils sooner in it.`
            : say`Thin air carries less heat.`
        } The job’s own figures stay as they are: this only looks.`}
      </p>
    </>
  )
}
