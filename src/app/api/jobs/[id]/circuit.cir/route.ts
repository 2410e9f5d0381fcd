import { circuitAnswer } from '@/formats/spice/circuit-answer'
import { ofJob } from '../../../of-job'

/** A state of the circuit as a netlist for ngspice: `?state=key=on,heat=hot&fault=bad:return1`. */
export const GET = ofJob(async ({ job }, _, request) => {
  const query = new URL(request.url).searchParams
  const answer = circuitAnswer(job, query.get('state') ?? 'key=on,engine=on,heat=hot', query.getAll('fault'))
  return answer.ok
    ? new Response(answer.spice, {
        headers: {
          'content-type': 'text/plain; charset=utf-8',
          'content-disposition': 'attachment; filename="circuit.cir"',
        },
      })
    : Response.json({ message: answer.message }, { status: 400 })
})
