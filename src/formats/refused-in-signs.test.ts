import '../core/words/test-support/speak-signs'
import { lackingInWords } from '../core/placing'
import { partKinds } from '../core/parts'
import { definitionOf, parse, quantities, type Quantity } from '../core/units'
import { bareIn } from '../core/words/test-support/in-signs'
import { type DayFile, readDayCsv, readGpx, readLogCsv } from './day'
import { readShelfCsv } from './shelf-csv'
import { readTraceCsv } from './trace-csv'

const log = (lines: string): unknown => readLogCsv(`time_s,coolant_c\n${lines}`, 12)
const backward = ['1,80', ...Array.from({ length: 9 }, () => '0,80'), '2,81'].join('\n')

const namesOf = (file: DayFile): string[] => (file.ok ? file.day.legs.map((l) => l.name) : [])

/** What is said of files that cannot be taken, or not as they are. */
const refused: Readonly<Record<string, unknown>> = {
  'a day without minutes': readDayCsv('a,b\n1,2', ''),
  'minutes that are none': readDayCsv('minutes,rpm\nx,1', ''),
  'a speed that cannot be': readDayCsv('minutes,speed_kmh\n1,999', ''),
  'no time at all': readDayCsv('minutes,rpm\n0,1', ''),
  'work that is none': readDayCsv('minutes,rpm,work\n9,1000,Q\n9,1000,Q', ''),
  'no track': readGpx('<a/>', 2),
  'a log without times': readLogCsv('a,coolant_c\n1,2', 12),
  'a log without coolant': readLogCsv('time_s,b\n1,2', 12),
  'no line that can be read': log('x,y'),
  'a log that runs back': log(backward),
  'one line back, one twice, one unread': log('0,80\n9,80\n8,80\n9,80\nx,80\n20,82'),
  'no coolant': log('0,800\n1,900'),
  'a trace without columns': readTraceCsv('a,b\n1,2'),
  'a trace out of order': readTraceCsv('time_s,clamp_a\n2,1\n1,1'),
  'a shelf without rows': readShelfCsv('kind,name'),
  'no kind of part': readShelfCsv('kind,name\nqq,Q'),
  'an id that is none': readShelfCsv('kind,name,id\nfuse,Q,Q!'),
  'legs that nobody named': namesOf(
    readDayCsv('minutes,speed_kmh,rpm,load_share\n9,40,3000,1\n9,0,900,1\n9,0,0,0', ''),
  ),
  'what is no reading': (Object.keys(quantities) as Quantity[]).flatMap((q) =>
    ['Q', '3 Q', '', '9'.repeat(99)].map((typed) => {
      const read = parse(typed, q, 'metric')
      return read.ok ? '' : read.message.replace(definitionOf(q).examples, '')
    }),
  ),
  'a place too small': (['depth', 'width', 'height', 'voltage', 'distance'] as const).map((what) =>
    lackingInWords({ what, from: 'Q', byM: 0.01 }, 'metric'),
  ),
}
/** headings of files and kinds of parts, which are what they are in every language */
const written = `minutes, speed_kmh, load_share, rpm, ambient_c, grade_pct, coolant_c, time_s, probe_c, clamp_a, battery_v, fan_v,
  ${Object.keys(partKinds).join(', ')}`

test.each(Object.keys(refused))('%s is told in the language that is spoken', (name) => {
  const told = refused[name]
  const words = Array.isArray(told)
    ? told
    : Object.entries(told as Record<string, unknown>).flatMap(([key, v]) =>
        ['message', 'notes', 'problems'].includes(key) ? [v] : [],
      )
  expect(words.flat().length).toBeGreaterThan(0)
  expect(bareIn(words, written)).toEqual([])
})
