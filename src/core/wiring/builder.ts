import { type Control, type Element, GROUND, type Netlist } from '../circuit'
import { CRIMP_OHM, resistancePerMetre, SWITCH_OHM, allowedAmps, conductorOhm } from '../electrical'
import { ambientAt, conductorAt, runConductor, type RunConductor } from '../fan-circuit'
import { type ConductorRole, type Job, roleNames } from '../job'
import type { Bench } from '../reading'
import type { NodeIs, Nodes } from './nodes'
import { say, spokenWord } from '../words'

const MISSING_SIZE = '1 mm²' as const
type Wire = Extract<Element, { kind: 'wire' }>

/** Something about a circuit that must be said before any figure of it is believed. */
export interface Problem {
  /** the element it concerns */
  readonly at: string | null
  readonly text: string
  /** refused: no figure of it counts; warns: must be looked at; waits: something is not chosen or known yet */
  readonly level: 'refused' | 'warns' | 'waits'
}

/** A job's circuit as data, with what is wrong with it before it is solved. */
export interface JobNetlist extends Netlist {
  /** what its nodes are at the bench */
  readonly nodes: Nodes
  readonly problems: readonly Problem[]
}

/** A circuit while it is put together: its elements, what decides over them, and what is wrong with it. */
export class Builder {
  readonly elements: Element[] = []
  readonly controls: Control[] = []
  readonly problems: Problem[] = []
  readonly nodes = new Map<string, NodeIs>([[GROUND, { is: 'ground' }]])
  constructor(
    readonly job: Job,
    readonly bench: Bench,
  ) {}

  add(e: Element): void {
    this.elements.push(e)
  }
  /** Names a node and says what it is. */
  node(name: string, is: NodeIs): string {
    this.nodes.set(name, is)
    return name
  }
  say(text: string, at: string | null = null, level: Problem['level'] = 'waits'): void {
    this.problems.push({ at, text, level })
  }

  /** What a conductor may carry for good, A. @see engineering §1.1 */
  allowed(c: RunConductor): number {
    return allowedAmps(c.size ?? MISSING_SIZE, conductorAt(this.bench, { ...c, size: c.size ?? MISSING_SIZE }))
  }

  /** Resistance of a piece of a conductor at the temperature its current brings it to. */
  piece(c: RunConductor, lengthM: number, currentA: number): number {
    if (c.size === null)
      this.say(say`The ${roleNames[c.role]} has no size: reckoned as ${spokenWord(MISSING_SIZE)}.`, c.id)
    return conductorOhm(currentA, {
      ...conductorAt(this.bench, { ...c, size: c.size ?? MISSING_SIZE }),
      lengthM,
    })
  }

  wire(
    name: string,
    label: string,
    a: string,
    b: string,
    ohm: number,
    conductor: string | null = null,
    more: Pick<Wire, 'run' | 'piece' | 'loom'> = {},
  ): void {
    const own = this.job.conductors.find((c) => c.id === conductor)
    this.add({
      kind: 'wire',
      name,
      label,
      a,
      b,
      ohm,
      conductor,
      ...(own ? { allowedA: this.allowed(runConductor(own)) } : {}),
      ...more,
    })
  }

  /** A wire that carries signals, by its role; a plain joint where the job has none of it. */
  signal(role: ConductorRole, name: string, a: string, b: string): void {
    const c = this.job.conductors.find((x) => x.role === role)
    const ohm = c
      ? resistancePerMetre(runConductor(c).size ?? MISSING_SIZE, ambientAt(this.bench, runConductor(c).at)) *
        this.bench.value(`conductors.${c.id}.lengthM`)
      : SWITCH_OHM
    this.wire(name, roleNames[role], a, b, ohm + 2 * CRIMP_OHM, c?.id ?? null)
  }
}

/** Each thing is said once. */
export const unique = (problems: readonly Problem[]): Problem[] =>
  problems.filter((p, i) => problems.findIndex((o) => o.text === p.text) === i)
