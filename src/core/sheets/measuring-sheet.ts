import { type Sheet } from './sheet-schema'
import { placeViews } from '../drawing'
import { askedFields, type Job, jobKinds, typicalMachines } from '../job'
import { CORE_VERSION, firmsUp } from '../margins'
import { stations } from '../fields'
import { format, shown, worded } from '../units'
import { cureChecks } from '../plan'
import { stationNames } from '../fields'
import { complaintInWords } from '../plan'
import { say, spokenWord } from '../words'

const BLANK = '______________'

/**
 * The sheet to take to the machine: every reading that is asked, with how to take it and a blank, in the order in which
 * it is typed back. What is measured already stands there; a guess stands in brackets.
 */
export function measuringSheet(job: Job): Sheet {
  const units = job.units
  const firms = firmsUp(job)
  const perStation = stations.flatMap((station): Sheet['sections'] => {
    const rows = askedFields(job)
      .filter((f) => f.station === station && !f.address.startsWith('controllers'))
      .map((f) => {
        const { unit } = shown(0, f.quantity, units)
        const known = format(f.reading.value, f.quantity, units)
        return [
          f.label,
          worded(f.tell, units),
          firms.get(f.address)?.name ?? '',
          f.reading.source === 'measured' ? known : `${BLANK}\u00a0${unit}`.trim(),
          f.reading.source === 'measured' ? say`measured` : `(${known}, ${spokenWord(f.reading.source)})`,
        ]
      })
    return rows.length
      ? [
          {
            heading: stationNames[station],
            lines: [],
            table: { columns: [say`reading`, say`how`, say`firms up`, say`measured`, say`stands in the job as`], rows },
          },
        ]
      : []
  })
  return {
    title: say`Measuring sheet: ${job.title}`,
    coreVersion: CORE_VERSION,
    subtitle:
      `${job.machine.name}, ` +
      `${typicalMachines[job.machine.kind].name}${job.machine.owner ? `, ${job.machine.owner}` : ''}. ` +
      `${complaintInWords(job)}.`,
    sections: [
      {
        heading: say`First`,
        lines: [
          say`Is there a battery? ____   Is its output DC? ____   12 or 24 V? ____   Engine cold, hands and sleeves
            clear of the fan it has.`,
        ],
        table: null,
      },
      {
        heading: say`Is a fan the cure?`,
        lines: [],
        table: {
          columns: [say`is it`, say`would look like`, say`ruled out / looks like it`],
          rows: cureChecks(job).map((c) => [
            c.name,
            c.looksLike,
            spokenWord(job.checks.find((d) => d.id === c.id)?.found ?? BLANK),
          ]),
        },
      },
      ...perStation,
      {
        heading: say`Sketch`,
        lines: [
          say`What is near it, what moves, what is hot; where the leads could go. As it stands in the job, to scale:`,
          ' ',
          ' ',
          ' ',
        ],
        table: null,
        drawings: jobKinds[job.kind].mountsFan ? placeViews(job) : [],
      },
    ],
  }
}
