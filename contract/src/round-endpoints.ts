import { z } from './z.ts'
import { roofMap, roofMapPage, mapPictureBody } from './roof-map.ts'
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

/** Plans of roofs, what is due, rounds, phones that sync, pictures, calendars. */
export const roundEndpoints = {
  roofMap: at('roofMap', {
    role: 'viewer',
    summary: 'Map of a roof or room with its units',
    params: byId,
    response: roofMapPage,
  }),
  editRoofMap: at('editRoofMap', {
    role: 'mechanic',
    summary: 'Change the map of a roof or room',
    params: byId,
    body: z.strictObject({ version: z.int().min(0), map: roofMap, changeId }),
    response: roofMapPage,
  }),
  addMapPicture: at('addMapPicture', {
    role: 'mechanic',
    summary: 'Upload a background photo for a map; the same id twice saves one',
    params: byId,
    body: mapPictureBody,
    response: z.object({ id: z.uuid() }),
  }),
  mapPicture: at('mapPicture', {
    role: 'viewer',
    summary: 'Background photo of a map',
    params: byId,
    response: raw,
    responseType: 'image/jpeg',
  }),
  dueMachines: at('dueMachines', {
    role: 'viewer',
    summary: 'Due tasks of the machines of some sites, with dates and reasons',
    query: z.strictObject({ sites: z.string().max(800) }),
    response: z.array(dueMachine),
  }),
  rounds: at('rounds', {
    role: 'viewer',
    summary: 'Rounds, the next first, then those that are closed',
    response: z.array(roundHead),
  }),
  makeRound: at('makeRound', {
    role: 'lead',
    summary: 'Plan a round: who goes where when',
    body: roundBody,
    response: roundPage,
  }),
  round: at('round', {
    role: 'viewer',
    summary: 'A round with its visits, route and events',
    params: byId,
    response: roundPage,
  }),
  moveStep: at('moveStep', {
    role: 'lead',
    summary: 'Move a visit; the route is repaired and its cost is shown',
    params: byId,
    body: roundMove,
    response: roundMoved,
  }),
  replanRound: at('replanRound', {
    role: 'lead',
    summary: 'Plan again with other people, hours or weather',
    params: byId,
    body: roundReplan,
    response: roundPage,
  }),
  closeRound: at('closeRound', {
    role: 'lead',
    summary: 'Close a round; one that recurs is planned again for its next day',
    params: byId,
    body: roundClose,
    response: roundPage,
  }),
  sync: at('sync', {
    role: 'mechanic',
    summary: 'Sync a batch of entries from a device; the same entry twice saves one',
    body: syncBody,
    response: syncAnswer,
  }),
  device: at('device', {
    role: 'mechanic',
    summary: 'A device downloaded a round, or has entries to sync',
    body: deviceBody,
    response: z.object({ ok: z.literal(true) }),
  }),
  pictures: at('pictures', {
    role: 'viewer',
    summary: 'Photos of a machine, newest first',
    params: byId,
    response: z.array(picture),
  }),
  pictureBytes: at('pictureBytes', {
    role: 'viewer',
    summary: 'A picture',
    params: byId,
    response: raw,
    responseType: 'image/jpeg',
  }),
  roundEvents: at('roundEvents', {
    role: 'viewer',
    summary: 'Server-sent events: what happens on this round, one RoundNews a line',
    params: byId,
    response: raw,
    responseType: 'text/event-stream',
  }),
  roundReport: at('roundReport', {
    role: 'viewer',
    summary: 'One page for the person who pays',
    params: byId,
    response: raw,
    responseType: 'application/pdf',
  }),
  roundRecordPdf: at('roundRecordPdf', {
    role: 'viewer',
    summary: 'The full record of a round',
    params: byId,
    response: raw,
    responseType: 'application/pdf',
  }),
  roundRecordCsv: at('roundRecordCsv', {
    role: 'viewer',
    summary: 'Every reading of a round',
    params: byId,
    response: raw,
    responseType: 'text/csv',
  }),
  roundRecordJson: at('roundRecordJson', {
    role: 'viewer',
    summary: 'Round, visits and results',
    params: byId,
    response: raw,
    responseType: 'application/json',
  }),
  roundCalendar: at('roundCalendar', {
    role: 'viewer',
    summary: 'A round as a calendar file, RFC 5545',
    params: byId,
    response: raw,
    responseType: 'text/calendar',
  }),
  calendarLink: at('calendarLink', {
    role: 'viewer',
    summary: 'A new address at which a calendar can subscribe to the rounds; the old one stops',
    response: z.object({ path: z.string() }),
  }),
  calendarFeed: at('calendarFeed', {
    role: 'anyone',
    summary: 'All rounds, for a calendar that subscribes',
    params: token,
    response: raw,
    responseType: 'text/calendar',
  }),
}
