import QRCode from 'qrcode'
import { ofJob } from '../../../of-job'

/** A job's address as a square that a phone reads: under the name that this page was asked for. */
export const GET = ofJob(async ({ id }, _store, request) => {
  const host = request.headers.get('host') ?? ''
  return new Response(await QRCode.toString(`http://${host}/jobs/${id}`, { type: 'svg', margin: 2 }), {
    headers: { 'content-type': 'image/svg+xml' },
  })
})
