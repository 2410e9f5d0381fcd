import { type ComponentType, createElement } from 'react'
import type { StationProps } from './station'
import { drawn } from './test-support/drawn'
import { viewedOf, views } from './test-support/every-view'
import { metricOn, wrongWith } from './test-support/looked-at'

test.each(Object.keys(views) as (keyof typeof views)[])('%s of every job', async (name) => {
  const View: ComponentType<StationProps> = views[name]
  for (const props of viewedOf(name)) {
    const page = await drawn(createElement(View, props), '/jobs/1?station=wire')
    const wrong = [...wrongWith(page), ...metricOn(page, props.job)]
    expect([props.job.title, props.fan, wrong]).toEqual([props.job.title, props.fan, []])
  }
})
