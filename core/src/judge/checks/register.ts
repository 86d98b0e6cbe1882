import type { MachineFacts } from '../input.ts'
import { alignmentCheck } from './drive-train/alignment.ts'
import { bearings } from './drive-train/bearings.ts'
import { belts } from './drive-train/belts.ts'
import { capacitor } from './motor/capacitor.ts'
import { contactDrop } from './supply/contact-drop.ts'
import { contacts } from './supply/contacts.ts'
import { controlPowerCheck } from './controls/control-power.ts'
import { drive } from './motor/drive.ts'
import { driveFigures } from './motor/drive-figures.ts'
import { driveSwap } from './motor/drive-swap.ts'
import { combustionCheck } from './air/combustion.ts'
import { filterDrop } from './air/filter-drop.ts'
import { found } from './found/found.ts'
import { gasSection } from './found/gas-section.ts'
import { groundCurrentCheck } from './motor/ground-current.ts'
import { inhibit } from './controls/inhibit.ts'
import { inrush } from './motor/inrush.ts'
import { insulationCurve } from './motor/insulation-curve.ts'
import { insulationSingle } from './motor/insulation-single.ts'
import { insulation } from './motor/insulation.ts'
import { keys } from './drive-train/keys.ts'
import { leadRollCheck } from './motor/lead-roll.ts'
import { leave } from './found/leave.ts'
import { lineSideCheck } from './supply/line-side.ts'
import { lockout } from './lockout/lockout.ts'
import { powerTransformerCheck } from './supply/power-transformer.ts'
import { pressureCheck } from './air/pressure.ts'
import { protection } from './supply/protection.ts'
import { proveDead } from './lockout/prove-dead.ts'
import { psc } from './motor/psc.ts'
import { rotation } from './motor/rotation.ts'
import { running } from './motor/running.ts'
import type { PhaseId, ScopeId, CheckDefinition } from './check-definition.ts'
import { singleStart } from './motor/single-start.ts'
import { soundCheck } from './motion/sound.ts'
import { spin } from './drive-train/spin.ts'
import { temperatures } from './motor/temperatures.ts'
import { tensionCheck } from './drive-train/tension.ts'
import { terminalsCheck } from './supply/terminals.ts'
import { vibrationCheck } from './motion/vibration.ts'
import { wheel } from './drive-train/wheel.ts'
import { winding } from './motor/winding.ts'

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
  driveFigures,
  driveSwap,
  inrush,
  singleStart,
  contactDrop,
  temperatures,
  vibrationCheck,
  filterDrop,
  combustionCheck,
  pressureCheck,
  soundCheck,
  leadRollCheck,
  gasSection,
  leave,
]

/** The checks of one phase that fit a machine and a plan; a visit of running amps alone asks for those alone. */
export const checksOf = (machine: MachineFacts, scope: ScopeId, phase: PhaseId): readonly CheckDefinition[] =>
  checkDefinitions.filter(
    (c) =>
      c.phase === phase &&
      c.for(machine) &&
      (scope === 'running'
        ? c.id === running.id
        : c.part === undefined || scope === 'both' || (c.part === 'drive') === (scope === 'drive')),
  )
