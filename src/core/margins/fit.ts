import { gapPart } from './new-core-gap'
import { fixedScale, type MarginDefinition, ofRun, over, type PartDefinition } from './part'
import { type ChosenFan, circuitsOf, type FanCircuit } from '../fan-circuit'
import { apart, inside } from '../fit'
import { type Job, jobKinds, type LeadName, mountOf, type Obstacle, panelOf } from '../job'
import { coreFace, fanBox, neighbours, obstacleBox, onFansSide, reachOf, seatOfLead, thicker } from '../placing'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { say } from '../words'

const supplied = (bench: Bench, address: string): Worked =>
  worked(say`lead supplied`, '{0}', [bench.term(address)], bench.value(address), 'length', '§7')

/** Address of what is free on the fan's side. */
function freeAddress(job: Job): string {
  if (job.bay) return `bay.panels.${panelOf(job)!.id}.freeM`
  return job.place.side === 'puller' ? 'place.freeDepthM' : 'place.freeFrontM'
}

function freeName(job: Job): string {
  if (job.bay) return say`free behind the panel`
  return job.place.side === 'puller' ? say`free behind the core` : say`free before the core`
}

/** What is left free beside the core that will be there. */
function freeDepth(bench: Bench, job: Job): Worked {
  const address = freeAddress(job)
  const free = worked(freeName(job), '{0}', [bench.term(address)], bench.value(address), 'length', '§7')
  if (!job.newCore || job.place.side === 'pusher') return free
  return following(
    [free],
    worked(
      say`free behind the new core`,
      '{0} − ({1} − {2})',
      [bench.term(address), bench.term('newCore.thicknessM'), bench.term('cooling.coreThicknessM')],
      free.value - thicker(bench, job),
      'length',
      '§7',
    ),
  )
}

const deep = (bench: Bench, fan: ChosenFan): Worked =>
  worked(
    say`fan with what holds it`,
    '{0} + {1}',
    [bench.term(fan.at.depthM), bench.term('place.standOffM')],
    bench.value(fan.at.depthM) + bench.value('place.standOffM'),
    'length',
    '§7',
  )

const boxOf = (bench: Bench, fan: ChosenFan) =>
  fanBox(fan.seat!, bench.value(fan.at.housingM), bench.value(fan.at.depthM), bench.value('place.standOffM'))

/** What tells the fans of a job apart, in words and in ids. */
type Named = Pick<FanCircuit, 'suffix' | 'tag'>

/** How far the fan stays from one thing near it, in the position in which that comes closest. @see engineering §7 */
function obstaclePart(job: Job, fan: ChosenFan, { suffix, tag }: Named, obstacle: Obstacle): PartDefinition {
  const { name, requiredMm } = neighbours[obstacle.kind]
  const box = obstacleBox(job, obstacle)
  const readings = [fan.at.housingM, fan.at.depthM, ...box.readings]
  const formula =
    obstacle.kind === 'moves'
      ? say`nearest corners of the fan ({0} across, {1} deep) and of it (from {2} and {3}, {4} × {5}, {6} before it,
        less {7})`
      : say`nearest corners of the fan ({0} across, {1} deep) and of it (from {2} and {3}, {4} × {5}, {6} before it)`
  return {
    id: `near ${obstacle.id}${tag}`,
    name: say`to ${obstacle.name}${suffix}`,
    unit: 'mm',
    required: requiredMm,
    scale: fixedScale(10),
    compute: (bench) => {
      const gap = apart(boxOf(bench, fan), box.at(bench))
      return following(
        [
          worked(
            say`from the fan to ${obstacle.name}, ${name}`,
            formula,
            readings.map((r) => bench.term(r)),
            gap,
            'length',
            '§7',
          ),
        ],
        worked(
          say`over the requirement`,
          '{0} − {1}',
          [term(say`distance`, gap, 'length'), term(say`required`, requiredMm / 1000, 'length')],
          gap - requiredMm / 1000,
          'length',
          '§7',
        ),
      )
    },
  }
}

/** The fan's frame inside the core's face, at its tightest edge. */
const edgePart = (fan: ChosenFan, { suffix, tag }: Named): PartDefinition => ({
  id: `edge${tag}`,
  name: say`inside the core's face${suffix}`,
  unit: 'mm',
  required: 0,
  scale: fixedScale(10),
  compute: (bench) => {
    const left = inside(boxOf(bench, fan), coreFace(bench))
    return worked(
      say`least from the fan's frame to the core's edges`,
      say`{0} across at {1} and {2}, on {3} × {4}`,
      [
        bench.term(fan.at.housingM),
        term(say`from the left`, fan.seat!.xM, 'length'),
        term(say`from the top`, fan.seat!.yM, 'length'),
        bench.term('cooling.coreWidthM'),
        bench.term('cooling.coreHeightM'),
      ],
      left,
      'length',
      '§7',
    )
  },
})

/** A panel has room for the frame, and its sheet stays clear of the blades. */
function panelParts(job: Job, fan: ChosenFan, { suffix, tag }: Named): PartDefinition[] {
  const panel = panelOf(job)!
  const [wide, high] = [`bay.panels.${panel.id}.wideM`, `bay.panels.${panel.id}.highM`]
  return [
    {
      id: `panel${tag}`,
      name: say`on the ${panel.name}${suffix}`,
      unit: 'mm',
      required: 0,
      scale: fixedScale(10),
      compute: (b) =>
        worked(
          say`room on the panel over the frame`,
          say`the less of {0} and {1}, − {2}`,
          [b.term(wide), b.term(high), b.term(fan.at.housingM)],
          Math.min(b.value(wide), b.value(high)) - b.value(fan.at.housingM),
          'length',
          '§7',
        ),
    },
    ...(mountOf(job).onSheet
      ? [
          {
            id: `blades${tag}`,
            name: say`from the blades to the panel${suffix}`,
            unit: 'mm' as const,
            required: 2,
            scale: fixedScale(5),
            compute: (b: Bench) =>
              over(
                worked(say`stand-offs`, '{0}', [b.term('place.standOffM')], b.value('place.standOffM'), 'length', '§7'),
                worked(
                  say`blades stand out`,
                  '{0}',
                  [b.term('place.bladeProudM')],
                  b.value('place.bladeProudM'),
                  'length',
                  '§7',
                ),
                0.002,
                'length',
                '§7',
              ),
          },
        ]
      : []),
  ]
}

/** Frames that would stand in one place. */
function otherFanParts(job: Job, fan: ChosenFan, { tag }: Named): PartDefinition[] {
  return circuitsOf(job).flatMap(({ fan: other, suffix: theirs }): PartDefinition[] =>
    other && other.id > fan.id && other.seat?.core === fan.seat?.core
      ? [
          {
            id: `other fan${tag}`,
            name: say`to the other fan${theirs}`,
            unit: 'mm',
            required: 0,
            scale: fixedScale(10),
            compute: (b) =>
              worked(
                say`from frame to frame`,
                say`{0} and {1} across`,
                [b.term(fan.at.housingM), b.term(other.at.housingM)],
                apart(boxOf(b, fan), boxOf(b, other)),
                'length',
                '§7',
              ),
          },
        ]
      : [],
  )
}

/** A lead that comes with a part, against the way it has to go; none where the part has terminals. */
function leadPart(
  job: Job,
  lead: LeadName,
  { suffix, tag }: Named,
  name: string,
  address: string,
  n: number,
): PartDefinition {
  const reach = reachOf(job, lead, seatOfLead(job, lead, n))
  return {
    id: `${lead} lead${tag}`,
    name: say`of the ${name} lead${suffix}`,
    unit: 'mm',
    required: 0,
    scale: fixedScale(100),
    compute: (b) => over(supplied(b, address), reach(b), 0, 'length', '§7'),
  }
}

/** What of Fit another face of the core changes: the depth behind a fan, and what is near on its side. */
export const isOfFace = ({ id }: { readonly id: string }): boolean => id.startsWith('depth') || id.startsWith('near ')

function partsOf(job: Job, circuit: FanCircuit): PartDefinition[] {
  const { fan, probe, controller, suffix, tag } = circuit
  const { name, requiredMm } = neighbours[job.place.neighbour]
  const depth = {
    id: `depth${tag}`,
    name: say`behind the fan${suffix}, to ${name}`,
    unit: 'mm',
    required: requiredMm,
  } as const
  const open = (id: string, what: string, needs: string): PartDefinition => ({
    id: `${id}${tag}`,
    name: say`of the ${what}${suffix}`,
    unit: 'mm',
    required: 0,
    needs,
  })
  const mountsFan = jobKinds[job.kind].mountsFan
  return [
    ...(mountsFan && !fan ? [{ ...depth, needs: say`a fan` }] : []),
    ...(mountsFan && fan
      ? [
          {
            ...depth,
            scale: fixedScale(10),
            compute: (bench) => over(freeDepth(bench, job), deep(bench, fan), requiredMm / 1000, 'length', '§7'),
          } satisfies PartDefinition,
          ...(job.bay ? panelParts(job, fan, circuit) : []),
          ...(fan.seat && job.cooling
            ? [
                edgePart(fan, circuit),
                ...job.place.obstacles
                  .filter((o) => o.core === fan.seat!.core && onFansSide(job, o))
                  .map((o) => obstaclePart(job, fan, circuit, o)),
                ...otherFanParts(job, fan, circuit),
              ]
            : []),
        ]
      : []),
    fan
      ? leadPart(
          job,
          'fan',
          circuit,
          say`fan's`,
          fan.at.leadM,
          job.fans.findIndex((f) => f.id === fan.id),
        )
      : open('fan lead', say`fan's lead`, say`a fan`),
    probe.part
      ? leadPart(
          job,
          'probe',
          circuit,
          say`probe's`,
          `probes.${probe.id}.part.leadM`,
          job.probes.findIndex((p) => p.id === probe.id),
        )
      : open('probe lead', say`probe's lead`, say`a probe`),
    ...(controller?.part.leadM
      ? [leadPart(job, 'controller', circuit, say`controller's`, `controllers.${controller.id}.part.leadM`, 0)]
      : []),
    ...(controller?.part.supplyLeadM
      ? [leadPart(job, 'supply', circuit, say`supply`, `controllers.${controller.id}.part.supplyLeadM`, 0)]
      : []),
  ]
}

/** Everything near the fan, and every lead that comes with a part. @see engineering §7, margins.md */
export const fitMargin = (job: Job): MarginDefinition => ({
  id: 'fit',
  name: say`Fit`,
  parts: [
    ...circuitsOf(job).flatMap((c) => ofRun(c, partsOf(job, c))),
    ...(job.newCore
      ? [
          gapPart('hoses', say`behind the hoses`, 'newCore.hoseGapM', job),
          gapPart('shroud', say`at the shroud`, 'newCore.shroudGapM', job),
        ]
      : []),
  ],
})
