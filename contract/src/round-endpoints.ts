import { z } from 'zod'
import { areaPlan, areaPlanPage, planPictureBody } from './area-plan.ts'
import { at, byId, raw, token } from './define-endpoint.ts'
import {
  dueMachine,
  picture,
  roundBody,
  roundClose,
  roundHead,
  roundMove,
  roundMoved,
  roundPage,
  roundReplan,
} from './round.ts'
import { changeId } from './register.ts'
import { deviceBody, syncAnswer, syncBody } from './sync.ts'

/** Plans of roofs, what is due, rounds, phones that come home, pictures, calendars. */
export const roundEndpoints = {
  areaPlan: at('areaPlan', 'get', '/areas/{id}/plan', {
    role: 'viewer',
    summary: 'The plan of a roof or room, with the units that stand there',
    params: byId,
    response: areaPlanPage,
  }),
  editAreaPlan: at('editAreaPlan', 'put', '/areas/{id}/plan', {
    role: 'mechanic',
    summary: 'Change the plan of a roof or room',
    params: byId,
    body: z.strictObject({ version: z.int().min(0), plan: areaPlan, changeId }),
    response: areaPlanPage,
  }),
  addPlanPicture: at('addPlanPicture', 'post', '/areas/{id}/pictures', {
    role: 'mechanic',
    summary: 'Bring a picture for the plan of a roof or room to be drawn over; the same id twice keeps one',
    params: byId,
    body: planPictureBody,
    response: z.object({ id: z.uuid() }),
  }),
  planPicture: at('planPicture', 'get', '/plan-pictures/{id}', {
    role: 'viewer',
    summary: 'A picture a plan is drawn over',
    params: byId,
    response: raw,
    responseType: 'image/jpeg',
  }),
  dueMachines: at('dueMachines', 'get', '/round/due', {
    role: 'viewer',
    summary: 'What every machine of some sites wants and when, with the reason of each day',
    query: z.strictObject({ sites: z.string().max(800) }),
    response: z.array(dueMachine),
  }),
  rounds: at('rounds', 'get', '/rounds', {
    role: 'viewer',
    summary: 'Rounds, the next first, then those that are closed',
    response: z.array(roundHead),
  }),
  makeRound: at('makeRound', 'post', '/rounds', {
    role: 'lead',
    summary: 'Plan a round: who goes where when',
    body: roundBody,
    response: roundPage,
  }),
  round: at('round', 'get', '/rounds/{id}', {
    role: 'viewer',
    summary: 'A round with its stops, plan and what happened',
    params: byId,
    response: roundPage,
  }),
  moveVisit: at('moveVisit', 'post', '/rounds/{id}/move', {
    role: 'lead',
    summary: 'Move a stop by hand; the plan mends itself and says what it costs',
    params: byId,
    body: roundMove,
    response: roundMoved,
  }),
  replanRound: at('replanRound', 'post', '/rounds/{id}/replan', {
    role: 'lead',
    summary: 'Plan again with other people, hours or weather',
    params: byId,
    body: roundReplan,
    response: roundPage,
  }),
  closeRound: at('closeRound', 'post', '/rounds/{id}/close', {
    role: 'lead',
    summary: 'Close a round; one that recurs is planned again for its next day',
    params: byId,
    body: roundClose,
    response: roundPage,
  }),
  sync: at('sync', 'post', '/sync', {
    role: 'mechanic',
    summary: 'What a phone brings home, in order; the same twice keeps one',
    body: syncBody,
    response: syncAnswer,
  }),
  device: at('device', 'post', '/devices', {
    role: 'mechanic',
    summary: 'A phone takes a round along, or has so much of it still to bring',
    body: deviceBody,
    response: z.object({ ok: z.literal(true) }),
  }),
  pictures: at('pictures', 'get', '/machines/{id}/pictures', {
    role: 'viewer',
    summary: 'Pictures of a machine, newest first',
    params: byId,
    response: z.array(picture),
  }),
  pictureBytes: at('pictureBytes', 'get', '/pictures/{id}', {
    role: 'viewer',
    summary: 'A picture',
    params: byId,
    response: raw,
    responseType: 'image/jpeg',
  }),
  roundEvents: at('roundEvents', 'get', '/rounds/{id}/live', {
    role: 'viewer',
    summary: 'Server-sent events: something happened on this round',
    params: byId,
    response: raw,
    responseType: 'text/event-stream',
  }),
  roundReport: at('roundReport', 'get', '/rounds/{id}/report.pdf', {
    role: 'viewer',
    summary: 'One page for the person who pays',
    params: byId,
    response: raw,
    responseType: 'application/pdf',
  }),
  roundRecordPdf: at('roundRecordPdf', 'get', '/rounds/{id}/record.pdf', {
    role: 'viewer',
    summary: 'The full record of a round',
    params: byId,
    response: raw,
    responseType: 'application/pdf',
  }),
  roundRecordCsv: at('roundRecordCsv', 'get', '/rounds/{id}/record.csv', {
    role: 'viewer',
    summary: 'Every reading of a round',
    params: byId,
    response: raw,
    responseType: 'text/csv',
  }),
  roundRecordJson: at('roundRecordJson', 'get', '/rounds/{id}/record.json', {
    role: 'viewer',
    summary: 'Round, stops and judgements',
    params: byId,
    response: raw,
    responseType: 'application/json',
  }),
  roundCalendar: at('roundCalendar', 'get', '/rounds/{id}/round.ics', {
    role: 'viewer',
    summary: 'A round as a calendar file, RFC 5545',
    params: byId,
    response: raw,
    responseType: 'text/calendar',
  }),
  calendarLink: at('calendarLink', 'post', '/calendar', {
    role: 'viewer',
    summary: 'A new address at which a calendar can subscribe to the rounds; the old one stops',
    response: z.object({ path: z.string() }),
  }),
  calendarFeed: at('calendarFeed', 'get', '/calendar/{token}.ics', {
    role: 'anyone',
    summary: 'All rounds, for a calendar that subscribes',
    params: token,
    response: raw,
    responseType: 'text/calendar',
  }),
}
