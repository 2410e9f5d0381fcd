import type { MarginDefinition } from './part'

const needs = 'the air that really goes through the fins, which is not worked out yet'

/** Left open until the flow through the core is worked out. @see margins.md */
export const airMargin = (): MarginDefinition => ({
  id: 'air', name: 'Air',
  parts: [
    { id: 'standing', name: 'standing', unit: 'W', required: 0, needs },
    { id: 'moving', name: 'moving', unit: 'W', required: 0, needs },
  ],
})
