'use client'

import type { ComponentProps } from 'react'
import { remediesFor } from '@/core/advice'
import type { Job } from '@/core/job'
import { questionsAtMargin } from '@/core/library/questions'
import { Working } from '@/ui/Working'
import { Asked } from '../Asked'

type Props = Omit<ComponentProps<typeof Working>, 'remedies' | 'children'> & { readonly job: Job }

/** The working of a margin with what would help: fetched when one is first looked at. */
export const MarginWorking = ({ job, ...props }: Props) => (
  <Working {...props} remedies={remediesFor(job, props.margin)}>
    <Asked questions={questionsAtMargin(props.margin.id)} />
  </Working>
)
