import type { PartSlot } from '@motor-round/core/installed'
import { beltSections } from '@motor-round/core/drivetrain'

/** One field of a part's form. Lengths are typed in the machine's unit and kept in millimetres. */
export interface SlotField {
  readonly key: string
  readonly label: string
  readonly kind: 'length' | 'number' | 'text' | 'choice'
  readonly options?: readonly (readonly [value: string, words: string])[]
  readonly needed?: boolean
  /** Shown only while another field has this value. */
  readonly when?: readonly [key: string, value: string]
  readonly unit?: string
}

export const slotWords: Readonly<Record<PartSlot, string>> = {
  'motor-sheave': 'Motor sheave',
  'driven-sheave': 'Fan sheave',
  belts: 'Belts',
  'bearing-de': 'Bearing, drive end',
  'bearing-ode': 'Bearing, opposite end',
  shaft: 'Fan shaft',
  wheel: 'Wheel',
  filters: 'Filters',
}

const field = (key: string, label: string, kind: SlotField['kind'], more: Partial<SlotField> = {}): SlotField => ({
  key,
  label,
  kind,
  ...more,
})
const sections = beltSections
  .flatMap((s) => (s.notched === null ? [s.id] : [s.id, s.notched]))
  .map((s) => [s, s] as const)
const section = field('section', 'Section', 'choice', { options: sections, needed: true })
const yesNo = [
  ['true', 'Yes'],
  ['false', 'No, sealed'],
] as const
const measured = field('measured', 'Diameter is', 'choice', {
  options: [
    ['pitch', 'Pitch diameter'],
    ['outside', 'Outside, measured'],
  ],
  needed: true,
  when: ['type', 'fixed'],
})

const bearing: readonly SlotField[] = [
  field('mark', 'Marked', 'text'),
  field('type', 'Type', 'choice', {
    options: [
      ['ball', 'Ball'],
      ['roller', 'Roller'],
    ],
    needed: true,
  }),
  field('bore', 'Bore', 'length'),
  field('outside', 'Outside diameter', 'length'),
  field('width', 'Width', 'length'),
  field('capacity', 'Dynamic load rating C', 'number', { unit: 'N' }),
  field('lock', 'Held by', 'choice', {
    options: [
      ['eccentric collar', 'Eccentric collar'],
      ['set screws', 'Set screws'],
      ['adapter sleeve', 'Adapter sleeve'],
      ['press fit', 'Press fit'],
    ],
  }),
  field('greasable', 'Takes grease', 'choice', { options: yesNo }),
]

/** What is asked of the part in each slot. */
export const slotFields: Readonly<Record<PartSlot, readonly SlotField[]>> = {
  'motor-sheave': [
    field('type', 'Kind', 'choice', {
      options: [
        ['fixed', 'Fixed'],
        ['adjustable', 'Adjustable pitch'],
      ],
      needed: true,
    }),
    section,
    field('grooves', 'Grooves', 'number', { needed: true }),
    measured,
    field('pitch', 'Diameter', 'length', { needed: true, when: ['type', 'fixed'] }),
    field('closed', 'Pitch diameter, closed', 'length', { needed: true, when: ['type', 'adjustable'] }),
    field('perTurn', 'Pitch diameter change per turn', 'length', { needed: true, when: ['type', 'adjustable'] }),
    field('most', 'Most turns open', 'number', { needed: true, when: ['type', 'adjustable'] }),
    field('least', 'Fewest turns open', 'number', { needed: true, when: ['type', 'adjustable'] }),
    field('step', 'Set in', 'choice', {
      options: [
        ['0.5', 'Half turns'],
        ['1', 'Whole turns'],
      ],
      needed: true,
      when: ['type', 'adjustable'],
    }),
    field('turns', 'Turns open when installed', 'number', { needed: true, when: ['type', 'adjustable'] }),
  ],
  'driven-sheave': [
    section,
    field('grooves', 'Grooves', 'number', { needed: true }),
    { ...measured, when: ['type', 'fixed'] },
    field('pitch', 'Diameter', 'length', { needed: true }),
  ],
  belts: [
    section,
    field('number', 'Number on the belt', 'number', { needed: true }),
    field('count', 'How many', 'number', { needed: true }),
  ],
  'bearing-de': bearing,
  'bearing-ode': bearing,
  shaft: [
    field('diameter', 'Diameter', 'length', { needed: true }),
    field('key', 'Key', 'length'),
    field('overhang', 'Belts outside of the bearing', 'length'),
    field('apart', 'Between the bearings', 'length'),
  ],
  wheel: [
    field('type', 'Kind', 'choice', {
      options: [
        ['forward-curved', 'Forward-curved'],
        ['backward-inclined', 'Backward-inclined'],
        ['propeller', 'Propeller'],
      ],
      needed: true,
    }),
    field('wheels', 'Wheels on the shaft', 'choice', {
      options: [
        ['1', 'One'],
        ['2', 'Two'],
      ],
      needed: true,
    }),
    field('greatestRpm', 'Maximum speed', 'number', { unit: 'rpm' }),
    field('diameter', 'Diameter', 'length'),
    field('blades', 'Blades', 'number'),
    field('mass', 'Weight of all wheels', 'number', { unit: 'kg' }),
    field('clips', 'Balance clips counted', 'number'),
  ],
  filters: [field('count', 'How many', 'number', { needed: true }), field('size', 'Size', 'text', { needed: true })],
}

/** What a new form begins with. */
export const slotDefaults: Readonly<Record<PartSlot, Readonly<Record<string, string>>>> = {
  'motor-sheave': { type: 'fixed', grooves: '1', measured: 'pitch', least: '0.5', step: '0.5' },
  'driven-sheave': { type: 'fixed', grooves: '1', measured: 'pitch' },
  belts: { count: '1' },
  'bearing-de': { type: 'ball' },
  'bearing-ode': { type: 'ball' },
  shaft: {},
  wheel: { wheels: '1' },
  filters: {},
}
