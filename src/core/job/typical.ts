import { type MachineKind } from './choices'
import type { BatteryKind } from '../electrical'
import type { WireSize } from '../units'
import type { JobKind } from './kinds'
import { say } from '../words'

interface Vents {
  readonly spaceM3: number
  readonly inM2: number
  readonly outM2: number
  readonly heightM: number
  readonly allowedC: number
  readonly heatShare: number
}

/** Starting guesses for one kind of machine, in workshop units; every one is typical until somebody knows better. */
export interface TypicalMachine {
  readonly name: string
  /** kinds of job that make sense for it; the first is the usual one */
  readonly jobs: readonly JobKind[]
  readonly battery: {
    readonly kind: BatteryKind
    readonly ah: number
    readonly coldCrankingA: number | null
    readonly crankingA: number | null
  }
  readonly charging: { readonly currentA: number; readonly rpm: number }
  readonly loadsA: number
  /** null for what has no engine of its own */
  readonly engine: {
    readonly idle: number
    readonly slow: number
    readonly cruise: number
    readonly rated: number
    readonly powerKw: number
    readonly heatShare: number
    readonly loadShare: number
  } | null
  readonly coolant: { readonly litres: number; readonly capBar: number; readonly opensC: number } | null
  readonly core: {
    readonly wideMm: number
    readonly highMm: number
    readonly thickMm: number
    readonly count: number
    readonly finsPerInch: number
  } | null
  /** the bay or compartment that air may be moved through */
  readonly bay: Vents | null
  /** heat of what stands in a compartment without an engine, W */
  readonly heatW: number | null
  readonly tow: {
    readonly pinA: number
    readonly cableM: number
    readonly cableSize: WireSize
    readonly chargerA: number
    readonly aloneH: number
  } | null
  /** with rider or load; its engine, null without one */
  readonly weightKg: number
  readonly engineKg: number | null
  readonly freeBehindMm: number
  readonly coldestC: number
  readonly hottestC: number
  /** load shares standing and at slow work, travel at slow work and at speed in km/h; null without an engine */
  readonly duty: {
    readonly idleShare: number
    readonly slowShare: number
    readonly slowKmh: number
    readonly cruiseKmh: number
  } | null
  /** share of the travel's pressure at the core: bare 0.4, faired 0.3, in a body 0.25, 0 for what stands */
  readonly ramShare: number
  /** it shakes: ties through fins alone do not hold a fan on it */
  readonly rough: boolean
  /** steering takes part of every lead; without it there is no lock to go to */
  readonly steers: boolean
  /** metres of feed and of return, fan lead, probe lead, steering */
  readonly routes: {
    readonly feedM: number
    readonly returnM: number
    readonly fanMm: number
    readonly probeMm: number
    readonly sweepMm: number
  }
}

/** One entry per kind of machine: a new kind is a new entry. Estimates for made-up machines. */
export const typicalMachines: Readonly<Record<MachineKind, TypicalMachine>> = {
  'trail-bike': {
    name: say`trail bike`,
    jobs: ['core', 'thicker-core', 'wiring'],
    battery: { kind: 'agm', ah: 7, coldCrankingA: 110, crankingA: 55 },
    charging: { currentA: 14, rpm: 5500 },
    loadsA: 6,
    engine: { idle: 1700, slow: 3200, cruise: 5500, rated: 8500, powerKw: 26, heatShare: 0.9, loadShare: 0.45 },
    coolant: { litres: 1.3, capBar: 1.1, opensC: 78 },
    core: { wideMm: 120, highMm: 240, thickMm: 30, count: 2, finsPerInch: 14 },
    bay: null,
    heatW: null,
    tow: null,
    weightKg: 190,
    engineKg: 27,
    freeBehindMm: 55,
    coldestC: 0,
    hottestC: 32,
    duty: { idleShare: 0.04, slowShare: 0.13, slowKmh: 8, cruiseKmh: 40 },
    ramShare: 0.4,
    rough: true,
    steers: true,
    routes: { feedM: 1.2, returnM: 1.1, fanMm: 250, probeMm: 500, sweepMm: 30 },
  },
  'road-bike': {
    name: say`road bike`,
    jobs: ['core', 'thicker-core', 'wiring'],
    battery: { kind: 'agm', ah: 12, coldCrankingA: 190, crankingA: 90 },
    charging: { currentA: 28, rpm: 5000 },
    loadsA: 12,
    engine: { idle: 1200, slow: 2500, cruise: 4500, rated: 9000, powerKw: 55, heatShare: 0.9, loadShare: 0.45 },
    coolant: { litres: 2.4, capBar: 1.1, opensC: 82 },
    core: { wideMm: 330, highMm: 250, thickMm: 28, count: 1, finsPerInch: 14 },
    bay: null,
    heatW: null,
    tow: null,
    weightKg: 300,
    engineKg: 60,
    freeBehindMm: 60,
    coldestC: 0,
    hottestC: 35,
    duty: { idleShare: 0.04, slowShare: 0.07, slowKmh: 10, cruiseKmh: 80 },
    ramShare: 0.3,
    rough: false,
    steers: true,
    routes: { feedM: 1.4, returnM: 1.3, fanMm: 250, probeMm: 600, sweepMm: 30 },
  },
  'side-by-side': {
    name: say`side-by-side`,
    jobs: ['core', 'bay', 'thicker-core', 'wiring'],
    battery: { kind: 'agm', ah: 24, coldCrankingA: 310, crankingA: 150 },
    charging: { currentA: 42, rpm: 5500 },
    loadsA: 15,
    engine: { idle: 1300, slow: 3000, cruise: 4500, rated: 6800, powerKw: 48, heatShare: 0.9, loadShare: 0.45 },
    coolant: { litres: 5, capBar: 1.1, opensC: 82 },
    core: { wideMm: 580, highMm: 360, thickMm: 38, count: 1, finsPerInch: 12 },
    bay: { spaceM3: 0.15, inM2: 0.02, outM2: 0.02, heightM: 0.3, allowedC: 60, heatShare: 0.03 },
    heatW: null,
    tow: null,
    weightKg: 900,
    engineKg: 70,
    freeBehindMm: 90,
    coldestC: 0,
    hottestC: 35,
    duty: { idleShare: 0.04, slowShare: 0.15, slowKmh: 9, cruiseKmh: 40 },
    ramShare: 0.25,
    rough: true,
    steers: false,
    routes: { feedM: 3, returnM: 2.8, fanMm: 350, probeMm: 900, sweepMm: 0 },
  },
  'digger-air': {
    name: say`digger, air-cooled`,
    jobs: ['bay', 'wiring'],
    battery: { kind: 'flooded', ah: 30, coldCrankingA: 260, crankingA: 130 },
    charging: { currentA: 16, rpm: 3400 },
    loadsA: 3,
    engine: { idle: 1500, slow: 2800, cruise: 3000, rated: 3600, powerKw: 9, heatShare: 0.5, loadShare: 0.5 },
    coolant: null,
    core: null,
    bay: { spaceM3: 0.3, inM2: 0.03, outM2: 0.03, heightM: 0.45, allowedC: 90, heatShare: 0.5 },
    heatW: null,
    tow: null,
    weightKg: 1000,
    engineKg: 30,
    freeBehindMm: 60,
    coldestC: 0,
    hottestC: 32,
    duty: { idleShare: 0.04, slowShare: 0.5, slowKmh: 0, cruiseKmh: 0 },
    ramShare: 0,
    rough: true,
    steers: false,
    routes: { feedM: 1.6, returnM: 1.5, fanMm: 300, probeMm: 500, sweepMm: 0 },
  },
  'digger-liquid': {
    name: say`digger, liquid-cooled`,
    jobs: ['core', 'bay', 'thicker-core', 'wiring'],
    battery: { kind: 'flooded', ah: 50, coldCrankingA: 450, crankingA: 220 },
    charging: { currentA: 40, rpm: 2500 },
    loadsA: 9,
    engine: { idle: 1200, slow: 2100, cruise: 2300, rated: 2500, powerKw: 13, heatShare: 0.7, loadShare: 0.5 },
    coolant: { litres: 4.5, capBar: 0.9, opensC: 76 },
    core: { wideMm: 340, highMm: 340, thickMm: 45, count: 1, finsPerInch: 11 },
    bay: { spaceM3: 0.5, inM2: 0.05, outM2: 0.05, heightM: 0.5, allowedC: 90, heatShare: 0.03 },
    heatW: null,
    tow: null,
    weightKg: 1800,
    engineKg: 95,
    freeBehindMm: 110,
    coldestC: 0,
    hottestC: 35,
    duty: { idleShare: 0.04, slowShare: 0.5, slowKmh: 0, cruiseKmh: 0 },
    ramShare: 0,
    rough: true,
    steers: false,
    routes: { feedM: 2.2, returnM: 2, fanMm: 350, probeMm: 700, sweepMm: 0 },
  },
  'older-vehicle': {
    name: say`older vehicle`,
    jobs: ['core', 'thicker-core', 'wiring'],
    battery: { kind: 'flooded', ah: 62, coldCrankingA: 540, crankingA: 260 },
    charging: { currentA: 55, rpm: 3000 },
    loadsA: 24,
    engine: { idle: 800, slow: 1500, cruise: 2500, rated: 5000, powerKw: 75, heatShare: 0.9, loadShare: 0.45 },
    coolant: { litres: 9, capBar: 0.9, opensC: 82 },
    core: { wideMm: 480, highMm: 420, thickMm: 50, count: 1, finsPerInch: 12 },
    bay: null,
    heatW: null,
    tow: null,
    weightKg: 1400,
    engineKg: 150,
    freeBehindMm: 90,
    coldestC: 0,
    hottestC: 35,
    duty: { idleShare: 0.04, slowShare: 0.08, slowKmh: 0, cruiseKmh: 70 },
    ramShare: 0.25,
    rough: false,
    steers: false,
    routes: { feedM: 2, returnM: 1.8, fanMm: 400, probeMm: 800, sweepMm: 0 },
  },
  trailer: {
    name: say`trailer`,
    jobs: ['bay', 'wiring'],
    battery: { kind: 'agm', ah: 90, coldCrankingA: null, crankingA: null },
    charging: { currentA: 10, rpm: 1000 },
    loadsA: 4,
    engine: null,
    coolant: null,
    core: null,
    bay: { spaceM3: 1, inM2: 0.02, outM2: 0.02, heightM: 0.5, allowedC: 55, heatShare: 0 },
    heatW: 300,
    tow: { pinA: 15, cableM: 6, cableSize: '2.5 mm²', chargerA: 10, aloneH: 8 },
    weightKg: 900,
    engineKg: null,
    freeBehindMm: 60,
    coldestC: 5,
    hottestC: 38,
    duty: null,
    ramShare: 0,
    rough: false,
    steers: false,
    routes: { feedM: 1.5, returnM: 1.4, fanMm: 300, probeMm: 600, sweepMm: 0 },
  },
}
