import { z } from 'zod'
import { coolants } from '../../air'
import { field, seenOnly } from '../../fields'
import { upTo } from '../limits'
import { panelSchema } from './place'

export const engineSchema = z.strictObject({
  ratedPowerW: field('rated power', 'power', [200, 600_000], 'machine'),
  ratedRpm: field('rated speed', 'engineSpeed', [300, 20_000], 'machine'),
  massKg: field('engine weight', 'mass', [1, 5000], 'trigger', 'the handbook; it is what stores the heat'),
  storeFactor: seenOnly(
    field(
      'heat that its metal stores, against the estimate',
      'share',
      [0.2, 5],
      'trigger',
      '1 until a logged run says otherwise',
    ),
  ),
  idleRpm: field('idle speed', 'engineSpeed', [200, 5000], 'machine'),
  slowRpm: field('slow work speed', 'engineSpeed', [200, 15_000], 'machine'),
  cruiseRpm: field('cruise speed', 'engineSpeed', [200, 18_000], 'machine'),
  heatShare: seenOnly(
    field(
      'heat over brake power',
      'share',
      [0.01, 2],
      'machine',
      'into coolant: petrol four-stroke 0.9, two-stroke 0.8, diesel 0.7; into a bay: ducted 0.2, louvred ' +
        '0.5, closed 1; beside a liquid-cooled engine 0.03',
    ),
  ),
  idleShare: seenOnly(field('load share, standing', 'share', [0.005, 1], 'machine', 'idling at a gate 0.04')),
  slowShare: seenOnly(
    field(
      'load share, slow work',
      'share',
      [0.01, 1],
      'machine',
      'slow technical ground 0.18, climb 0.45, digging 0.5',
    ),
  ),
  slowMs: field('travels at slow work', 'speed', [0, 20], 'machine', '0 where it stands while it works'),
  cruiseMs: field('travels at speed', 'speed', [0, 60], 'machine'),
  loadShare: seenOnly(
    field('load share of the heaviest work', 'share', [0.01, 1], 'machine', 'slow crawl 0.18, climb 0.45, digging 0.5'),
  ),
  thermostatOpensC: field(
    'engine thermostat opens',
    'temperature',
    [20, 120],
    'measure',
    'stamped on it, or in a pan of water with a thermometer',
  ).nullable(),
})

/** the coolant and its core; null where air alone carries the heat */
export const coolingSchema = z.strictObject({
  coolant: z.enum(coolants),
  glycolShare: field('glycol in the coolant', 'share', [0, 0.7], 'measure', 'with a coolant tester'),
  volumeM3: field('coolant', 'volume', [1e-4, 0.1], 'measure', 'the handbook, or what ran out into a jug'),
  capPa: field('cap', 'pressure', [0, 3e5], 'measure', 'stamped on the cap'),
  cores: z.int().min(1).max(4),
  coresJoined: z.boolean(),
  coreWidthM: field('core wide', 'length', [0.03, 2], 'measure', 'tape across the fins, side channels left out'),
  coreHeightM: field('core high', 'length', [0.03, 2], 'measure', 'tape along the fins, tanks left out'),
  coreThicknessM: field(
    'core thick',
    'length',
    [0.008, 0.2],
    'measure',
    'a wire through the fins, marked at both faces',
  ),
  finsPerInch: field('fins per inch', 'count', [4, 30], 'measure', 'count them along 25 mm'),
  tankTopM: field('tank above the fins', 'length', [0, 0.5], 'measure', 'from the fins to its top edge, cap left out'),
  tankBottomM: field('tank below the fins', 'length', [0, 0.5], 'measure', 'from the fins to its bottom edge'),
  tubePitchM: field('tube to tube', 'length', [0.003, 0.05], 'measure', 'over ten tubes, then a tenth'),
  betweenCoresM: field(
    'core to core, middle to middle',
    'length',
    [0, 2],
    'measure',
    'left edge to left edge is the same',
  ),
  passes: z.int().min(1).max(3),
  ramShare: seenOnly(
    field(
      'share of the travel’s pressure at the core',
      'share',
      [0, 1],
      'measure',
      'bare 0.4, behind a fairing 0.3, inside a body 0.25',
    ),
  ),
  resistanceFactor: seenOnly(
    field(
      'core’s resistance, against the estimate',
      'share',
      [0.3, 3],
      'measure',
      '1 until a measured air-flow says otherwise',
    ),
  ),
  transferFactor: seenOnly(
    field(
      'core’s heat transfer, against the estimate',
      'share',
      [0.3, 3],
      'measure',
      '1 until a logged run says otherwise',
    ),
  ),
})

/** the thicker core that takes the present one's place */
export const newCoreSchema = z.strictObject({
  thicknessM: field('new core thick', 'length', [0.008, 0.25], 'measure', 'a rule across its side, fins only'),
  finsPerInch: field('new core, fins per inch', 'count', [4, 30], 'measure', 'count them along 25 mm'),
  pinOldM: field(
    'pin to face, present core',
    'length',
    [0, 0.3],
    'measure',
    'from the middle of the mounting pin to the front face',
  ),
  pinNewM: field(
    'pin to face, new core',
    'length',
    [0, 0.3],
    'measure',
    'from the middle of the mounting pin to the front face',
  ),
  hoseGapM: field('gap behind the hoses', 'length', [0, 0.5], 'measure', 'at the tightest hose, present core'),
  shroudGapM: field('gap at the shroud', 'length', [0, 0.5], 'measure', 'present core'),
})

/** the space that air is moved through; null for a core */
export const baySchema = z.strictObject({
  spaceM3: field('space inside', 'space', [0.005, 30], 'measure', 'length × width × height, less what stands in it'),
  ventInM2: field('vents in', 'opening', [0, 2], 'measure', 'free area: a coarse grille leaves about two thirds'),
  ventOutM2: field('vents out', 'opening', [0, 2], 'measure', 'free area'),
  ventHeightM: field('outlet above inlet', 'length', [0, 3], 'measure', 'middle to middle'),
  allowedC: field('hottest it may get', 'temperature', [20, 200], 'machine', 'what the seat, panel or goods can bear'),
  heatW: field('heat given off inside', 'heat', [1, 50_000], 'machine', 'its rating, or what it draws').nullable(),
  panelM2: field('sheet that sheds heat', 'opening', [0, 50], 'measure', 'outside area of the bay; 0 where unknown'),
  /** the engine's own fan; null where it has none */
  flywheel: z
    .strictObject({
      freeFlowM3s: seenOnly(
        field('flywheel fan, free air-flow', 'flow', [0.0005, 3], 'machine', 'anemometer at its outlet'),
      ),
      maxPressurePa: seenOnly(field('flywheel fan, greatest pressure', 'airPressure', [1, 5000], 'machine')),
    })
    .nullable(),
  intakeFrom: z.enum(['the bay', 'outside']).nullable(),
  panels: z
    .array(panelSchema)
    .min(1)
    .max(...upTo('panels')),
})

export type Engine = z.infer<typeof engineSchema>
export type Cooling = z.infer<typeof coolingSchema>
export type NewCore = z.infer<typeof newCoreSchema>
export type Bay = z.infer<typeof baySchema>
