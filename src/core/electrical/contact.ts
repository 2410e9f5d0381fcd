import { term, worked, type Worked } from '../reading'
import { say } from '../words'

/** What a contact's label promises, A. */
export interface ContactRating {
  readonly ratedA: number
  /** what the rating is for; a resistive rating counts as half a motor rating (estimate) */
  readonly rating: 'motor' | 'resistive'
  readonly makeA: number | null
}

const DERATING = 0.8
const MAKE_RATIO = 3

/**
 * Rating for a motor load, A.
 * @see engineering §1.5
 * @example motorRating({ ratedA: 20, rating: 'resistive', makeA: null }) //=> 10
 */
export const motorRating = ({ ratedA, rating }: ContactRating): number => (rating === 'motor' ? ratedA : ratedA / 2)

/**
 * Running current that a contact may carry.
 * @returns A
 * @see engineering §1.5
 * @example contactCarries({ ratedA: 20, rating: 'resistive', makeA: null }).value //=> 8
 */
export function contactCarries(contact: ContactRating): Worked {
  const motor = motorRating(contact)
  return worked(
    say`the contact may carry`,
    '{0} × {1}',
    [term(say`share`, DERATING, 'share'), term(say`motor rating`, motor, 'current')],
    DERATING * motor,
    'current',
    '§1.5',
  )
}

/**
 * Starting current that a contact may close on.
 * @returns A
 * @see engineering §1.5
 * @example contactMakes({ ratedA: 20, rating: 'resistive', makeA: null }).value //=> 30
 */
export function contactMakes(contact: ContactRating): Worked {
  const motor = motorRating(contact)
  return contact.makeA === null
    ? worked(
        say`the contact may close on`,
        '{0} × {1}',
        [term(say`times`, MAKE_RATIO, 'count'), term(say`motor rating`, motor, 'current')],
        MAKE_RATIO * motor,
        'current',
        '§1.5',
      )
    : worked(
        say`the contact may close on`,
        '{0}',
        [term(say`make rating`, contact.makeA, 'current')],
        contact.makeA,
        'current',
        '§1.5',
      )
}
