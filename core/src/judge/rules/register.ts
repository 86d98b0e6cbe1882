import type { Rule } from '../rule.ts'
import { found } from '../checks/found/found.ts'
import { unknownControls } from '../controls.ts'
import type { MachineFacts } from '../input.ts'
import { checkDefinitions } from '../checks/register.ts'
import type { CheckDefinition } from '../checks/check-definition.ts'
import { afterWork } from './visit/after-work.ts'
import { beltsCarryRule } from './drive-train/belts-carry.ts'
import { atHz } from './amps/at-hz.ts'
import { change } from './amps/change.ts'
import { column } from './supply/column.ts'
import { conditions } from './visit/conditions.ts'
import { contradiction } from './visit/contradiction.ts'
import { currentUnbalanceRule } from './amps/current-unbalance.ts'
import { farBelow } from './amps/far-below.ts'
import { liveAgainstVisit } from './live/against-visit.ts'
import { liveAmpsBefore } from './live/amps-before.ts'
import { liveCall } from './live/call.ts'
import { liveOffHours } from './live/off-hours.ts'
import { liveOverAmps } from './live/over-amps.ts'
import { liveStartsRule } from './live/starts.ts'
import { lostLeg } from './amps/lost-leg.ts'
import { noPlate } from './amps/no-plate.ts'
import { overAmp } from './amps/over-amp.ts'
import { overHertz } from './drive-train/over-hertz.ts'
import { phaseMonitor } from './supply/phase-monitor.ts'
import { peers } from './amps/peers.ts'
import { serviceVoltage } from './supply/service-voltage.ts'
import { shaftLoad } from './amps/shaft-load.ts'
import { speed } from './drive-train/speed.ts'
import { trend } from './amps/trend.ts'
import { turning } from './visit/turning.ts'
import { twin } from './amps/twin.ts'
import { voltageUnbalanceRule } from './supply/voltage-unbalance.ts'
import { wheelSpeed } from './drive-train/wheel-speed.ts'

/** Machines that between them are asked everything the page can ask. */
const kinds: readonly MachineFacts[] = ([1, 3] as const).flatMap((phases) =>
  ([true, false] as const).map((hasVfd) => ({
    phases,
    serviceVolts: phases === 1 ? 240 : 480,
    hasVfd,
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
  overHertz,
  speed,
  overAmp,
  liveOverAmps,
  currentUnbalanceRule,
  phaseMonitor,
  serviceVoltage,
  change,
  atHz,
  afterWork,
  trend,
  twin,
  peers,
  liveAmpsBefore,
  liveCall,
  liveStartsRule,
  liveAgainstVisit,
  liveOffHours,
  farBelow,
  shaftLoad,
  beltsCarryRule,
  noPlate,
  ...found.judges,
  contradiction,
  conditions,
]
