import { neighbours, thicker } from '../placing'
import { worked } from '../reading'
import { say } from '../words'
import type { Job } from '../job'
import { fixedScale, over, type PartDefinition } from './part'

/** A gap of the present core, less what the new one takes of it; 6 mm stay. @see engineering §7 */
export const gapPart = (id: string, name: string, address: string, job: Job): PartDefinition => ({
  id,
  name,
  unit: 'mm',
  required: neighbours.fixed.requiredMm,
  scale: fixedScale(10),
  compute: (bench) => {
    const gap = worked(say`gap now`, '{0}', [bench.term(address)], bench.value(address), 'length', '§7')
    const more = worked(
      say`new core thicker by`,
      '{0} − {1}',
      [bench.term('newCore.thicknessM'), bench.term('cooling.coreThicknessM')],
      thicker(bench, job),
      'length',
      '§7',
    )
    return over(gap, more, neighbours.fixed.requiredMm / 1000, 'length', '§7')
  },
})
