import type { TaskKind } from '../task.ts'
import { ampsTask } from './amps.ts'
import { answerTask } from './answer.ts'
import { beltsTask } from './belts.ts'
import { capacitorTask } from './capacitor.ts'
import { combustionTask } from './combustion.ts'
import { filtersTask } from './filters.ts'
import { greaseTask } from './grease.ts'
import { insulationTask } from './insulation.ts'
import { startUpTask } from './start-up.ts'
import { terminalsTask } from './terminals.ts'
import { vibrationTask } from './vibration.ts'

/** Every kind of task of a round. A new one is one file and one line here. */
export const taskKinds: readonly TaskKind[] = [
  answerTask,
  ampsTask,
  insulationTask,
  beltsTask,
  greaseTask,
  filtersTask,
  capacitorTask,
  vibrationTask,
  terminalsTask,
  combustionTask,
  startUpTask,
]
