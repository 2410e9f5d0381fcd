import { refusalOf } from './door'

const asking = (method: string, headers: Record<string, string>, listed?: string, path = '/api/jobs') =>
  refusalOf(
    { method, headers: new Headers({ host: '127.0.0.1:3000', ...headers }), url: `http://127.0.0.1:3000${path}` },
    listed,
  )?.status ?? null

test('a foreign page changes nothing, a foreign name reads nothing, a form is not taken', () => {
  expect(asking('POST', { origin: 'http://127.0.0.1:3000', 'sec-fetch-site': 'same-origin' })).toBeNull()
  expect(asking('POST', {})).toBeNull() // the command line has neither
  expect(asking('POST', { origin: 'http://elsewhere.example' })).toBe(403)
  expect(asking('POST', { origin: 'null' })).toBe(403)
  expect(asking('POST', { origin: 'http://127.0.0.1:3001', 'sec-fetch-site': 'same-site' })).toBe(403)
  expect(asking('PUT', { 'sec-fetch-site': 'cross-site' })).toBe(403)
  // a link from elsewhere may open a page or a file; a page from elsewhere reads none
  expect(asking('GET', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' })).toBeNull()
  expect(asking('GET', { 'sec-fetch-site': 'cross-site' }, undefined, '/')).toBeNull()
  expect(asking('GET', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' })).toBe(403)
  expect(asking('GET', { origin: 'http://elsewhere.example' }, undefined, '/api/export')).toBe(403)
  expect(asking('POST', { 'content-type': 'multipart/form-data; boundary=x' })).toBe(415)
  for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'application/jsonp', ''])
    expect(asking('POST', { 'content-type': type })).toBe(415)
  expect(asking('POST', { 'content-length': '20' })).toBe(415)
  for (const type of ['application/json', 'application/json; charset=utf-8', 'text/csv', 'image/jpeg'])
    expect(asking('POST', { 'content-type': type })).toBeNull()
  for (const name of ['localhost:3000', '[::1]:3000', '127.0.0.1', 'LOCALHOST'])
    expect(asking('GET', { host: name })).toBeNull()
  for (const name of ['elsewhere.example:3000', '127.0.0.1.elsewhere.example', 'localhost.', ''])
    expect(asking('GET', { host: name })).toBe(421)
  expect(asking('GET', { host: 'bench-pc:3000' }, 'yard.lan, bench-pc')).toBeNull()
  expect(asking('GET', { host: 'bench-pc2:3000' }, 'yard.lan, bench-pc')).toBe(421)
})
