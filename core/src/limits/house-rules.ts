import type { LimitId } from './register.ts'

/** How much current is too much: the trade's schools. The plate is the default, as the better supported one. */
export type OverAmpSchool = 'plate' | 'service factor' | 'trim below plate'

/** What an organisation has settled where the trade disagrees, and the limits it has set by hand. */
export interface HouseRules {
  readonly overAmp: OverAmpSchool
  /** With `trim below plate`: how far below, as a fraction of the plate amps. */
  readonly trim: number
  readonly limits: Readonly<Partial<Record<LimitId, number>>>
}

export const defaultHouseRules: HouseRules = { overAmp: 'plate', trim: 0.05, limits: {} }

/** What each school holds and why the default is the default; shown beside the choice. */
export const overAmpSchools: readonly { readonly id: OverAmpSchool; readonly holds: string }[] = [
  {
    id: 'plate',
    holds:
      'The plate is the limit. Default: the plate is what the maker stands behind at any air temperature it names.',
  },
  {
    id: 'service factor',
    holds:
      'The service factor may carry it for a while: inside it is a watch, never OK, and not on an unbalanced supply.',
  },
  {
    id: 'trim below plate',
    holds: 'Trim a few per cent below the plate, so that a low supply or a clean filter does not put it over.',
  },
]
