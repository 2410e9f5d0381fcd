import { allowedCurrent } from '../electrical'
import { conductorAt, type FanCircuit, runConductor } from '../fan-circuit'
import type { Job } from '../job'
import { format, plainNumber } from '../units'
import { type Guard, guardsOf, loadsOf } from '../wiring'
import { fixedScale, ofRun, over, type PartDefinition } from './part'
import { say, spokenWord } from '../words'

/** What parts that speak of a guard are called by. */
const IDS = {
  bare: 'unguarded, ',
  behind: 'guards, ',
  past: 'past its fuse, ',
  loom: "machine's own fuse, ",
} as const

/** A part that speaks of what guards a conductor, or of a way past a fuse. */
export const isGuardPart = ({ id }: { readonly id: string }): boolean =>
  Object.values(IDS).some((prefix) => id.startsWith(prefix))

const amps = (a: number): string => `${plainNumber(a, 2)} A`

/** A conductor that a road leads to with no fuse on it, said in words. */
const bare = (job: Job, g: Guard): PartDefinition => ({
  id: `${IDS.bare}${g.wire}`,
  name: say`for the ${spokenWord(g.role)}`,
  unit: 'A',
  required: 0,
  missing: say`no fuse guards the ${g.name}, ${format(g.lengthM, 'run', job.units, 2)}: worn through to the frame it
    would carry ${amps(g.wouldCarryA)}, it may carry ${amps(g.allowedA)}`,
})

/** A conductor behind another fuse than one fan's own, or behind several at once, against what they let through. */
const behind = (job: Job, g: Guard): PartDefinition => {
  const own = runConductor(job.conductors.find((c) => c.id === g.conductor)!)
  const common = { id: `${IDS.behind}${g.wire}`, name: say`in guarding the ${g.name}`, unit: 'A', required: 0 } as const
  if (own.size === null) return { ...common, needs: say`a size for the ${spokenWord(g.role)}` }
  return {
    ...common,
    scale: fixedScale(Math.max(1, g.letsThroughA / 4)),
    compute: (bench) =>
      over(
        allowedCurrent(own.size!, conductorAt(bench, own), g.name),
        { name: g.fuses.length > 1 ? say`its fuses together` : say`its fuse`, value: g.letsThroughA },
        0,
        'current',
        '§1.4',
      ),
  }
}

/** A feed before its fuse is told by how far the fuse is from the post, one without any by its own line. */
const toldElsewhere = (job: Job, g: Guard): boolean =>
  g.piece === 'to fuse' ||
  ((g.role === 'feed' || g.role === 'return') &&
    job.runs.some((r) => r.conductors.includes(g.conductor) && r.fuse === null))

/**
 * What guards the conductors that no fan's own fuse answers for alone: none, another fuse, several, or one that nobody
 * has looked at.
 * @see engineering §1.4
 */
export function guardParts(job: Job): PartDefinition[] {
  const guards = guardsOf(job)
  return [
    ...guards.filter((g) => g.bare && g.verdict === 'unguarded' && !toldElsewhere(job, g)).map((g) => bare(job, g)),
    ...guards
      .filter((g) => !g.bare && !g.unknown && g.fuses.length > 0 && (g.fuses.length > 1 || !g.own))
      .map((g) => behind(job, g)),
    ...(['key', 'others'] as const)
      .filter((whose) => guards.some((g) => g.unknown === whose))
      .map((whose): PartDefinition => ({
        id: `${IDS.loom}${whose}`,
        name: whose === 'key' ? say`before the key` : say`of the borrowed feed`,
        unit: 'A',
        required: 0,
        needs:
          whose === 'key'
            ? say`the machine's own fuse before the key (see its box), or a fuse of your own where the wires leave it`
            : say`what the borrowed feed is fused with`,
      })),
  ]
}

/** A fan that some way of running leads past its own fuse: held fast, it opens nothing. */
export const pastFuseParts = (job: Job, circuit: FanCircuit): PartDefinition[] =>
  ofRun(
    circuit,
    (loadsOf(job).pastFuse.get(circuit.run.id) ?? []).map((by): PartDefinition => ({
      id: `${IDS.past}${by}${circuit.tag}`,
      name: say`past the fuse${circuit.suffix}`,
      unit: 'A',
      required: 0,
      missing: say`by ${by} the fan's current goes past its own fuse: held fast, it opens nothing`,
    })),
  )
