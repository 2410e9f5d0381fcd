import type { MarginResult } from '@/core/margins'

/** Height of a bar: large and small can be read together. @see margins.md */
const height = (x: number, full: number): number => (full * x) / (1 + Math.abs(x))

interface Props {
  readonly margin: Pick<MarginResult, 'verdict' | 'x' | 'xWorst' | 'xBest'>
  readonly left: number
  readonly width: number
  readonly waterY: number
  /** tallest a bar can be */
  readonly full: number
}

/** How a bar that is not short is filled and framed. */
const looks = {
  open: { fill: 'none', stroke: 'var(--soft)', strokeDasharray: '2 3' },
  unsure: { fill: 'url(#hatch-unsure)', stroke: 'var(--unsure)' },
  holds: { fill: 'var(--holds)', stroke: 'var(--holds)' },
} as const

/**
 * One margin on the common water line: full bar holds, hatched bar unsure, notched bar short, dotted outline open.
 * The whisker reaches from the worst to the best corner.
 */
export function MarginBar({ margin, left, width, waterY, full }: Props) {
  const middle = left + width / 2
  const whisker =
    margin.xWorst !== null && margin.xBest !== null
      ? ([waterY - height(margin.xBest, full), waterY - height(margin.xWorst, full)] as const)
      : null
  const tick = width * 0.3
  const nothingYet = margin.verdict === 'open' && margin.x === null
  const size = nothingYet ? full * 0.5 : Math.max(Math.abs(height(margin.x ?? -50, full)), 2)
  return (
    <g>
      {margin.verdict === 'short' && (
        <path
          d={
            `M${left} ${waterY} h${width} v${Math.max(size, 6)} l${-width / 4} ${-5} l${-width / 4} ${5} ` +
            `l${-width / 4} ${-5} l${-width / 4} ${5} z`
          }
          fill="var(--short)"
        />
      )}
      {margin.verdict !== 'short' && (
        <rect x={left} y={waterY - size} width={width} height={size} {...looks[margin.verdict]} />
      )}
      {whisker && (
        <path
          d={
            `M${middle} ${whisker[0]} V${whisker[1]} M${middle - tick} ${whisker[0]} h${tick * 2} ` +
            `M${middle - tick} ${whisker[1]} h${tick * 2}`
          }
          className="whisker"
          stroke="var(--ink)"
          strokeWidth={1.3}
          fill="none"
        />
      )}
    </g>
  )
}

/** The hatching of an unsure bar; stands once on a page. */
export function HatchDefinitions() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      <defs>
        <pattern id="hatch-unsure" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="2.2" height="5" fill="var(--unsure)" />
        </pattern>
        <pattern id="hatch-boils" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="1.6" height="8" fill="var(--short)" opacity="0.55" />
        </pattern>
      </defs>
    </svg>
  )
}

/** All bars of a job, small, beside its name in the yard. */
export function SmallRail({
  margins,
  says,
}: {
  readonly margins: readonly (Props['margin'] & Pick<MarginResult, 'id'>)[]
  readonly says: string
}) {
  return (
    <svg width="160" height="52" viewBox="0 0 160 52" role="img" aria-label={says}>
      <line x1="0" x2="158" y1="28" y2="28" stroke="var(--ink)" />
      {margins.map((m, i) => (
        <MarginBar key={m.id} margin={m} left={3 + i * 15.6} width={9} waterY={28} full={21} />
      ))}
    </svg>
  )
}
