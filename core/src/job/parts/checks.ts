import type { PartPoint } from './point.ts'

/** A sliding fit of shaft and bore, by calipers: a thousandth of an inch. @source common practice */
const slide = 0.03
const eighth = 3.2
const sixteenth = 1.6

/** A bore and the shaft it goes on. */
const bore = (id: string, title: string, old: string, now: string): PartPoint => ({
  id,
  title,
  old,
  now,
  kind: 'length',
  over: slide,
  under: slide,
  why: 'The bore is not that of the shaft. Get the bushing, sheave or hub that is; nothing is shimmed or reamed.',
})
const length = (id: string, title: string, within: number, more: Partial<PartPoint> & { why: string }): PartPoint => ({
  id,
  title,
  kind: 'length',
  over: within,
  under: within,
  ...more,
})
const key = length('key', 'Key width, 0 for a flat', 0.05, {
  why: 'The key slips: neither a step key nor a filed flat was prepared.',
  change: 'Step key, or a flat filed under the screw.',
})
const shaftLength = length('shaft-length', 'Shaft length', eighth, {
  why: 'The screw misses its flat.',
  change: 'Trim it if it is longer; check that the wheel keeps its place.',
})
const hands = ['clockwise', 'counterclockwise'] as const
const hand = (id: string, title: string): PartPoint => ({
  id,
  title,
  kind: 'choice',
  choices: hands,
  why: 'Of the other hand: it moves its air the wrong way.',
})
const rotation: PartPoint = {
  id: 'rotation',
  title: 'Rotation, from the shaft end',
  old: 'Needed',
  now: 'New motor',
  kind: 'choice',
  choices: hands,
  why: 'It turns the wrong way.',
  change: 'Change it at its reversing plug or leads; see it turn before the panel is on.',
}
const atLeast = (id: string, title: string, unit: string, old: string, now: string, why: string): PartPoint => ({
  id,
  title,
  old,
  now,
  kind: 'number',
  unit,
  atLeast: true,
  why,
})
const equal = (
  id: string,
  title: string,
  unit: string,
  within: number,
  old: string,
  now: string,
  why: string,
): PartPoint => ({
  id,
  title,
  old,
  now,
  kind: 'number',
  unit,
  over: within,
  under: within,
  why,
})

/**
 * What is measured of the new parts against the old before anything is cut or pulled, by the step in which it is done.
 * @source common practice; a bore for its shaft, never shimmed or reamed
 */
export const partChecks: Readonly<Record<string, readonly PartPoint[]>> = {
  BM7: [
    bore('bore', 'Shaft of the new motor', 'Bore of sheave or bushing', 'New shaft'),
    key,
    length('height', 'Shaft height over the base', 0.8, {
      why: 'The body does not fit.',
      change: 'Shim it up, or move the base; align it anew.',
    }),
    length('holes-across', 'Base holes across', sixteenth, {
      why: 'The holes miss.',
      change: 'Adapter base, or slots.',
    }),
    length('holes-along', 'Base holes along', sixteenth, { why: 'The holes miss.', change: 'Adapter base, or slots.' }),
  ],
  DM5: [bore('bore', 'Shaft of the new motor', 'Bore of the hub', 'New shaft'), shaftLength, key, rotation],
  PM5: [
    bore('bore', 'Shaft of the new motor', 'Bore of the hub', 'New shaft'),
    shaftLength,
    length('body', 'Body, for the band', eighth, {
      why: 'The band does not close on it.',
      change: 'Band of its size.',
    }),
    rotation,
    equal(
      'capacitor',
      'Capacitor',
      'µF',
      0.1,
      'New nameplate',
      'In hand',
      'The capacitor follows the new nameplate: get that value.',
    ),
  ],
  PF6: [
    bore('bore', 'Shaft of the motor that stays or is new', 'Shaft', 'Bore of the blade'),
    length('diameter', 'Blade diameter', eighth, { why: 'It rubs, or leaves a gap that air runs back through.' }),
    hand('hand', 'Hand of the blade'),
    {
      id: 'hub',
      title: 'Hub side',
      kind: 'choice',
      choices: ['air in', 'air out'],
      why: 'The blade sits at the wrong depth.',
      change: 'Set it at the height that was recorded.',
    },
    {
      ...equal('blades', 'Number of blades', '', 0, 'Old', 'New', ''),
      change: 'Another load: prove it by amps.',
    },
    {
      ...equal('pitch', 'Pitch', '°', 1, 'Old', 'New', ''),
      change: 'Another load: prove it by amps.',
    },
    {
      id: 'load',
      title: 'Motor load, amps as % of the nameplate',
      old: 'Runs at',
      now: 'With the new blade, within about 20 %',
      kind: 'number',
      unit: '%',
      most: { free: 100, change: 110 },
      worked: true,
      why: 'It overloads the motor: get the blade of the old diameter, count and pitch, or the motor for it.',
      change: 'At the limit of the motor: read amps within a minute of the first start.',
    },
  ],
  WH4: [
    length('diameter', 'Wheel diameter', eighth, { why: 'It rubs on the scroll, or leaks past the inlet.' }),
    length('width', 'Wheel width', eighth, { why: 'It does not meet its inlets.' }),
    bore('bore', 'Bore of the new wheel', 'Shaft', 'Bore'),
    key,
    hand('hand', 'Hand of the first wheel'),
    hand('hand-2', 'Hand of the second wheel, or the first again'),
    {
      id: 'form',
      title: 'Blades',
      kind: 'choice',
      choices: ['forward-curved', 'backward-inclined'],
      why: 'Another kind of wheel: other speed, other load.',
    },
    atLeast('speed', 'Speed', 'rpm', 'Runs at', 'Wheel rated for', 'Over its rated speed a wheel bursts.'),
  ],
  SB3: [
    length('diameter', 'Shaft diameter', slide, { why: 'Sheave and hubs do not go on it.' }),
    bore('bearing', 'Bearing bore', 'New shaft', 'New bearings'),
    length('length', 'Shaft length', sixteenth, { why: 'Its ends miss sheave, wheel or bearings.' }),
    key,
    length('bolts', 'Bolt spacing of the bearings', sixteenth, {
      why: 'The bolts miss.',
      change: 'Slot the plate, or drill it; center it anew.',
    }),
    {
      id: 'lock',
      title: 'Lock of the bearings',
      kind: 'choice',
      choices: ['eccentric collar', 'set screws', 'adapter sleeve'],
      why: 'Another lock.',
      change: 'Lock it its own way: collars with the rotation, screws on flats.',
    },
  ],
  SV5: [
    bore('motor-bore', 'Motor sheave', 'Motor shaft', 'Bore'),
    bore('fan-bore', 'Fan sheave', 'Fan shaft', 'Bore'),
    key,
    {
      id: 'section',
      title: 'Section of sheave and belt',
      old: 'Belts',
      now: 'Sheaves',
      kind: 'choice',
      choices: ['A', 'B', 'C', '3V', '5V', 'AX', 'BX', 'CX'],
      why: 'The belt bottoms or rides high: belts and sheaves of one section.',
    },
    equal('grooves', 'Grooves', '', 0, 'Belts', 'Sheaves', 'Every belt has its groove, every groove its belt.'),
  ],
  CP2: [
    equal(
      'capacitance',
      'Capacitance',
      'µF',
      0.1,
      'Motor nameplate',
      'New capacitor',
      'Not the value of the nameplate.',
    ),
    atLeast('volts', 'Volts', 'V', 'Needed', 'New capacitor', 'Its volts are never lower.'),
  ],
  CO3: [
    equal('coil', 'Coil', 'V', 1, 'Control circuit', 'New coil', 'The coil burns, or does not pull in.'),
    atLeast('amps', 'Contacts', 'A', 'Motor nameplate', 'New contactor', 'Too small for this motor.'),
    atLeast('poles', 'Poles', '', 'Needed', 'New contactor', 'A pole is missing.'),
    atLeast(
      'low',
      'Overload, low end of its range',
      'A',
      'Low end',
      'Motor nameplate',
      'Its range starts over the nameplate.',
    ),
    atLeast(
      'high',
      'Overload, high end of its range',
      'A',
      'Motor nameplate',
      'High end',
      'Its range ends below the nameplate.',
    ),
  ],
  VD4: [
    equal('volts', 'Volts', 'V', 25, 'Supply', 'New drive', 'Not a drive for this supply.'),
    atLeast('amps', 'Output amps', 'A', 'Motor nameplate', 'New drive', 'Too small for this motor.'),
  ],
  TX4: [
    equal('primary', 'Primary', 'V', 12, 'Supply', 'New transformer', 'Not a transformer for this supply.'),
    equal('secondary', 'Secondary', 'V', 1, 'Control circuit', 'New transformer', 'The coils get the wrong volts.'),
    atLeast('va', 'Power', 'VA', 'Old', 'New transformer', 'Too small for its coils.'),
  ],
}
