import { unknownControls, type MachineFacts } from '@motor-round/core/judge'

/** A belt-driven three-phase machine on 480 V of which nothing more is known. */
export const facts: MachineFacts = {
  phases: 3,
  serviceVolts: 480,
  hasVfd: false,
  hasTwin: false,
  drive: 'belt',
  controls: unknownControls,
  unitPlate: null,
}
