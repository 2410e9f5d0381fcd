import type { MachineKind } from '@/core/job'

/** Outlines in the line weight of a workshop plate, one a kind. */
const outlines: Readonly<Record<MachineKind, React.ReactNode>> = {
  'trail-bike': (
    <><circle cx="22" cy="46" r="14" /><circle cx="86" cy="46" r="14" /><path d="M22 46 L40 26 H68 L86 46 M40 26 L34 16 H26 M48 26 q10 -8 26 -3 M44 46 h22 l6 -16" /></>
  ),
  'road-bike': (
    <><circle cx="22" cy="47" r="13" /><circle cx="88" cy="47" r="13" /><path d="M22 47 L36 22 q12 -4 24 2 L84 24 L92 18 M36 22 L30 16 M36 22 V38 q14 10 34 6 L88 47 M44 44 q12 6 26 2" /></>
  ),
  'side-by-side': (
    <><circle cx="24" cy="48" r="12" /><circle cx="88" cy="48" r="12" /><path d="M12 44 V34 h18 l10 -20 h34 l6 18 h16 v14 M36 48 h40 M40 14 l-4 20 M74 14 v20" /></>
  ),
}

export function Silhouette({ kind, width = 112 }: { readonly kind: MachineKind; readonly width?: number }) {
  return (
    <svg className="silhouette" width={width} viewBox="0 0 112 70" aria-hidden="true">
      <g fill="none" stroke="var(--ink)" strokeWidth="2.2" strokeLinejoin="round">{outlines[kind]}</g>
    </svg>
  )
}
