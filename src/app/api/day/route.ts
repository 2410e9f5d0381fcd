import { z } from 'zod'
import { daySchema } from '@/core/job'
import { dayPlanSchema } from '@/formats/day-plan'
import { keepDayPlan, theStore } from '@/store'
import { answering, readBody } from '../answers'

const body = z.strictObject({ day: daySchema, plan: dayPlanSchema })

/** Keeps how a day is laid out: `{ ok }`, or `{ ok: false, message }`. */
export async function PUT(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const read = await readBody(request, body)
      if (!read.ok) return Response.json({ ok: false, message: read.message }, { status: 400 })
      await keepDayPlan(await theStore(), read.value.day, read.value.plan)
      return Response.json({ ok: true })
    },
    (message) => ({ ok: false, message }),
  )
}
