import type { FanPart } from '../parts'

/** Whether a fan's rating is that of the system, give or take a quarter. */
export const suitsVoltage = ({ ratedV }: Pick<FanPart, 'ratedV'>, systemV: number): boolean =>
  ratedV >= 0.8 * systemV && ratedV <= 1.25 * systemV
