import type { Rule } from '../rule.ts'
import { found } from '../checks/found.ts'
import { unknownControls } from '../controls.ts'
import type { MachineFacts } from '../input.ts'
import { checkDefinitions } from '../checks/register.ts'
import type { CheckDefinition } from '../checks/check-definition.ts'
import { afterWork } from './after-work.ts'
import { beltsCarryRule } from './belts-carry.ts'
import { change } from './change.ts'
import { column } from './column.ts'
import { conditions } from './conditions.ts'
import { contradiction } from './contradiction.ts'
import { currentUnbalanceRule } from './current-unbalance.ts'
import { farBelow } from './far-below.ts'
import { lostLeg } from './lost-leg.ts'
import { noPlate } from './no-plate.ts'
import { overAmp } from './over-amp.ts'
import { phaseMonitor } from './phase-monitor.ts'
import { peers } from './peers.ts'
import { serviceVoltage } from './service-voltage.ts'
import { shaftLoad } from './shaft-load.ts'
import { speed } from './speed.ts'
import { trend } from './trend.ts'
import { turning } from './turning.ts'
import { twin } from './twin.ts'
import { voltageUnbalanceRule } from './voltage-unbalance.ts'
import { wheelSpeed } from './wheel-speed.ts'

/** Machines that between them are asked everything the page can ask. */
const kinds: readonly MachineFacts[] = ([1, 3] as const).flatMap((phases) =>
  ([true, false] as const).map((hasDrive) => ({
    phases,
    serviceVolts: phases === 1 ? 240 : 480,
    hasDrive,
    hasTwin: true,
    drive: 'belt' as const,
    controls: { ...unknownControls, gasSection: true },
    unitPlate: null,
  })),
)

/** What a check of the page can have something to say about: what its page asks for, unless it says so itself. */
function withNeeds(sheet: CheckDefinition): Rule[] {
  const asked = new Set(
    kinds
      .flatMap((m) => sheet.groups(m))
      .flatMap((g) => g.asks)
      .map((a) => (a.kind === 'reading' ? a.quantity : a.id)),
  )
  return sheet.judges.map((j) =>
    j.from === 'visit' && j.needs === undefined ? Object.assign(j, { needs: [...asked] }) : j,
  )
}

const ofThePage: readonly Rule[] = checkDefinitions.flatMap(withNeeds)

/** Every check, most urgent kind first: of two equally bad verdicts the earlier one speaks for the machine. */
export const rules: readonly Rule[] = [
  lostLeg,
  column,
  // What the page asks for beside the running figures; how it was found speaks last, it is the least exact.
  ...ofThePage.filter((j) => !found.judges.includes(j)),
  turning,
  voltageUnbalanceRule,
  wheelSpeed,
  speed,
  overAmp,
  currentUnbalanceRule,
  phaseMonitor,
  serviceVoltage,
  change,
  afterWork,
  trend,
  twin,
  peers,
  farBelow,
  shaftLoad,
  beltsCarryRule,
  noPlate,
  ...found.judges,
  contradiction,
  conditions,
]
