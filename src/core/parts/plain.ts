import type { ControllerPart, SwitchPart } from './part'
import { say } from '../words'

const bare = {
  maker: '',
  note: '',
  facts: [],
  kind: 'controller',
  range: null,
  fixed: null,
  leastDuty: null,
  terminalAreaM2: null,
  standbyA: { value: 0, source: 'label' },
  inputs: [],
  probeOpen: 'fan off',
  probeShorted: 'fan off',
  ingress: null,
  leadM: null,
  supplyLeadM: null,
  keys: [],
  suppliedProbeId: null,
} satisfies Partial<ControllerPart>

/** No controller at all: the fan runs while its feed is live. */
export const plainWire: ControllerPart = {
  ...bare,
  id: 'plain-wire',
  name: say`no controller: a plain wire`,
  band: 'always',
  contact: null,
}

/** One of the shelf's switches, by hand, where a controller would be. */
export const handSwitch = ({ id, name, maker, contact, terminalAreaM2 }: SwitchPart): ControllerPart => ({
  ...bare,
  id: `by-hand-${id}`.slice(0, 40),
  name: say`by hand: ${name}`.slice(0, 80),
  maker,
  band: 'hand',
  contact,
  terminalAreaM2,
})
