import type { MachineKind } from '@/core/job'

/** One outline a kind, in the line weight of a workshop plate, 112 × 70. */
export const outlines: Readonly<Record<MachineKind, React.ReactNode>> = {
  'trail-bike': (
    <>
      <circle cx="22" cy="46" r="14" />
      <circle cx="86" cy="46" r="14" />
      <path d="M22 46 L40 26 H68 L86 46 M40 26 L34 16 H26 M48 26 q10 -8 26 -3 M44 46 h22 l6 -16" />
    </>
  ),
  'road-bike': (
    <>
      <circle cx="22" cy="47" r="13" />
      <circle cx="88" cy="47" r="13" />
      <path
        d={'M22 47 L36 22 q12 -4 24 2 L84 24 L92 18 M36 22 L30 16 M36 22 V38 q14 10 34 6 L88 47 M44 44 q12 6 26 2'}
      />
    </>
  ),
  'side-by-side': (
    <>
      <circle cx="24" cy="48" r="12" />
      <circle cx="88" cy="48" r="12" />
      <path d="M12 44 V34 h18 l10 -20 h34 l6 18 h16 v14 M36 48 h40 M40 14 l-4 20 M74 14 v20" />
    </>
  ),
  'digger-air': (
    <>
      <path
        d={
          'M16 52 h44 a7 7 0 0 1 0 14 h-44 a7 7 0 0 1 0 -14 z M22 52 v-6 h34 v6 M18 46 V30 h22 v16 M40 46 h16 ' +
          'V12 h-14 v18 M58 44 L82 20 L96 40 M96 40 l-8 4 l4 8 l10 -2 z'
        }
      />
      <path d="M22 34 h12 M22 38 h12 M22 42 h12" strokeWidth="1.2" />
    </>
  ),
  'digger-liquid': (
    <>
      <path
        d={
          'M14 52 h50 a7 7 0 0 1 0 14 h-50 a7 7 0 0 1 0 -14 z M20 52 v-6 h40 v6 M14 46 V28 h24 v18 M38 46 h22 ' +
          'V10 h-18 l-4 18 M60 44 L86 16 L100 40 M100 40 l-9 4 l5 9 l11 -3 z'
        }
      />
      <rect x="17" y="31" width="6" height="12" strokeWidth="1.2" />
    </>
  ),
  'older-vehicle': (
    <>
      <circle cx="26" cy="52" r="10" />
      <circle cx="86" cy="52" r="10" />
      <path
        d={
          'M16 52 H10 V38 q0 -4 6 -4 h22 l10 -16 h30 l10 16 h12 q4 0 4 6 v12 h-8 M36 52 h40 M38 34 h50 ' + 'M62 18 v16'
        }
      />
    </>
  ),
  trailer: (
    <>
      <circle cx="58" cy="56" r="9" />
      <path
        d={
          'M22 52 V16 h74 v36 H68 M48 52 H22 M22 48 H8 l-4 3 M96 52 h6 M30 22 h20 v20 h-20 z M34 27 h12 M34 ' +
          '32 h12 M34 37 h12'
        }
      />
    </>
  ),
}

/** A machine's outline, small, beside its job. */
export function Silhouette({ kind, width = 112 }: { readonly kind: MachineKind; readonly width?: number }) {
  return (
    <svg className="silhouette" width={width} viewBox="0 0 112 70" aria-hidden="true">
      <g fill="none" stroke="var(--ink)" strokeWidth="2.2" strokeLinejoin="round">
        {outlines[kind]}
      </g>
    </svg>
  )
}
