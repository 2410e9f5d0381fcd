import { refusalOf } from './door'

const asking = (method: string, headers: Record<string, string>, listed?: string) =>
  refusalOf({ method, headers: new Headers({ host: '127.0.0.1:3000', ...headers }) }, listed)?.status ?? null

test('a foreign page changes nothing, a foreign name reads nothing, a form is not taken', () => {
  expect(asking('POST', { origin: 'http://127.0.0.1:3000', 'sec-fetch-site': 'same-origin' })).toBeNull()
  expect(asking('POST', {})).toBeNull() // the command line has neither
  expect(asking('POST', { origin: 'http://elsewhere.example' })).toBe(403)
  expect(asking('POST', { origin: 'null' })).toBe(403)
  expect(asking('POST', { origin: 'http://127.0.0.1:3001', 'sec-fetch-site': 'same-site' })).toBe(403)
  expect(asking('PUT', { 'sec-fetch-site': 'cross-site' })).toBe(403)
  // a link from elsewhere may open a page
  expect(asking('GET', { 'sec-fetch-site': 'cross-site' })).toBeNull()
  expect(asking('POST', { 'content-type': 'multipart/form-data; boundary=x' })).toBe(415)
  for (const name of ['localhost:3000', '[::1]:3000', '127.0.0.1', 'LOCALHOST'])
    expect(asking('GET', { host: name })).toBeNull()
  for (const name of ['elsewhere.example:3000', '127.0.0.1.elsewhere.example', 'localhost.', ''])
    expect(asking('GET', { host: name })).toBe(421)
  expect(asking('GET', { host: 'bench-pc:3000' }, 'yard.lan, bench-pc')).toBeNull()
  expect(asking('GET', { host: 'bench-pc2:3000' }, 'yard.lan, bench-pc')).toBe(421)
})
