import { findQuantity } from './quantities.ts'

/** Places that do not say by themselves what they are. */
const words: Readonly<Record<string, string>> = {
  driven: 'fan',
  bus: 'drive bus',
  all: 'all together',
  'bearing-de': 'drive-end bearing',
  'bearing-ode': 'opposite-end bearing',
  ambient: 'air',
  run: 'run section',
  second: 'second section',
  'ground-wire': 'ground wire',
  lines: 'all lines in the clamp',
  'motor-near': 'motor sheave, outer edge',
  'motor-far': 'motor sheave, inner edge',
  'fan-near': 'fan sheave, inner edge',
  'fan-far': 'fan sheave, outer edge',
}
const ends: Readonly<Record<string, string>> = { DE: 'drive end', ODE: 'opposite end' }
const directions: Readonly<Record<string, string>> = { H: 'horizontal', V: 'vertical', A: 'axial' }
const rolls: Readonly<Record<string, string>> = { 1: 'as it was', 2: 'moved once', 3: 'moved twice' }

/** Where a reading was taken, as a person says it; empty where there is only one such place. */
export function placeWords(quantity: string, position: string): string {
  if (findQuantity(quantity)?.positions.length === 1) return ''
  const [first = '', second = ''] = position.split('-')
  if (quantity === 'vibration') return `${ends[first] ?? first} ${directions[second] ?? second}`
  if (quantity === 'roll_amps') return `${rolls[first] ?? first} ${second}`
  if (quantity === 'megohms_at') return position.replace(/(?<=\d)(?=[a-z])/, ' ')
  return words[position] ?? position
}
