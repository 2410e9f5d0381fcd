import type { Job } from '../../core/job'
import { exampleShelf } from './examples'

/** Names that are what they are in every country: parts of the shelf, blades by their width, insulation by its mark. */
const NAMES = new RegExp(
  [
    ...exampleShelf().map((p) => p.name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')),
    'blade,? 6\\.3 mm',
    '(?:sleeve|tube|red|black|orange|yellow|blue|white|brown|green|grey|violet),? \\d+ °C',
    '; \\d+ °C',
  ].join('|'),
  'g',
)
const METRIC = /\d (?:mm|cm|m|km|kg|g|N·m|°C|K|l|kPa|bar|m\/s|km\/h|m³\/h)(?![\w²³])/

/** @returns where words tell a figure in metric units, each with what stands before it; names are no figures */
export const metricIn = (words: string): string[] =>
  words.replace(NAMES, '').match(new RegExp(`.{0,40}${METRIC.source}`, 'g')) ?? []

/** The job as somebody in other units has it: what was typed in metric stays as it was typed, so none of it is there. */
export function inOtherUnits(job: Job): Job {
  const untyped = (thing: unknown): unknown => {
    if (Array.isArray(thing)) return thing.map(untyped)
    if (thing === null || typeof thing !== 'object') return thing
    return Object.fromEntries(
      Object.entries(thing).flatMap(([key, value]) => (key === 'typed' ? [] : [[key, untyped(value)]])),
    )
  }
  return untyped({ ...job, units: 'imperial', acceptances: [], signature: null, proofs: [], ledger: [] }) as Job
}
