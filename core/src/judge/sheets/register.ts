import type { Check } from '../check.ts'
import type { MachineFacts } from '../input.ts'
import { alignmentSheet } from './alignment.ts'
import { bearings } from './bearings.ts'
import { belts } from './belts.ts'
import { capacitor } from './capacitor.ts'
import { contactDrop } from './contact-drop.ts'
import { contacts } from './contacts.ts'
import { controlPowerSheet } from './control-power.ts'
import { drive } from './drive.ts'
import { filterDrop } from './filter-drop.ts'
import { found } from './found.ts'
import { gasSection } from './gas-section.ts'
import { groundCurrentSheet } from './ground-current.ts'
import { inhibit } from './inhibit.ts'
import { inrush } from './inrush.ts'
import { insulationCurve } from './insulation-curve.ts'
import { insulationSingle } from './insulation-single.ts'
import { insulation } from './insulation.ts'
import { keys } from './keys.ts'
import { leadRollSheet } from './lead-roll.ts'
import { leave } from './leave.ts'
import { lineSideSheet } from './line-side.ts'
import { lockOut } from './lock-out.ts'
import { powerTransformerSheet } from './power-transformer.ts'
import { pressureSheet } from './pressure.ts'
import { protection } from './protection.ts'
import { proveDead } from './prove-dead.ts'
import { psc } from './psc.ts'
import { rotation } from './rotation.ts'
import { running } from './running.ts'
import type { PhaseId, ScopeId, SheetCheck } from './sheet.ts'
import { singleStart } from './single-start.ts'
import { soundSheet } from './sound.ts'
import { spin } from './spin.ts'
import { temperatures } from './temperatures.ts'
import { tensionSheet } from './tension.ts'
import { terminalsSheet } from './terminals.ts'
import { vibrationSheet } from './vibration.ts'
import { wheel } from './wheel.ts'
import { winding } from './winding.ts'

/** Every check of the visit page, in the order it is walked. A new one is one file and one line here. */
export const sheetChecks: readonly SheetCheck[] = [
  found,
  drive,
  groundCurrentSheet,
  lockOut,
  proveDead,
  spin,
  belts,
  tensionSheet,
  alignmentSheet,
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
  terminalsSheet,
  protection,
  inhibit,
  lineSideSheet,
  powerTransformerSheet,
  controlPowerSheet,
  rotation,
  running,
  inrush,
  singleStart,
  contactDrop,
  temperatures,
  vibrationSheet,
  filterDrop,
  pressureSheet,
  soundSheet,
  leadRollSheet,
  gasSection,
  leave,
]

/** What the checks of the page tell, most urgent kind first. */
export const sheetJudges: readonly Check[] = sheetChecks.flatMap((s) => s.judges)

/** The checks of one phase that fit a machine and a plan; a stop of running amps alone asks for those alone. */
export const checksOf = (machine: MachineFacts, scope: ScopeId, phase: PhaseId): readonly SheetCheck[] =>
  sheetChecks.filter(
    (c) =>
      c.phase === phase &&
      c.for(machine) &&
      (scope === 'running'
        ? c.id === running.id
        : c.part === undefined || scope === 'both' || (c.part === 'drive') === (scope === 'drive')),
  )
