import { circuitAnswer } from '@/formats/spice/circuit-answer'
import { readHead, theStore } from '@/store'
import { answering } from '../../../answers'

/** A state of the circuit as a netlist for ngspice: `?state=key=on,heat=hot&fault=bad:return1`. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const head = await readHead(await theStore(), id)
      if (!head) return Response.json({ message: 'There is no such job.' }, { status: 404 })
      const query = new URL(request.url).searchParams
      const answer = circuitAnswer(head.job, query.get('state') ?? 'key=on,engine=on,heat=hot', query.getAll('fault'))
      return answer.ok
        ? new Response(answer.spice, {
            headers: {
              'content-type': 'text/plain; charset=utf-8',
              'content-disposition': 'attachment; filename="circuit.cir"',
            },
          })
        : Response.json({ message: answer.message }, { status: 400 })
    },
    (message) => ({ message }),
  )
}
