import type { BatteryKind } from '../electrical'
import type { MachineKind } from './document'

/** Starting guesses for one kind of machine, in workshop units; every one is typical until somebody knows better. */
export interface TypicalMachine {
  readonly name: string
  readonly battery: { readonly kind: BatteryKind; readonly ah: number; readonly coldCrankingA: number; readonly crankingA: number }
  readonly charging: { readonly currentA: number; readonly rpm: number }
  readonly loadsA: number
  readonly rpm: { readonly idle: number; readonly slow: number; readonly cruise: number; readonly rated: number }
  readonly powerKw: number
  readonly coolant: { readonly litres: number; readonly capBar: number; readonly opensC: number }
  readonly core: { readonly wideMm: number; readonly highMm: number; readonly thickMm: number; readonly count: number; readonly finsPerInch: number }
  readonly freeBehindMm: number
  readonly coldestC: number
  readonly hottestC: number
  /** metres of feed and of return, fan lead, probe lead, steering */
  readonly routes: { readonly feedM: number; readonly returnM: number; readonly fanMm: number; readonly probeMm: number; readonly sweepMm: number }
}

/** One entry per kind of machine: a new kind is a new entry. Estimates for made-up machines. */
export const typicalMachines: Readonly<Record<MachineKind, TypicalMachine>> = {
  'trail-bike': {
    name: 'trail bike', battery: { kind: 'agm', ah: 7, coldCrankingA: 110, crankingA: 55 }, charging: { currentA: 14, rpm: 5500 }, loadsA: 6,
    rpm: { idle: 1700, slow: 3200, cruise: 5500, rated: 8500 }, powerKw: 26, coolant: { litres: 1.3, capBar: 1.1, opensC: 78 },
    core: { wideMm: 120, highMm: 240, thickMm: 30, count: 2, finsPerInch: 14 }, freeBehindMm: 55, coldestC: 0, hottestC: 32,
    routes: { feedM: 1.2, returnM: 1.1, fanMm: 250, probeMm: 500, sweepMm: 30 },
  },
  'road-bike': {
    name: 'road bike', battery: { kind: 'agm', ah: 12, coldCrankingA: 190, crankingA: 90 }, charging: { currentA: 28, rpm: 5000 }, loadsA: 12,
    rpm: { idle: 1200, slow: 2500, cruise: 4500, rated: 9000 }, powerKw: 55, coolant: { litres: 2.4, capBar: 1.1, opensC: 82 },
    core: { wideMm: 330, highMm: 250, thickMm: 28, count: 1, finsPerInch: 14 }, freeBehindMm: 60, coldestC: 0, hottestC: 35,
    routes: { feedM: 1.4, returnM: 1.3, fanMm: 250, probeMm: 600, sweepMm: 30 },
  },
  'side-by-side': {
    name: 'side-by-side', battery: { kind: 'agm', ah: 24, coldCrankingA: 310, crankingA: 150 }, charging: { currentA: 42, rpm: 5500 }, loadsA: 15,
    rpm: { idle: 1300, slow: 3000, cruise: 4500, rated: 6800 }, powerKw: 48, coolant: { litres: 5, capBar: 1.1, opensC: 82 },
    core: { wideMm: 580, highMm: 360, thickMm: 38, count: 1, finsPerInch: 12 }, freeBehindMm: 90, coldestC: 0, hottestC: 35,
    routes: { feedM: 3, returnM: 2.8, fanMm: 350, probeMm: 900, sweepMm: 0 },
  },
}
