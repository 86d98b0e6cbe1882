import type { Rule } from '../rule.ts'
import type { MachineFacts } from '../input.ts'
import { alignmentCheck } from './alignment.ts'
import { bearings } from './bearings.ts'
import { belts } from './belts.ts'
import { capacitor } from './capacitor.ts'
import { contactDrop } from './contact-drop.ts'
import { contacts } from './contacts.ts'
import { controlPowerCheck } from './control-power.ts'
import { drive } from './drive.ts'
import { filterDrop } from './filter-drop.ts'
import { found } from './found.ts'
import { gasSection } from './gas-section.ts'
import { groundCurrentCheck } from './ground-current.ts'
import { inhibit } from './inhibit.ts'
import { inrush } from './inrush.ts'
import { insulationCurve } from './insulation-curve.ts'
import { insulationSingle } from './insulation-single.ts'
import { insulation } from './insulation.ts'
import { keys } from './keys.ts'
import { leadRollCheck } from './lead-roll.ts'
import { leave } from './leave.ts'
import { lineSideCheck } from './line-side.ts'
import { lockout } from './lockout.ts'
import { powerTransformerCheck } from './power-transformer.ts'
import { pressureCheck } from './pressure.ts'
import { protection } from './protection.ts'
import { proveDead } from './prove-dead.ts'
import { psc } from './psc.ts'
import { rotation } from './rotation.ts'
import { running } from './running.ts'
import type { PhaseId, ScopeId, CheckDefinition } from './check-definition.ts'
import { singleStart } from './single-start.ts'
import { soundCheck } from './sound.ts'
import { spin } from './spin.ts'
import { temperatures } from './temperatures.ts'
import { tensionCheck } from './tension.ts'
import { terminalsCheck } from './terminals.ts'
import { vibrationCheck } from './vibration.ts'
import { wheel } from './wheel.ts'
import { winding } from './winding.ts'

/** Every check of the visit page, in the order it is walked. A new one is one file and one line here. */
export const checkDefinitions: readonly CheckDefinition[] = [
  found,
  drive,
  groundCurrentCheck,
  lockout,
  proveDead,
  spin,
  belts,
  tensionCheck,
  alignmentCheck,
  bearings,
  keys,
  wheel,
  winding,
  psc,
  insulation,
  insulationCurve,
  insulationSingle,
  capacitor,
  contacts,
  terminalsCheck,
  protection,
  inhibit,
  lineSideCheck,
  powerTransformerCheck,
  controlPowerCheck,
  rotation,
  running,
  inrush,
  singleStart,
  contactDrop,
  temperatures,
  vibrationCheck,
  filterDrop,
  pressureCheck,
  soundCheck,
  leadRollCheck,
  gasSection,
  leave,
]

/** What the checks of the page tell, most urgent kind first. */
export const checkRules: readonly Rule[] = checkDefinitions.flatMap((s) => s.judges)

/** The checks of one phase that fit a machine and a plan; a stop of running amps alone asks for those alone. */
export const checksOf = (machine: MachineFacts, scope: ScopeId, phase: PhaseId): readonly CheckDefinition[] =>
  checkDefinitions.filter(
    (c) =>
      c.phase === phase &&
      c.for(machine) &&
      (scope === 'running'
        ? c.id === running.id
        : c.part === undefined || scope === 'both' || (c.part === 'drive') === (scope === 'drive')),
  )
