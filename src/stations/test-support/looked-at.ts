import { whatToPress } from '@/core/build'
import type { Job } from '@/core/job'
import { metricIn } from '@/formats/test-support/other-units'
import { type Drawn, elementsOf, textOf } from './drawn'

const named = new Set(['input', 'select', 'textarea', 'button', 'a', 'progress', 'meter'])

/** What is wrong with a page for anybody: figures that are none, fields without a name, names of nothing. */
export function wrongWith(page: Drawn): string[] {
  const all = [...elementsOf(page)]
  const ids = all.flatMap((e) => e.attributes.id ?? [])
  const text = textOf(page)
  const labelled = new Set(all.flatMap((e) => (e.tag === 'label' ? (e.attributes.for ?? []) : [])))
  const inLabels = new Set(
    all.filter((e) => e.tag === 'label' && textOf(e).trim() !== '').flatMap((e) => [...elementsOf(e)]),
  )
  const nameless = all.filter(
    (e) =>
      named.has(e.tag) &&
      e.attributes.type !== 'hidden' &&
      !(e.attributes['aria-label'] ?? e.attributes['aria-labelledby'] ?? e.attributes.title) &&
      !labelled.has(e.attributes.id ?? '-') &&
      !inLabels.has(e) &&
      (['input', 'select', 'textarea'].includes(e.tag) || textOf(e).trim() === ''),
  )
  const pointed = all.flatMap((e) =>
    ['for', 'aria-labelledby', 'aria-describedby', 'aria-controls', 'aria-owns'].flatMap((a) =>
      (e.attributes[a] ?? '').split(' ').filter(Boolean),
    ),
  )
  return [
    ...[...text.matchAll(/.{0,40}(NaN|Infinity|∞|undefined|\[object|\bnull\b).{0,40}/g)].map((m) => `"${m[0]}"`),
    ...nameless.map((e) => `no name: ${e.tag} ${JSON.stringify(e.attributes)}`),
    ...ids.filter((id) => /\s/.test(id)).map((id) => `no id: ${id}`),
    ...ids.filter((id, i) => ids.indexOf(id) !== i).map((id) => `twice: #${id}`),
    ...pointed.filter((id) => !ids.includes(id)).map((id) => `points at nothing: #${id}`),
  ]
}

/** Metric figures in what a job in other units is shown with: a controller's own keys speak its own unit. */
export function metricOn(page: Drawn, { units, controllers }: Job): string[] {
  if (units === 'metric') return []
  const keys = controllers.flatMap((c) => whatToPress(c.part, c.setC, c.bandK, c.spanK))
  const words = keys.reduce((text, key) => text.replace(key, ''), textOf(page))
  return metricIn(words).map((found) => `metric: ${found}`)
}
