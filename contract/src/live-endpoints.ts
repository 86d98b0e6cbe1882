import { z } from './z.ts'
import { id, line } from './common.ts'
import { at, byId, raw } from './define-endpoint.ts'
import { zone } from './register.ts'
import { liveFile, liveNow, livePage, livePointBody, liveQuery, liveSources, offHoursBody } from './live.ts'

/** What a building's own instruments say of its machines, minute by minute. */
export const liveEndpoints = {
  live: at('live', {
    role: 'viewer',
    summary: 'Live data of a machine over a day, week, month or year',
    params: byId,
    query: liveQuery,
    response: livePage,
  }),
  liveNow: at('liveNow', {
    role: 'viewer',
    summary: 'The newest minute of live data of a machine',
    params: byId,
    response: liveNow,
  }),
  setOffHours: at('setOffHours', {
    role: 'lead',
    summary: 'Enter the hours in which a machine should be off, or slow',
    params: byId,
    body: offHoursBody,
    response: offHoursBody,
  }),
  liveSources: at('liveSources', {
    role: 'viewer',
    summary: 'Where live data comes from: columns, files, drives that are read',
    response: liveSources,
  }),
  setLivePoint: at('setLivePoint', {
    role: 'lead',
    confirmed: true,
    summary: 'Say which machine and quantity a column belongs to',
    body: livePointBody,
    response: liveSources,
  }),
  dropLivePoint: at('dropLivePoint', {
    role: 'lead',
    confirmed: true,
    summary: 'A column belongs to no machine any more; what came of it stays',
    params: byId,
    response: liveSources,
  }),
  sendLiveFile: at('sendLiveFile', {
    role: 'lead',
    summary: 'Upload a CSV file of live data; sending it twice doubles nothing',
    query: z.strictObject({ id, name: line(200).default('file'), zone: zone.optional() }),
    body: raw,
    bodyType: 'application/octet-stream',
    response: liveFile,
  }),
}
