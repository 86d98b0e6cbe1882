/** What a verdict or an open condition belongs to, from the supply inward to the building. */
export const subjects = [
  'supply',
  'protection',
  'controls',
  'wiring',
  'motor',
  'capacitor',
  'drive',
  'belts',
  'sheaves',
  'bearings',
  'shaft',
  'wheel',
  'air',
  'guards',
  'gas section',
  'building',
  'visit',
] as const
export type Subject = (typeof subjects)[number]
