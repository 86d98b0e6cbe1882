import { legPositions, terminalPositions } from '../../quantity/index.ts'
import type { MachineFacts } from '../input.ts'
import type { Subject } from '../subject.ts'
import type { Level } from '../verdict.ts'

/** What a result of a trace means at its machine: what a visit that found the same would have opened. */
export interface Meaning {
  /** The check whose readings and whose work answer it. */
  readonly check: string
  readonly positions: (machine: MachineFacts) => readonly string[]
  readonly level: Exclude<Level, 'ok'>
  readonly because: string
  /** Left out: what its level asks for. */
  readonly next?: string
  /** Where no check of a visit is about it: what it is called, and what it is part of. */
  readonly as?: { readonly about: string; readonly subject: Subject }
}

const whole = () => ['']
const at =
  (...positions: readonly string[]) =>
  () =>
    positions
const legs = (m: MachineFacts) => legPositions.slice(0, m.phases === 3 ? 3 : 2)
const terminals = (m: MachineFacts) => (m.phases === 3 ? terminalPositions : terminalPositions.slice(0, 1))

type Row = readonly [
  Meaning['check'],
  Meaning['positions'],
  Meaning['level'],
  Meaning['because'],
  Pick<Meaning, 'next' | 'as'>?,
]

const testLoads = { next: 'Do not close it. Test ohms and insulation of every load on it first.' }
const readWinding = { next: 'Read winding resistance and insulation before it runs again.' }
const putInAuto = {
  next: 'Find out who did it and why. Then put it back in automatic, with no jumper and no lifted wire.',
}
const testBeforeStart = { next: 'Shut it off at the source now. Then lock out and test the winding.' }

/** The breaker or fuse opened again, as `test outcome`. */
export const trippedAgain = 'breaker again'

/**
 * By test and outcome of a trace. What is only a symptom (noise, speed, pressure, vibration) is left to the finding that a trace ends
 * with; this is what must not be run, closed or taken for good meanwhile.
 * @source common practice: as the checks of a visit judge the same find
 */
const rows: Readonly<Record<string, Row>> = {
  'see-fan hums': [
    'as-found',
    at('turns'),
    'stop',
    'It hums and does not turn: the winding overheats while it hums.',
    testBeforeStart,
  ],
  'see-fan runs-off': [
    'as-found',
    at('off'),
    'stop',
    'It turns though it should be off: a welded contactor, a second feed, or one leg returning through the ground wire.',
    { next: 'Open it at the source and prove it dead. Then test contactor, feeds and winding.' },
  ],
  'see-turn back': ['rotation', whole, 'fix', 'It turns the wrong way.'],
  'smell winding': ['smell', at('winding'), 'fix', 'Smells of burnt winding.', readWinding],
  'smell belt': ['smell', at('belt'), 'watch', 'Smells of hot belt.'],
  'selector off': ['inhibits', whole, 'fix', 'The selector is off, or something is lifted.', putInAuto],
  'selector hand': ['inhibits', whole, 'fix', 'The selector is in Hand, or a jumper is in.', putInAuto],
  'breaker tripped': ['breaker-found', whole, 'fix', 'Breaker found tripped. It opened for a reason.', testLoads],
  'breaker fuse': ['breaker-found', whole, 'fix', 'Fuse found blown. It opened for a reason.', testLoads],
  'breaker open': ['breaker-found', whole, 'fix', 'Breaker or disconnect found open.', testLoads],
  // No outcome of a test: what happened when it was closed on good tests.
  [trippedAgain]: [
    'breaker-found',
    whole,
    'stop',
    'It opened again after it was closed on good tests.',
    { next: 'Leave it open and call a licensed electrician.' },
  ],
  'vfd-code over-current': ['drive-display', whole, 'fix', 'The drive has tripped: over-current.'],
  'vfd-code over-volts': ['drive-display', whole, 'fix', 'The drive has tripped: bus over-voltage.'],
  'vfd-code under-volts': ['drive-display', whole, 'fix', 'The drive has tripped: under-voltage.'],
  'vfd-code ground': ['drive-display', whole, 'fix', 'The drive has tripped: ground fault.'],
  'vfd-code in-phase': ['drive-display', whole, 'fix', 'The drive has tripped: input phase loss.'],
  'vfd-code out-phase': ['drive-display', whole, 'fix', 'The drive has tripped: output phase loss.'],
  'vfd-code hot': ['drive-display', whole, 'fix', 'The drive has tripped: over-temperature.'],
  'vfd-code overload': ['drive-display', whole, 'fix', 'The drive has tripped: motor overload.'],
  'vfd-code ref': ['drive-display', whole, 'fix', 'The drive has lost its command or its reference.'],
  'vfd-code dark': ['drive-display', whole, 'fix', 'The display of the drive is dark.'],
  'swap motor': [
    'swap-result',
    whole,
    'fix',
    'The swap test found the fault with this motor: on the other drive it was still there.',
  ],
  'swap drive': [
    'swap-result',
    whole,
    'fix',
    'The swap test found the fault with this drive: the motor ran on the other one.',
    { as: { about: 'Swap test', subject: 'drive' } },
  ],
  'params off': ['drive-settings', whole, 'fix', 'A setting of the drive is wrong.'],
  'pm-lamp trip': ['phase-monitor', at('lamp'), 'fix', 'The phase monitor has tripped.'],
  'pm-lamp misset': ['phase-monitor', at('lamp'), 'fix', 'The dials of the phase monitor are set wrong.'],
  'half-split monitor': ['phase-monitor', at('lamp'), 'fix', 'The phase monitor holds it off.'],
  'half-split overload': [
    'breaker-found',
    whole,
    'fix',
    'The overload contact is open: it has tripped.',
    { next: 'Do not reset it yet. Test winding and insulation, then reset it once and read amps on every leg.' },
  ],
  'plate volts': [
    'plate-volts',
    whole,
    'stop',
    'The nameplate is for another voltage than the supply.',
    {
      next: 'Leave it off. Connect it for these volts by the diagram, or replace it.',
      as: { about: 'Nameplate against supply', subject: 'motor' },
    },
  ],
  'temps shell': ['temperature', at('motor'), 'fix', 'The motor shell is too hot.'],
  'temps bearing': ['temperature', at('bearing-de', 'bearing-ode'), 'fix', 'A bearing is too hot.'],
  'test-start hums': [
    'as-found',
    at('turns'),
    'stop',
    'It hummed and did not turn when it was started.',
    testBeforeStart,
  ],
  'test-start trips': ['breaker-found', whole, 'fix', 'It tripped when it was started.', testLoads],
  'test-start back': ['rotation', whole, 'fix', 'It turns the wrong way.'],
  'run-trip heat': ['temperature', at('motor'), 'fix', 'It stopped hot at normal amps.'],
  'run-trip amps': ['over-amp', whole, 'fix', 'It stopped on high amps.'],
  'prove-dead leg': ['dead-proof', at('alive'), 'stop', 'One leg is live behind the open disconnect.'],
  'prove-dead more': ['dead-proof', at('alive'), 'stop', 'More than one leg is live behind the open disconnect.'],
  'spin tight': ['spin', at('spin.all'), 'fix', 'It turns tight by hand.'],
  'spin seized': ['spin', at('spin.all'), 'stop', 'It is seized: it does not turn by hand.'],
  'spin rough': ['spin', at('spin.all'), 'fix', 'It turns rough by hand.'],
  'brg-hand motor': ['spin', at('spin.motor'), 'fix', 'A motor bearing is rough by hand.'],
  'brg-hand fan': ['spin', at('spin.fan'), 'fix', 'A fan bearing is rough by hand.'],
  'split motor': ['spin', at('spin.motor'), 'stop', 'With the belt off the motor is bound.'],
  'split fan': ['spin', at('spin.fan'), 'stop', 'With the belt off the fan is bound.'],
  'belt-look gone': ['belts', at('belt.wear'), 'fix', 'The belt is broken or off.'],
  'belt-look worn': ['belts', at('belt.wear'), 'fix', 'The belt is glazed, cracked or frayed.'],
  'align off': ['belts', at('belt.line'), 'fix', 'The sheaves are out of line or worn.'],
  'tension slack': ['belts', at('belt.tension'), 'fix', 'The belt is slack.'],
  'tension drum': ['belts', at('belt.tension'), 'fix', 'The belt is too tight.'],
  'locks hub': ['keys', at('hub.stand'), 'stop', 'A hub is loose on the shaft: it can come off.'],
  'locks collar': ['bearings', at('bearing.lock'), 'fix', 'A bearing collar is loose: the shaft turns in the bearing.'],
  'locks mount': ['keys', at('base'), 'fix', 'The motor base or strap is loose.'],
  'wheel bad': ['wheel', at('wheel.blades'), 'stop', 'A blade is bent or cracked, or a balance clip is lost.'],
  'wheel caked': ['wheel', at('wheel.dirt'), 'watch', 'The wheel is caked with dirt.'],
  'filters wall': ['filter-drop', whole, 'fix', 'The filters are plugged solid.'],
  'filters out': ['left', at('leave.filters'), 'fix', 'The filters are missing: dirt goes into wheel and coil.'],
  'wheel backward': ['wheel', at('wheel.hand'), 'fix', 'The wheel is in backward or of the wrong hand.'],
  'wheel rubs': ['wheel', at('wheel.gap'), 'fix', 'The wheel rubs or is jammed.'],
  'ohms3 uneven': ['winding-ohms', at('motor'), 'fix', 'Winding ohms are uneven by 5 % or more.'],
  'ohms3 high': ['winding-ohms', at('motor'), 'fix', 'Winding ohms are uneven, higher than before.'],
  'ohms3 low': ['winding-ohms', at('motor'), 'fix', 'Winding ohms are uneven, lower than before.'],
  'ohms3 lead-open': ['winding-ohms', at('motor'), 'stop', 'Two pairs of the winding read open: one lead is open.'],
  'ohms3 all-open': ['winding-ohms', at('motor'), 'stop', 'All three pairs of the winding read open.'],
  'ohms3 wander': ['winding-ohms', at('motor'), 'fix', 'Winding ohms wander.'],
  'ohms-far open': ['winding-ohms', at('cable'), 'fix', 'The motor circuit reads open from the far end.'],
  'ohms-far ground': ['winding-to-ground', terminals, 'stop', 'The motor circuit reads to ground from the far end.'],
  'ohms1 common-open': ['psc-winding', whole, 'fix', 'Only common reads open: a tripped protector or a burnt winding.'],
  'ohms1 wind-open': ['psc-winding', whole, 'fix', 'A winding reads open.'],
  'ohms1 misfit': ['psc-winding', whole, 'fix', 'The windings do not add up.'],
  'ohms1-cool open': ['psc-winding', whole, 'stop', 'The winding still reads open after it cooled.'],
  'gnd-ohms ground': ['winding-to-ground', terminals, 'stop', 'The winding reads to the frame.'],
  'megs low': ['insulation', at('all/motor'), 'fix', 'Insulation at the motor is low.'],
  'megs dead': ['insulation', at('all/motor'), 'stop', 'Insulation at the motor is next to nothing.'],
  'megs-cable low': ['insulation', at('all/contactor'), 'stop', 'Insulation of the cable is low.'],
  'cap-uf weak': ['capacitor', at('run'), 'fix', 'The capacitor reads below its tolerance.'],
  'cap-uf dead': ['capacitor', at('run'), 'fix', 'The capacitor reads less than half of its rating.'],
  'cap-mark wrong': ['capacitor', at('marked'), 'fix', 'The capacitor is not the value on the nameplate.'],
  'fuse-ohms open': ['fuses', legs, 'stop', 'A fuse is open: a motor on two legs burns out.'],
  'poles open': ['contactor-poles', legs, 'fix', 'A contactor pole does not make.'],
  'poles weld': ['contactor-poles', legs, 'stop', 'A contactor pole does not open: the motor stays live.'],
  'coil-ohms open': [
    'contactor-poles',
    at('coil'),
    'fix',
    'The contactor coil is open.',
    { as: { about: 'Contactor coil', subject: 'controls' } },
  ],
  'terminals loose': ['terminals', at('lugs'), 'fix', 'Lugs are loose or burnt.'],
  'terminals cut': ['terminals', at('wires'), 'stop', 'A wire is cut: bare copper can reach the frame.'],
  'terminals chafed': ['terminals', at('wires'), 'fix', 'A wire is chafed.'],
  'unplug this': ['breaker-found', whole, 'fix', 'This fan blows the fuses it shares with others.', testLoads],
  'tx-ohms open': ['power-transformer', whole, 'fix', 'A winding of the power transformer is open.'],
  'dial low': ['overload-setting', whole, 'watch', 'The overload is set too low: it trips on a good motor.'],
  'dial high': ['overload-setting', whole, 'fix', 'The overload is set too high, bridged or missing.'],
  'motor-conn other': [
    'lead-joints',
    whole,
    'fix',
    'The motor leads are not connected per the diagram.',
    { as: { about: 'Lead joints', subject: 'wiring' } },
  ],
  'bond open': [
    'bond',
    whole,
    'stop',
    'The ground wire is open: a fault makes the cabinet live.',
    { as: { about: 'Ground wire', subject: 'wiring' } },
  ],
  'line-volts none': ['line-side', whole, 'watch', 'No volts on the line side.'],
  'line-volts lost': ['line-side', whole, 'stop', 'One line is lost ahead of the starter.'],
  'line-volts low': ['service-voltage', whole, 'fix', 'Line volts are low.'],
  'line-volts unbal': ['line-side', whole, 'fix', 'Line volts are unbalanced or high.'],
  'load-volts part': ['lost-leg', whole, 'stop', 'Only some pairs have volts behind the starter: a leg is lost.'],
  'pole-drop hot': ['contact-drop', legs, 'fix', 'High voltage drop across a closed contact: it is burnt.'],
  'pole-drop open': ['contact-drop', legs, 'stop', 'A contactor pole is open: the motor runs on two legs.'],
  'amps uneven': ['current-unbalance', whole, 'fix', 'Amps are 5 to 30 % out of balance.'],
  'amps leg0': ['lost-leg', whole, 'stop', 'One leg has almost no current: it is lost.'],
  'amps double': [
    'lost-leg',
    whole,
    'stop',
    'One leg carries twice the others: a line is lost ahead of a transformer.',
  ],
  'load over': ['over-amp', whole, 'fix', 'Amps are over the nameplate.'],
  'load locked': ['over-amp', whole, 'stop', 'Three times the nameplate amps or more: it does not turn.'],
  'lead-roll line': ['lead-roll', whole, 'watch', 'The unbalance stays with the line: it is the supply.'],
  'lead-roll motor': ['lead-roll', whole, 'fix', 'The unbalance goes with the motor: it is the winding or its leads.'],
  'off-amps one': ['off-amps', legs, 'stop', 'One leg carries current while it is off: it runs to ground.'],
  'off-amps all': ['off-amps', legs, 'fix', 'It carries current while it should be off.'],
  'gnd-amps some': ['ground-current', at('ground-wire'), 'watch', 'The ground wire carries some current.'],
  'gnd-amps high': [
    'ground-current',
    at('ground-wire'),
    'stop',
    'The ground wire carries current: something is grounded.',
  ],
  'ctl-volts out0': ['control-power', whole, 'fix', 'No output from the control transformer.'],
  'ctl-volts tap': ['control-power', whole, 'fix', 'The control transformer is on the wrong tap.'],
  'tx-ratio in-wrong': ['service-voltage', whole, 'fix', 'The volts into the power transformer are wrong.'],
  'tx-ratio wrong': ['power-transformer', whole, 'stop', 'Output volts of the power transformer are wrong.'],
  'phase-meter rev': ['rotation', whole, 'watch', 'The phase sequence is reversed.'],
  'start creeps': ['creeping-start', whole, 'fix', 'It creeps up when it is started.'],
  'start no-turn': [
    'start-time',
    whole,
    'stop',
    'It did not turn when it was started: locked-rotor amps in the winding.',
    testBeforeStart,
  ],
  'ecm-sig dead': [
    'electronic-motor',
    whole,
    'fix',
    'The electronic motor has power and signal but does not run.',
    { as: { about: 'Electronic motor', subject: 'motor' } },
  ],
}

/** What a result means at its machine; undefined for what is good, or only a symptom. */
export function meaningOf(test: string, outcome: string): Meaning | undefined {
  const row = rows[`${test} ${outcome}`]
  if (!row) return undefined
  const [check, positions, level, because, more] = row
  return { check, positions, level, because, ...more }
}

/** Every result with a meaning, as `test outcome`. */
export const meaningful: readonly string[] = Object.keys(rows)
