import type { MarginId } from '../job'
import { say } from '../words'

/** A question that comes up again and again, and where: light enough for every page that links to it. */
export interface Question {
  readonly id: string
  readonly question: string
  readonly margins: readonly MarginId[]
  readonly steps: readonly string[]
}

const asked = (id: string, question: string, margins: readonly MarginId[], ...steps: string[]): Question => ({
  id,
  question,
  margins,
  steps,
})

/** Every question that is answered; its answer stands under the same id. A new one is a new entry in both. */
export const questions = [
  asked(
    'fuse-and-wire',
    say`Why does a fuse guard the wire, and not the fan?`,
    ['fuse', 'wire'],
    'fuse-holder',
    'fuse-in',
  ),
  asked('relay-and-key', say`What does a relay save a key switch?`, ['contacts'], 'relay'),
  asked('rest-volts', say`Why do a battery’s rest volts lie after charging?`, ['battery', 'charge'], 'battery-off'),
  asked('band', say`What is a band, and why not set it small?`, ['trigger'], 'working-setting'),
  asked('turned-blade', say`Why does turning the blade over not turn the air?`, [], 'mount'),
  asked('flow-on-the-box', say`Why is the flow on the box not what moves?`, ['air']),
  asked('same-size', say`Why is the same size not the same flow?`, ['air', 'fit'], 'mount'),
  asked('twice-as-thick', say`Is a core twice as thick twice as good?`, ['air', 'boil'], 'core-off'),
  asked('more-passes', say`Do more passes cool better?`, ['boil']),
] as const satisfies readonly Question[]

export const questionsAtMargin = (margin: MarginId): Question[] =>
  questions.filter((q: Question) => q.margins.includes(margin))

export const questionsAtStep = (step: string): Question[] => questions.filter((q: Question) => q.steps.includes(step))
