import { z } from './z.ts'
import { id, instant } from './common.ts'
import { at, byId } from './define-endpoint.ts'
import { judgement } from './judgement.ts'
import { speedChange, speedChangeBody, speedChangeOfSite } from './speed-change.ts'
import { machineListPage, machineListQuery } from './machine-list.ts'
import { visit, visitBody, work, workBody } from './visit.ts'

const why = z.string().trim().min(1, 'enter the reason').max(400)
const saved = z.object({ visit, judgement: judgement.nullable(), already: z.boolean() })

/** Visits, work, speed changes, and the list of machines. */
export const visitEndpoints = {
  addSpeedChange: at('addSpeedChange', {
    role: 'mechanic',
    summary: 'Plan a speed change',
    body: speedChangeBody,
    response: speedChange,
  }),
  finishSpeedChange: at('finishSpeedChange', {
    role: 'mechanic',
    summary: 'Mark a planned speed change done: recorded as work or installed parts',
    params: byId,
    body: z.strictObject({ workId: id, doneAt: instant, note: z.string().max(400).default('') }),
    response: speedChange,
  }),
  cancelSpeedChange: at('cancelSpeedChange', {
    role: 'mechanic',
    summary: 'Cancel a planned speed change; it stays on record with the reason',
    params: byId,
    body: z.strictObject({ why }),
    response: speedChange,
  }),
  speedChanges: at('speedChanges', {
    role: 'viewer',
    summary: 'Completed speed changes, newest first: predicted and measured',
    response: z.array(speedChangeOfSite),
  }),

  saveVisit: at('saveVisit', {
    role: 'mechanic',
    summary: 'Save a visit; the same id twice saves one',
    body: visitBody,
    response: saved,
  }),
  saveWork: at('saveWork', {
    role: 'mechanic',
    summary: 'Record work; it may start a new baseline',
    body: workBody,
    response: work,
  }),
  machineList: at('machineList', {
    role: 'viewer',
    summary: 'All machines, most urgent first',
    query: machineListQuery,
    response: machineListPage,
  }),
}
