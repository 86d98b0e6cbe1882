/** Sizes of a motor frame that decide whether another bolts in: inches for NEMA, millimeters for IEC. */
export interface Frame {
  readonly name: string
  readonly system: 'NEMA' | 'IEC'
  /** Base to the middle of the shaft. */
  readonly height: number
  /** Between the holes of the feet: across the shaft, and along it. Some bases carry two rows. */
  readonly across: number
  readonly along: readonly number[]
  /** Diameter of the shaft, and how far it stands out. */
  readonly shaft: number
  readonly reach: number
  /** Width of the key; null is a flat. */
  readonly key: number | null
}

const nema = (
  names: readonly string[],
  height: number,
  across: number,
  along: readonly (readonly number[])[],
  shaft: number,
  reach: number,
  key: number | null,
): Frame[] =>
  names.map((name, i) => ({ name, system: 'NEMA', height, across, along: along[i] ?? [], shaft, reach, key }))
const iec = (
  names: readonly string[],
  height: number,
  across: number,
  along: readonly number[],
  shaft: number,
  reach: number,
  key: number,
): Frame[] =>
  names.map((name, i) => {
    const row = along[i]
    return { name, system: 'IEC', height, across, along: row === undefined ? [] : [row], shaft, reach, key }
  })

/**
 * The frames of fan motors.
 * @source NEMA MG 1, 4.4.1, and IEC 60072-1; both from memory
 */
export const frames: readonly Frame[] = [
  ...nema(['48'], 3, 4.25, [[2.75]], 0.5, 1.5, null),
  ...nema(['56', '56H'], 3.5, 4.88, [[3], [3, 5]], 0.625, 1.88, 3 / 16),
  ...nema(['143T', '145T'], 3.5, 5.5, [[4], [5]], 0.875, 2.25, 3 / 16),
  ...nema(['182T', '184T'], 4.5, 7.5, [[4.5], [5.5]], 1.125, 2.75, 1 / 4),
  ...nema(['213T', '215T'], 5.25, 8.5, [[5.5], [7]], 1.375, 3.38, 5 / 16),
  ...nema(['254T', '256T'], 6.25, 10, [[8.25], [10]], 1.625, 4, 3 / 8),
  ...iec(['71'], 71, 112, [90], 14, 30, 5),
  ...iec(['80'], 80, 125, [100], 19, 40, 6),
  ...iec(['90S', '90L'], 90, 140, [100, 125], 24, 50, 8),
  ...iec(['100L'], 100, 160, [140], 28, 60, 8),
  ...iec(['112M'], 112, 190, [140], 28, 60, 8),
  ...iec(['132S', '132M'], 132, 216, [140, 178], 38, 80, 10),
]

const tidy = (name: string) => name.toUpperCase().replace(/[\s.-]/g, '')
const byName = new Map(frames.map((f) => [tidy(f.name), f]))

/** The frame of a nameplate; null where it is none of the list. `56C`, `184TC` are the frame with a face. */
export const frameOf = (name: string): Frame | null =>
  byName.get(tidy(name)) ?? byName.get(tidy(name).replace(/(?<=[0-9T])(?:C|Y|Z|D)+$/, '')) ?? null
