import { type ComponentType, createElement } from 'react'
import { shareController } from '@/core/fan-circuit'
import type { Job } from '@/core/job'
import { demoJobs } from '@/formats/test-support/examples'
import type { StationProps } from './station'
import { drawn, elementsOf, textOf } from './test-support/drawn'
import { onlySecond, propsOf, two, viewedOf, views } from './test-support/every-view'
import { metricOn, wrongWith } from './test-support/looked-at'
import { triggerStation } from './trigger'

test.each(Object.keys(views) as (keyof typeof views)[])('%s of every job', async (name) => {
  const View: ComponentType<StationProps> = views[name]
  for (const props of viewedOf(name)) {
    const page = await drawn(createElement(View, props), '/jobs/1?station=wire')
    const wrong = [...wrongWith(page), ...metricOn(page, props.job)]
    expect([props.job.title, props.fan, wrong]).toEqual([props.job.title, props.fan, []])
  }
})

test('a fan that nothing calls yet is not said to have a controller of its own', async () => {
  const calledBy = async (job: Job): Promise<(string | undefined)[]> => {
    const page = await drawn(createElement(triggerStation.Tray, propsOf(job, 0)), '/jobs/1?station=trigger')
    const all = [...elementsOf(page)]
    const field = all.find((e) => e.tag === 'label' && textOf(e) === 'Called by')!.attributes.for
    const select = all.find((e) => e.attributes.id === field)!
    return [...elementsOf(select)].filter((e) => 'selected' in e.attributes).map(textOf)
  }
  const job = two(demoJobs()[0]!)
  expect(await calledBy(job)).toEqual(['a controller of its own'])
  expect(await calledBy(onlySecond(job))).toEqual(['not said yet'])
  expect(await calledBy(shareController(job, 0, 1))).toEqual(['the controller of fan 2'])
})
