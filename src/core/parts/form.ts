import type { Quantity } from '../units'
import { bandKinds, controlKinds } from '../control'
import { batteryKindName, batteryKinds, fuseFormNames, fuseForms } from '../electrical'
import { controllerInputs, fittingKinds, harnessBrings } from './choices'
import type { PartKind } from './part'
import { say, spokenWord } from '../words'

export const partKinds: Readonly<Record<PartKind, { readonly name: string; readonly plural: string }>> = {
  fan: { name: say`fan`, plural: say`fans` },
  controller: { name: say`controller`, plural: say`controllers` },
  probe: { name: say`probe`, plural: say`probes` },
  relay: { name: say`relay`, plural: say`relays` },
  switch: { name: say`switch`, plural: say`switches` },
  fuse: { name: say`fuse with holder`, plural: say`fuses and holders` },
  conductor: { name: say`conductor`, plural: say`conductors` },
  connector: { name: say`connector`, plural: say`connectors` },
  fitting: { name: say`fitting`, plural: say`fittings` },
  harness: { name: say`ready-made harness`, plural: say`ready-made harnesses` },
  battery: { name: say`battery`, plural: say`batteries` },
}

type Choice = { readonly value: string; readonly name: string }

/** One line of a part's form. `path` says where it stands in the part. */
export interface FormLine {
  readonly path: string
  readonly label: string
  readonly kind: 'text' | 'lines' | 'choice' | 'reading' | 'figure' | 'size'
  readonly quantity?: Quantity
  readonly options?: readonly Choice[]
  /** may be left empty: then the part has none of it */
  readonly optional?: boolean
  /** counted or stepped in the unit that the document keeps, not converted */
  readonly raw?: boolean
  readonly tell?: string
  /** of the shelf and not of the part: no job has it otherwise */
  readonly ofShelf?: boolean
}

const reading = (path: string, label: string, quantity: Quantity, more: Partial<FormLine> = {}): FormLine => ({
  path,
  label,
  kind: 'reading',
  quantity,
  ...more,
})
const figure = (path: string, label: string, quantity: Quantity, more: Partial<FormLine> = {}): FormLine => ({
  path,
  label,
  kind: 'figure',
  quantity,
  ...more,
})
const choice = (
  path: string,
  label: string,
  values: readonly (string | Choice)[],
  more: Partial<FormLine> = {},
): FormLine => ({
  path,
  label,
  kind: 'choice',
  options: values.map((v) => (typeof v === 'string' ? { value: v, name: v } : v)),
  ...more,
})
const text = (path: string, label: string, more: Partial<FormLine> = {}): FormLine => ({
  path,
  label,
  kind: 'text',
  optional: true,
  ...more,
})
const ingress = text('ingress', say`ingress code`, { tell: say`IP65; empty where unknown: it counts as IP20` })
const terminal = figure('terminalAreaM2', say`terminal takes`, 'area', {
  optional: true,
  tell: say`thickest copper; empty where nothing limits it`,
})
const stock = figure('stock', say`in stock`, 'count', {
  optional: true,
  ofShelf: true,
  tell: say`sleeve in metres; empty where nobody counts`,
})
const contact = (optional: boolean): FormLine[] => [
  figure('contact.ratedA', say`contact rating`, 'current', {
    optional,
    tell: optional ? say`empty where it cannot carry a fan` : '',
  }),
  choice('contact.rating', say`rating is for`, [
    { value: 'motor', name: say`motors` },
    { value: 'resistive', name: say`resistive loads` },
  ]),
  figure('contact.makeA', say`may make`, 'current', {
    optional: true,
    tell: say`starting current; 3 × the motor rating where unknown`,
  }),
]
const failing = [
  { value: 'fan off', name: say`fan stays off` },
  { value: 'fan on', name: say`fan stays on` },
]

/** What a part of each kind is described by; a new property is a new line here and in its schema. */
const own: Readonly<Record<PartKind, readonly FormLine[]>> = {
  fan: [
    choice('motor', 'motor', [
      { value: 'brushed', name: say`with brushes` },
      { value: 'brushless', name: say`brushless` },
    ]),
    figure('ratedV', say`rated at`, 'voltage'),
    reading('ratedA', say`fan current, rated`, 'current'),
    reading('lockedA', say`fan current, held fast`, 'current', { optional: true, tell: say`4 × rated where unknown` }),
    reading('diameterM', say`blade diameter`, 'length'),
    reading('housingM', say`housing, across`, 'length', {
      optional: true,
      tell: say`guessed from the blades where
      unknown`,
    }),
    figure('fixings', say`fixing holes`, 'count', { optional: true, raw: true, tell: say`four where unknown` }),
    reading('boltCircleM', say`circle of its fixing holes`, 'length', {
      optional: true,
      tell: say`guessed from the housing where unknown`,
    }),
    reading('depthM', say`fan depth`, 'length'),
    reading('freeFlowM3s', say`free air-flow, from the box`, 'flow'),
    reading('maxPressurePa', say`greatest pressure`, 'airPressure', {
      optional: true,
      tell: say`guessed from the diameter where unknown`,
    }),
    reading('massKg', say`fan weight`, 'mass'),
    reading('leadM', say`lead supplied with the fan`, 'length'),
    ingress,
  ],
  controller: [
    choice(
      'band',
      say`keeps its band`,
      bandKinds.map((value) => ({ value, name: controlKinds[value].name })),
    ),
    choice('shows', say`its display shows`, ['°C', '°F'], { tell: say`a setting is only ever one that it can show` }),
    figure('range.minC', say`lowest setting`, 'temperature', {
      optional: true,
      tell: say`empty for what cannot be
      set`,
    }),
    figure('range.maxC', say`highest setting`, 'temperature', { optional: true }),
    figure('range.stepK', 'step', 'temperatureDifference', { optional: true }),
    figure('range.bandMinK', say`least band`, 'temperatureDifference', { optional: true }),
    figure('range.bandMaxK', say`widest band`, 'temperatureDifference', { optional: true }),
    figure('leastDuty', say`ramp begins with`, 'share', { optional: true, tell: say`15 % of full where unknown` }),
    reading('fixed.closesC', say`switch closes`, 'temperature', { optional: true }),
    reading('fixed.opensC', say`switch opens`, 'temperature', { optional: true }),
    ...contact(true),
    terminal,
    reading('standbyA', say`draw, standing`, 'current'),
    reading('leadM', say`lead supplied, to fan or relay`, 'length', {
      optional: true,
      tell: say`empty where it has terminals`,
    }),
    reading('supplyLeadM', say`lead supplied, to the battery`, 'length', { optional: true }),
    {
      path: 'inputs',
      label: say`inputs of its own`,
      kind: 'lines',
      optional: true,
      tell: say`one a line: ${controllerInputs.join(', ')}`,
    },
    choice('probeOpen', say`probe lead open`, failing),
    choice('probeShorted', say`probe lead shorted`, failing),
    ingress,
    {
      path: 'keys',
      label: say`how its keys set it`,
      kind: 'lines',
      optional: true,
      tell: say`one step a line; {set}, {band}, {span}, {on}, {off} and {lowest} are filled in`,
    },
    text('suppliedProbeId', say`comes with probe`),
  ],
  probe: [
    figure('r25Ohm', say`resistance at 25 °C`, 'resistance'),
    figure('betaK', say`B value, K`, 'count', { raw: true }),
    reading('leadM', say`lead supplied with the probe`, 'length'),
  ],
  relay: [
    ...contact(false),
    figure('coilOhm', 'coil', 'resistance'),
    choice('coilV', say`coil is for`, [
      { value: '12', name: '12 V' },
      { value: '24', name: '24 V' },
    ]),
    choice('suppressed', say`diode or resistor across the coil`, [
      { value: 'yes', name: say`yes` },
      { value: 'no', name: say`no` },
    ]),
    terminal,
  ],
  switch: [...contact(false), terminal],
  fuse: [
    choice(
      'form',
      'form',
      fuseFormNames.map((value) => ({ value, name: spokenWord(fuseForms[value].name) })),
    ),
    figure('ratingA', 'rating', 'current'),
    figure('holderA', say`holder carries at most`, 'current', { optional: true }),
    terminal,
    ingress,
    stock,
  ],
  conductor: [
    { path: 'size', label: say`size`, kind: 'size' },
    choice('insulationC', 'insulation', [
      { value: '80', name: '80 °C' },
      { value: '105', name: '105 °C' },
      { value: '125', name: '125 °C' },
    ]),
    text('colour', 'colour'),
    figure('stockM', say`on the reel`, 'run'),
  ],
  connector: [
    figure('ways', say`ways`, 'count'),
    figure('ratedA', say`each pin carries`, 'current'),
    terminal,
    ingress,
    stock,
  ],
  fitting: [
    choice('what', say`what it is`, fittingKinds),
    text('fits', say`stud, blade or bore`, { tell: 'M6, 6.3 mm' }),
    figure('leastAreaM2', say`thinnest wire`, 'area', { optional: true }),
    figure('mostAreaM2', say`thickest wire`, 'area', { optional: true }),
    figure('ratedA', say`carries`, 'current', { optional: true }),
    figure('ratedV', 'blocks', 'voltage', { optional: true, tell: say`a diode: 100 V and more` }),
    stock,
  ],
  harness: [
    {
      path: 'wires',
      label: say`its wires`,
      kind: 'lines',
      tell: say`one a line: colour, size, length, what it is for; ? where nobody knows`,
    },
    {
      path: 'brings',
      label: say`brings with it`,
      kind: 'lines',
      optional: true,
      tell: say`one a line: ${harnessBrings.join(', ')}`,
    },
    figure('fuseA', say`its fuse`, 'current', { optional: true, tell: say`empty where it brings none` }),
    stock,
  ],
  battery: [
    choice(
      'chemistry',
      'kind',
      batteryKinds.map((value) => ({ value, name: batteryKindName(value) })),
    ),
    choice('hourRateH', say`capacity is at`, [
      { value: '10', name: '10 h' },
      { value: '20', name: '20 h' },
    ]),
    reading('capacityAh', say`battery capacity`, 'batteryCapacity'),
    reading('coldCrankingA', say`cold-cranking current`, 'current', { optional: true }),
    reading('massKg', say`battery weight`, 'mass'),
  ],
}

const named = [text('name', 'name', { optional: false }), text('maker', 'maker')]

/** The lines of a part's form, in order. */
const bought: readonly FormLine[] = [
  {
    path: 'separately',
    label: say`needs besides, sold separately`,
    kind: 'lines',
    optional: true,
    tell: say`one a line: mounting kit, relay`,
  },
  figure('price', say`price of one, or of a metre`, 'count', { optional: true, ofShelf: true }),
]
const reorder = figure('reorderAt', say`order again at`, 'count', {
  optional: true,
  ofShelf: true,
  tell: say`when no more are left`,
})
const isCounted = (kind: PartKind): boolean => own[kind].some((l) => l.path === 'stock' || l.path === 'stockM')

/** Every line of a part's form. */
export const formOf = (kind: PartKind): FormLine[] => [
  ...named,
  ...own[kind],
  ...bought,
  ...(isCounted(kind) ? [reorder] : []),
  text('note', 'note'),
]
