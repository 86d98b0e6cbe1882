/** Where a limit or a verdict comes from. `sure` says how well the source itself is known to us. */
export interface Basis {
  readonly kind: 'standard' | 'plate' | 'history' | 'site policy' | 'common practice'
  readonly text: string
  readonly sure: 'certain' | 'from memory' | 'common practice'
}

/** A number that readings are judged against. `value` is in `unit`; ratios are fractions, shown as per cent. */
export interface Limit {
  readonly id: string
  readonly title: string
  readonly value: number
  readonly unit:
    | 'ratio'
    | 'days'
    | 'min'
    | 'count'
    | 'V'
    | 'A'
    | 'ohm'
    | 'Mohm'
    | 'degC'
    | 'inwg'
    | 'lbf.in'
    | 'in/s'
    | 'deg'
    | 'dB'
    | 's'
    | 'Hz'
    | 'kHz'
    | 'ppm'
  readonly basis: Basis
  /** Null: fixed. Otherwise the bounds within which a lead may set the site’s own value. */
  readonly house: { readonly min: number; readonly max: number } | null
  /** What the number does, in one sentence a mechanic would say. */
  readonly means: string
}

export const standard = (text: string, sure: Basis['sure'] = 'certain'): Basis => ({ kind: 'standard', text, sure })
export const practice = (text = 'common practice'): Basis => ({
  kind: 'common practice',
  text,
  sure: 'common practice',
})
export const sitePolicy = (text: string): Basis => ({ kind: 'site policy', text, sure: 'certain' })
export const history = (text: string): Basis => ({ kind: 'history', text, sure: 'certain' })
export const plateBasis = (text: string): Basis => ({ kind: 'plate', text, sure: 'certain' })
