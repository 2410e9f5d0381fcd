import { each, guess, isRaw, type Raw, rawOr, valueOf, within } from './raw'

const mounts = { coolant: ['ties', 'bracket', 'shroud'], air: ['panel', 'duct'] } as const

/** A place on a core that is not there any more is taken as the same place on the last one that is. */
const onCore = (cooling: Raw, entry: Raw, middle: boolean): Raw => {
  const most = (typeof cooling.cores === 'number' ? cooling.cores : 1) - 1
  if (isRaw(entry.seat) && typeof entry.seat.core === 'number')
    return { ...entry, seat: { ...entry.seat, core: Math.max(0, Math.min(most, entry.seat.core)) } }
  return middle && entry.seat === null
    ? {
        ...entry,
        seat: { core: 0, xM: valueOf(cooling.coreWidthM, 0.12) / 2, yM: valueOf(cooling.coreHeightM, 0.24) / 2 },
      }
    : entry
}

/**
 * Version 5 let a fan or probe sit on a core that had been taken off again, and took ways of holding a fan that its
 * place does not have, and a trailer's space without its heat.
 */
export function fromVersion5(job: Raw): Raw {
  const { cooling } = job
  const place = rawOr(job.place)
  const suits: readonly unknown[] = isRaw(cooling) ? mounts.coolant : mounts.air
  const bayPanels = isRaw(job.bay) && Array.isArray(job.bay.panels) ? (job.bay.panels as readonly unknown[]) : []
  const [firstPanel] = bayPanels
  const seated = (entry: Raw, middle: boolean): Raw =>
    isRaw(cooling) && job.kind !== 'wiring' ? onCore(cooling, entry, middle) : { ...entry, seat: null }
  return {
    ...job,
    version: 6,
    ...(isRaw(job.place)
      ? {
          place: {
            ...place,
            mount: suits.includes(place.mount) ? place.mount : suits[0],
            panel: isRaw(firstPanel) ? (place.panel ?? firstPanel.id) : null,
          },
        }
      : {}),
    ...within(job, 'bay', (b) => (job.engine === null && b.heatW === null ? { ...b, heatW: guess(300) } : b)),
    ...each(job, 'fans', (f) => seated(f, true)),
    ...each(job, 'probes', (p) => seated(p, false)),
  }
}
