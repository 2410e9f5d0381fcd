import Papa from 'papaparse'
import type { CutList } from '../core/wiring'
import { say, spokenWord } from '../core/words'
import { plain } from './plain-cell'

const metres = (m: number): string => m.toFixed(3)
const millimetres = (m: number): string => String(Math.round(m * 1000))

/** Wires to cut, one a row, then what to have in hand: lengths in metres, strips in millimetres. */
export function writeCutListCsv(list: CutList): string {
  const wires = [
    [
      say`no.`,
      say`wire`,
      say`size`,
      say`colour`,
      say`insulation °C`,
      say`way m`,
      say`cut m`,
      say`end a`,
      say`terminal a`,
      say`strip a mm`,
      say`end b`,
      say`terminal b`,
      say`strip b mm`,
      say`sleeve`,
      say`zone °C`,
    ],
    ...list.wires.map((w) => [
      String(w.number),
      w.label,
      w.size ?? '',
      w.colour,
      String(w.insulationC),
      metres(w.wayM),
      metres(w.cutM),
      ...w.ends.flatMap((e) => [e.at, e.terminal, millimetres(e.stripM)]),
      spokenWord(w.sleeve),
      String(Math.round(w.zoneC)),
    ]),
  ]
  const shopping = [
    [say`to have in hand`, say`how much`, say`unit`, say`shelf`, say`note`],
    ...list.shopping.map((s) => [s.what, String(s.count), s.unit, s.has, s.note]),
  ]
  return Papa.unparse(
    [...wires, [], ...shopping].map((row) => row.map(plain)),
    { newline: '\r\n' },
  )
}
