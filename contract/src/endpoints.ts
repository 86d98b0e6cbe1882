import { z } from 'zod'
import { areaAir } from './area-air.ts'
import { auditEntry } from './audit.ts'
import { importQuery, importState } from './import-export.ts'
import { id, instant } from './common.ts'
import { at, byId, raw, token } from './define-endpoint.ts'
import { cameOut, installedPart, partBody, removedFor } from './installed.ts'
import { judgement } from './judgement.ts'
import { foundMachine, machinePage } from './machine-page.ts'
import {
  acceptInvitation,
  invitation,
  invitationLink,
  newPerson,
  person,
  personEdit,
  session,
  signIn,
} from './people.ts'
import { speedChange, speedChangeBody, speedChangeOfSite } from './speed-change.ts'
import {
  area,
  areaBody,
  changeId,
  edit,
  machine,
  machineBody,
  motor,
  motorBody,
  places,
  site,
  siteBody,
  unit,
  unitBody,
} from './register.ts'
import { machineListPage, machineListQuery } from './machine-list.ts'
import { roundEndpoints } from './round-endpoints.ts'
import { policies, policiesEdit, policiesEffect, policiesInForce } from './policies.ts'
import { visit, visitBody, work, workBody } from './visit.ts'

const slotLives = z.object({
  slot: z.string(),
  n: z.int(),
  ended: z.int(),
  median: z.number().nullable(),
  early: z.number().nullable(),
  late: z.number().nullable(),
})
const why = z.string().trim().min(1, 'enter the reason').max(400)
const calcDescription = z.object({
  group: z.string(),
  formula: z.string(),
  id: z.string(),
  title: z.string(),
  basis: z.array(z.unknown()),
  input: z.record(z.string(), z.unknown()),
  output: z.record(z.string(), z.unknown()),
  example: z.record(z.string(), z.unknown()),
})
const calcId = z.strictObject({ id: z.string().max(60) })
const saved = z.object({ visit, judgement: judgement.nullable(), already: z.boolean() })

export const endpoints = {
  session: at('session', 'get', '/session', {
    role: 'anyone',
    summary: 'Who is signed in, and the token for changes',
    response: session,
  }),
  signIn: at('signIn', 'post', '/session', { role: 'anyone', summary: 'Sign in', body: signIn, response: session }),
  signOut: at('signOut', 'delete', '/session', { role: 'anyone', summary: 'Sign out', response: session }),
  invitation: at('invitation', 'get', '/invitations/{token}', {
    role: 'anyone',
    summary: 'What a one-time link is for',
    params: token,
    response: invitation,
  }),
  acceptInvitation: at('acceptInvitation', 'post', '/invitations/{token}', {
    role: 'anyone',
    summary: 'Set the password by a one-time link',
    params: token,
    body: acceptInvitation,
    response: session,
  }),

  people: at('people', 'get', '/people', {
    role: 'lead',
    summary: 'Everyone with an account',
    response: z.array(person),
  }),
  addPerson: at('addPerson', 'post', '/people', {
    role: 'lead',
    summary: 'Add a user; the answer holds a one-time link',
    body: newPerson,
    response: invitationLink,
  }),
  editPerson: at('editPerson', 'put', '/people/{id}', {
    role: 'lead',
    summary: 'Change role, or deactivate a user',
    params: byId,
    body: personEdit,
    response: person,
  }),
  newLink: at('newLink', 'post', '/people/{id}/link', {
    role: 'lead',
    summary: 'A new one-time link for a person',
    params: byId,
    response: invitationLink,
  }),

  places: at('places', 'get', '/places', {
    role: 'viewer',
    summary: 'Sites, areas and units',
    response: places,
  }),
  addSite: at('addSite', 'post', '/sites', { role: 'lead', summary: 'Add a site', body: siteBody, response: site }),
  editSite: at('editSite', 'put', '/sites/{id}', {
    role: 'lead',
    summary: 'Change a site',
    params: byId,
    body: edit(siteBody),
    response: site,
  }),
  addArea: at('addArea', 'post', '/areas', {
    role: 'lead',
    summary: 'Add a roof or room',
    body: areaBody,
    response: area,
  }),
  editArea: at('editArea', 'put', '/areas/{id}', {
    role: 'lead',
    summary: 'Change a roof or room',
    params: byId,
    body: edit(areaBody),
    response: area,
  }),
  ...roundEndpoints,
  loadDemo: at('loadDemo', 'post', '/demo', {
    role: 'lead',
    summary: 'Load the demo into a database without machines',
    response: z.object({ machines: z.int(), sites: z.int() }),
  }),
  areaAir: at('areaAir', 'get', '/areas/{id}/air', {
    role: 'viewer',
    summary: 'Every fan of an area with the air it moves, for the air balance of the building',
    params: byId,
    response: areaAir,
  }),
  addUnit: at('addUnit', 'post', '/units', { role: 'mechanic', summary: 'Add a unit', body: unitBody, response: unit }),
  editUnit: at('editUnit', 'put', '/units/{id}', {
    role: 'mechanic',
    summary: 'Change a unit',
    params: byId,
    body: edit(unitBody),
    response: unit,
  }),
  addMachine: at('addMachine', 'post', '/machines', {
    role: 'mechanic',
    summary: 'Add a fan assembly',
    body: machineBody,
    response: machine,
  }),
  editMachine: at('editMachine', 'put', '/machines/{id}', {
    role: 'mechanic',
    summary: 'Change a fan assembly',
    params: byId,
    body: edit(machineBody),
    response: machine,
  }),
  retireMachine: at('retireMachine', 'post', '/machines/{id}/retire', {
    role: 'lead',
    summary: 'Retire a machine; its history stays',
    params: byId,
    body: z.strictObject({
      version: z.int().positive(),
      why: z.string().trim().min(1, 'enter the reason').max(400),
      retired: z.boolean(),
    }),
    response: machine,
  }),
  findMachines: at('findMachines', 'get', '/find', {
    role: 'viewer',
    summary: 'Find machines by tag or name',
    query: z.strictObject({ q: z.string().trim().max(60) }),
    response: z.array(foundMachine),
  }),
  machinePage: at('machinePage', 'get', '/machines/{id}', {
    role: 'viewer',
    summary: 'A machine with its nameplate, visits, work and results',
    params: byId,
    response: machinePage,
  }),
  installMotor: at('installMotor', 'post', '/machines/{id}/motors', {
    role: 'mechanic',
    summary: 'Install a motor; the present one moves to the history',
    params: byId,
    body: motorBody.extend({
      ...cameOut,
      /** The motor that was seen in place, null for none; where another is there by now, it is refused. Left out: not asked. */
      replaces: id.nullable().optional(),
    }),
    response: motor,
  }),
  editMotor: at('editMotor', 'put', '/motors/{id}', {
    role: 'mechanic',
    summary: 'Correct the nameplate of an installed motor',
    params: byId,
    body: edit(motorBody).extend({ changeId }),
    response: motor,
  }),
  installPart: at('installPart', 'post', '/machines/{id}/parts', {
    role: 'mechanic',
    summary: 'Install a part; the present one moves to the history',
    params: byId,
    body: partBody.extend(cameOut),
    response: installedPart,
  }),
  editPart: at('editPart', 'put', '/parts/{id}', {
    role: 'mechanic',
    summary: 'Correct the record of an installed part',
    params: byId,
    body: edit(partBody),
    response: installedPart,
  }),
  removePart: at('removePart', 'post', '/parts/{id}/remove', {
    role: 'mechanic',
    summary: 'Remove a part and leave its slot empty',
    params: byId,
    body: z.strictObject({
      version: z.int().positive(),
      removedAt: instant,
      removedFor: removedFor.default(null),
      removedWhy: why,
    }),
    response: installedPart,
  }),
  partLives: at('partLives', 'get', '/part-lives', {
    role: 'viewer',
    summary: 'Life of each kind of part, days',
    response: z.array(slotLives),
  }),

  addSpeedChange: at('addSpeedChange', 'post', '/speed-changes', {
    role: 'mechanic',
    summary: 'Plan a speed change',
    body: speedChangeBody,
    response: speedChange,
  }),
  finishSpeedChange: at('finishSpeedChange', 'post', '/speed-changes/{id}/done', {
    role: 'mechanic',
    summary: 'Mark a planned speed change done: recorded as work or installed parts',
    params: byId,
    body: z.strictObject({ workId: id, doneAt: instant, note: z.string().max(400).default('') }),
    response: speedChange,
  }),
  cancelSpeedChange: at('cancelSpeedChange', 'post', '/speed-changes/{id}/drop', {
    role: 'mechanic',
    summary: 'Cancel a planned speed change; it stays on record with the reason',
    params: byId,
    body: z.strictObject({ why }),
    response: speedChange,
  }),
  speedChanges: at('speedChanges', 'get', '/speed-changes', {
    role: 'viewer',
    summary: 'Completed speed changes, newest first: predicted and measured',
    response: z.array(speedChangeOfSite),
  }),

  saveVisit: at('saveVisit', 'post', '/visits', {
    role: 'mechanic',
    summary: 'Save a visit; the same id twice saves one',
    body: visitBody,
    response: saved,
  }),
  saveWork: at('saveWork', 'post', '/work', {
    role: 'mechanic',
    summary: 'Record work; it may start a new baseline',
    body: workBody,
    response: work,
  }),
  machineList: at('machineList', 'get', '/machines', {
    role: 'viewer',
    summary: 'All machines, most urgent first',
    query: machineListQuery,
    response: machineListPage,
  }),

  policies: at('policies', 'get', '/policies', {
    role: 'viewer',
    summary: 'Limits and policies in force',
    response: policiesInForce,
  }),
  policiesEffect: at('policiesEffect', 'post', '/policies/effect', {
    role: 'lead',
    summary: 'Which machines would change level under other limits; nothing is saved',
    body: z.strictObject({ policies: policies }),
    response: policiesEffect,
  }),
  editPolicies: at('editPolicies', 'put', '/policies', {
    role: 'lead',
    summary: 'Change limits; all results are updated',
    body: policiesEdit,
    response: policiesInForce,
  }),
  audit: at('audit', 'get', '/audit', {
    role: 'viewer',
    summary: 'Who changed what, newest first',
    query: z.strictObject({
      entity: z.string().max(40).optional(),
      id: id.optional(),
      limit: z.coerce.number().int().min(1).max(200).default(50),
    }),
    response: z.array(auditEntry),
  }),

  calculators: at('calculators', 'get', '/calc', {
    role: 'viewer',
    summary: 'The calculators with their schemas',
    response: z.array(calcDescription),
  }),
  calculate: at('calculate', 'post', '/calc/{id}', {
    role: 'viewer',
    summary: 'Run a calculator',
    params: calcId,
    body: z.record(z.string(), z.unknown()),
    response: z.record(z.string(), z.unknown()),
  }),

  startImport: at('startImport', 'post', '/imports', {
    role: 'lead',
    summary: 'Upload a file; every row is checked, nothing is imported yet',
    query: importQuery,
    body: raw,
    bodyType: 'application/octet-stream',
    response: importState,
  }),
  imports: at('imports', 'get', '/imports', {
    role: 'lead',
    summary: 'Latest imports',
    response: z.array(importState),
  }),
  importState: at('importState', 'get', '/imports/{id}', {
    role: 'lead',
    summary: 'Status of an import',
    params: byId,
    response: importState,
  }),
  keepImport: at('keepImport', 'post', '/imports/{id}/keep', {
    role: 'lead',
    summary: 'Import a checked file',
    params: byId,
    response: importState,
  }),
  cancelImport: at('cancelImport', 'delete', '/imports/{id}', {
    role: 'lead',
    summary: 'Cancel an import',
    params: byId,
    response: importState,
  }),
  exportReadings: at('exportReadings', 'get', '/exports/readings.csv', {
    role: 'viewer',
    summary: 'All readings as CSV',
    query: z.strictObject({ site: id.optional(), machine: id.optional() }),
    response: raw,
    responseType: 'text/csv',
  }),
  exportRegister: at('exportRegister', 'get', '/exports/register.csv', {
    role: 'viewer',
    summary: 'Machine list as CSV, one row a machine',
    response: raw,
    responseType: 'text/csv',
  }),
  exportOrganization: at('exportOrganization', 'get', '/exports/organization.json', {
    role: 'lead',
    summary: 'The whole organization as one file',
    response: raw,
    responseType: 'application/json',
  }),
  organizationSchema: at('organizationSchema', 'get', '/exports/organization.schema.json', {
    role: 'anyone',
    summary: 'JSON Schema of that file',
    response: raw,
    responseType: 'application/schema+json',
  }),
}

export type EndpointId = keyof typeof endpoints
