import type { MachineFacts } from '../input.ts'

/** A test that is made again after work. `by`: the checks whose result answers it. */
export interface Retest {
  readonly id: string
  /** As in "not read since the motor was replaced". */
  readonly words: string
  readonly next: string
  readonly by: readonly string[]
  readonly for: (machine: MachineFacts) => boolean
  /** Not OK without it: turning and amps after work on the motor, its wires or its speed. */
  readonly needed: boolean
}

const always = () => true
const acrossTheLine = (m: MachineFacts) => m.phases === 3 && !m.hasVfd

const retest = (
  id: string,
  words: string,
  next: string,
  by: readonly string[],
  more: Partial<Pick<Retest, 'for' | 'needed'>> = {},
): Retest => ({ id, words, next, by, for: always, needed: false, ...more })

/** Every test that work can ask for. */
export const retests = {
  amps: retest('amps', 'amps', 'Read volts and amps on every leg, running and settled.', ['over-amp', 'conditions'], {
    needed: true,
  }),
  turning: retest(
    'turning',
    'rotation',
    'Bump it with the guards on and see which way it turns.',
    ['turning', 'rotation'],
    { needed: true },
  ),
  insulation: retest('insulation', 'insulation', 'Read each lead to the frame with the insulation tester.', [
    'insulation',
  ]),
  winding: retest('winding', 'winding resistance', 'Read the three pairs with the leads off.', [
    'winding-ohms',
    'psc-winding',
  ]),
  dial: retest(
    'dial',
    'the overload dial',
    'Set the overload relay to the new nameplate and enter the dial.',
    ['overload-setting'],
    { for: (m) => acrossTheLine(m) && m.controls.overload === 'relay' },
  ),
  capacitor: retest(
    'capacitor',
    'the capacitor against the new nameplate',
    'Install the capacitor the nameplate calls for and measure it.',
    ['capacitor'],
    { for: (m) => m.phases === 1 },
  ),
  ground: retest('ground', 'ground current', 'Clamp the equipment grounding conductor.', ['ground-current']),
  off: retest('off', 'amps with the fan off', 'Clamp each line with the fan off.', ['off-amps']),
  fuses: retest('fuses', 'the fuses', 'Read each fuse on the ohm scale.', ['fuses', 'lost-leg']),
  poles: retest('poles', 'the contactor poles', 'Read each closed pole, or the drop across it while it runs.', [
    'contactor-poles',
    'contact-drop',
    'lost-leg',
  ]),
  line: retest('line', 'line-side volts', 'Read three pairs on the line side.', ['line-side', 'voltage-unbalance']),
  control: retest('control', 'control volts', 'Read the control transformer, in and out.', ['control-power']),
  transformer: retest('transformer', 'the power transformer', 'Read each pair in and out.', ['power-transformer']),
  vibration: retest('vibration', 'vibration', 'Read vibration on both bearing housings.', [
    'vibration',
    'vibration-felt',
  ]),
  tension: retest('tension', 'belt tension', 'Measure the tension on the longest span.', ['belt-tension', 'belts']),
  alignment: retest('alignment', 'sheave alignment', 'Lay the straightedge across both sheaves.', [
    'alignment',
    'belts',
  ]),
  bearings: retest('bearings', 'the bearings', 'Turn the shaft by hand and listen at both housings.', [
    'bearings',
    'spin',
  ]),
  keys: retest('keys', 'keys and set screws', 'Check key, set screws and hub marks.', ['keys', 'wheel']),
  wheel: retest('wheel', 'the wheel', 'Look at every blade and turn the wheel by hand.', ['wheel', 'spin']),
  temperature: retest('temperature', 'temperatures', 'Read shell and bearing temperatures after a run.', [
    'temperature',
  ]),
  filters: retest('filters', 'the filter pressure drop', 'Read the pressure drop across the filters.', ['filter-drop']),
  input: retest(
    'input',
    'the input amps of the drive',
    'Clamp the three legs ahead of the drive while it runs.',
    ['drive-input'],
    { for: (m) => m.hasVfd },
  ),
  drive: retest('drive', 'the drive', 'Read the display: running, no fault.', ['drive-display']),
  terminals: retest('terminals', 'lugs and wires', 'Look at every lug and wire.', ['terminals', 'lost-leg']),
  speed: retest('speed', 'the fan speed', 'Read the fan speed with a tachometer.', ['wheel-speed', 'speed']),
  spin: retest('spin', 'how it turns by hand', 'Turn the shaft by hand, locked out.', ['spin']),
  gas: retest('gas', 'the gas section', 'Check that every cut-out lead of the gas section is on.', ['gas-section']),
} as const satisfies Record<string, Retest>

export type RetestId = keyof typeof retests
