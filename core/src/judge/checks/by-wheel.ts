import type { WheelType } from '../../air/index.ts'

/** What amps that go down, and up, mean on each kind of wheel. @source trade: the power curve of the wheel */
export const down: Readonly<Record<WheelType, string>> = {
  'forward-curved': 'Less air or a slower fan: belt, filters, a damper.',
  'backward-inclined': 'This wheel hardly tells of filters: belt, sheave, or a wheel that lost its grip.',
  propeller: 'A freer way for the air, or a slower fan: an open door, the belt, a blade.',
}
export const up: Readonly<Record<WheelType, string>> = {
  'forward-curved': 'More air or a faster fan: filters out, a door open, a sheave closed, or a drag.',
  'backward-inclined': 'A faster fan or a drag: sheave, Hz, bearings.',
  propeller: 'The air is held up, or it drags: the coil behind it, a bearing, the blades.',
}
