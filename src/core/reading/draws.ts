/** How many machines are drawn from the readings' spreads. @see engineering §0 */
export const DRAWS = 256
