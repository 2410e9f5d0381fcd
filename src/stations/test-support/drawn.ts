import { Writable } from 'node:stream'
import { createElement, type ReactNode } from 'react'
import { renderToPipeableStream } from 'react-dom/server'
import { XMLParser } from 'fast-xml-parser'
import { AppRouterContext } from 'next/dist/shared/lib/app-router-context.shared-runtime'
import { PathnameContext, SearchParamsContext } from 'next/dist/shared/lib/hooks-client-context.shared-runtime'

/** An element of a drawn page: its tag, its attributes, and what stands in it. */
export interface Drawn {
  readonly tag: string
  readonly attributes: Readonly<Record<string, string>>
  readonly children: readonly (Drawn | string)[]
}

const voids = ['area', 'base', 'br', 'col', 'embed', 'hr', 'img', 'input', 'link', 'meta', 'source', 'track', 'wbr']

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  allowBooleanAttributes: true,
  trimValues: false,
  parseTagValue: false,
  parseAttributeValue: false,
  htmlEntities: true,
  processEntities: { enabled: true, maxTotalExpansions: Infinity, maxExpandedLength: Infinity },
  unpairedTags: voids,
  stopNodes: ['*.script', '*.style'],
})

type Parsed = Readonly<Record<string, unknown>>

function element(parsed: Parsed): Drawn | string {
  if ('#text' in parsed) return String(parsed['#text'])
  const tag = Object.keys(parsed).find((key) => key !== ':@')!
  const attributes = (parsed[':@'] ?? {}) as Record<string, unknown>
  return {
    tag,
    attributes: Object.fromEntries(Object.entries(attributes).map(([key, value]) => [key, String(value)])),
    children: (parsed[tag] as readonly Parsed[]).map(element),
  }
}

const nowhere = new Proxy({}, { get: () => () => undefined }) as never

/**
 * A page as the server draws it, with all that comes later in its place.
 * @param address that it stands at: "/jobs/1?station=wire"
 * @throws what drawing it throws; not what is meant for a browser only
 */
export function drawn(page: ReactNode, address: string): Promise<Drawn> {
  const url = new URL(address, 'http://127.0.0.1')
  const placed = createElement(
    AppRouterContext.Provider,
    { value: nowhere },
    createElement(
      PathnameContext.Provider,
      { value: url.pathname },
      createElement(SearchParamsContext.Provider, { value: url.searchParams }, page),
    ),
  )
  return new Promise((resolve, reject) => {
    let html = ''
    const whole = new Writable({
      write(chunk, _, next) {
        html += String(chunk)
        next()
      },
      final(done) {
        resolve({ tag: '', attributes: {}, children: (parser.parse(html) as readonly Parsed[]).map(element) })
        done()
      },
    })
    const { pipe } = renderToPipeableStream(placed, {
      progressiveChunkSize: Infinity,
      onAllReady: () => pipe(whole),
      onError: (error) => {
        if (!(error instanceof Error && /Bail out to client-side rendering/.test(error.message)))
          reject(error instanceof Error ? error : new Error(String(error)))
      },
    })
  })
}

/** Every element of a page, each before what stands in it. */
export function* elementsOf(page: Drawn): Generator<Drawn> {
  yield page
  for (const child of page.children) if (typeof child !== 'string') yield* elementsOf(child)
}

/** What is read in an element, without what only drawings and programs read. */
export const textOf = (one: Drawn | string): string => {
  if (typeof one === 'string') return one
  return ['script', 'style', 'template'].includes(one.tag) ? '' : one.children.map(textOf).join('')
}
