import { type UnitSystem, worded } from '../units'
import { say } from '../words'

/** The usual cautions; a step names those that belong to it. */
export const cautions = {
  maker: say`The machine maker's instructions, local rules and, where the law asks for one, a qualified person come
    before anything written here.`,
  hotCoolant: say`Hot coolant is under pressure: open no cap or hose above 50 °C.`,
  poison: say`Coolant poisons animals: catch every drop and wipe what is spilt.`,
  fuel: say`Fuel line and tank: no flame, no spark, catch what drips.`,
  battery: say`Battery off first, negative before positive, and on last; keep the positive covered.`,
  surprise: say`A fan on a thermostat starts without warning, engine off or not: keep fingers, sleeves and tools out.`,
  propped: say`Prop the machine so that it cannot fall or roll.`,
  exhaust: say`Exhaust and shields stay hot for long.`,
  fumes: say`Carbon monoxide: run the engine outdoors or with the exhaust led out.`,
  eyes: say`Eye protection for cutting ties, drilling and riveting.`,
  fuseFirst: say`No load before its fuse.`,
  hydraulics: say`Lower the bucket and let the pressure off before a hose or a panel is opened; oil under pressure
    goes through skin.`,
  towLights: say`Road-lighting circuits of a trailer are never the source and are not to be tapped.`,
  drilling: say`Look and feel behind before drilling: tanks, lines and looms hide behind sheet.`,
  batteryGas: say`A battery that charges gives off gas: air the space first, no spark, no flame, and no brushed motor
    where the gas gathers.`,
  lithium: say`A lithium pack that was crushed, bent or hot stays off the machine.`,
} as const
export type Caution = keyof typeof cautions

/**
 * A caution with its figures in these units.
 * @example cautionInWords('fuseFirst', 'metric') //=> 'No load before its fuse.'
 */
export const cautionInWords = (caution: Caution, units: UnitSystem): string => worded(cautions[caution], units)
