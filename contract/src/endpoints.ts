import { z } from 'zod'
import { areaAir } from './area-air.ts'
import { auditEntry } from './audit.ts'
import { importQuery, importState } from './books.ts'
import { id, instant } from './common.ts'
import { at, byId, raw, token } from './define-endpoint.ts'
import { cameOut, fittedPart, partBody, removedFor } from './fitted.ts'
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
import { plan, planBody, planOfHouse } from './plan.ts'
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
import { roofPage, roofQuery } from './roof.ts'
import { roundEndpoints } from './round-endpoints.ts'
import { houseRules, rulesEdit, rulesEffect, rulesInForce } from './rules.ts'
import { stop, stopBody, work, workBody } from './stop.ts'

const slotLives = z.object({
  slot: z.string(),
  n: z.int(),
  ended: z.int(),
  median: z.number().nullable(),
  early: z.number().nullable(),
  late: z.number().nullable(),
})
const why = z.string().trim().min(1, 'say why').max(400)
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
const saved = z.object({ stop, judgement: judgement.nullable(), already: z.boolean() })

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
    summary: 'Add a person; the answer holds a one-time link',
    body: newPerson,
    response: invitationLink,
  }),
  editPerson: at('editPerson', 'put', '/people/{id}', {
    role: 'lead',
    summary: 'Change role, or close an account',
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
  areaAir: at('areaAir', 'get', '/areas/{id}/air', {
    role: 'viewer',
    summary: 'Every fan of an area with the air it moves, for the ledger of the building',
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
    summary: 'Take a fan assembly out of the rounds; its past stays',
    params: byId,
    body: z.strictObject({
      version: z.int().positive(),
      why: z.string().trim().min(1, 'say why').max(400),
      retired: z.boolean(),
    }),
    response: machine,
  }),
  findMachines: at('findMachines', 'get', '/machines', {
    role: 'viewer',
    summary: 'Find machines by tag or words',
    query: z.strictObject({ q: z.string().trim().max(60) }),
    response: z.array(foundMachine),
  }),
  machinePage: at('machinePage', 'get', '/machines/{id}', {
    role: 'viewer',
    summary: 'A machine with its plate, stops, work and judgement',
    params: byId,
    response: machinePage,
  }),
  fitMotor: at('fitMotor', 'post', '/machines/{id}/motors', {
    role: 'mechanic',
    summary: 'Fit a motor; the one in place is kept in the past',
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
    summary: 'Correct the plate of a fitted motor',
    params: byId,
    body: edit(motorBody).extend({ changeId }),
    response: motor,
  }),
  fitPart: at('fitPart', 'post', '/machines/{id}/parts', {
    role: 'mechanic',
    summary: 'Fit a part; the one in its slot is kept in the past',
    params: byId,
    body: partBody.extend(cameOut),
    response: fittedPart,
  }),
  editPart: at('editPart', 'put', '/parts/{id}', {
    role: 'mechanic',
    summary: 'Correct what is in the book of a fitted part',
    params: byId,
    body: edit(partBody),
    response: fittedPart,
  }),
  removePart: at('removePart', 'post', '/parts/{id}/remove', {
    role: 'mechanic',
    summary: 'Take a part out and leave its slot empty',
    params: byId,
    body: z.strictObject({
      version: z.int().positive(),
      removedAt: instant,
      removedFor: removedFor.default(null),
      removedWhy: why,
    }),
    response: fittedPart,
  }),
  partLives: at('partLives', 'get', '/part-lives', {
    role: 'viewer',
    summary: 'How long each kind of part lives in this house, days',
    response: z.array(slotLives),
  }),

  makePlan: at('makePlan', 'post', '/plans', {
    role: 'mechanic',
    summary: 'Keep a change worked out on the bench, to be done',
    body: planBody,
    response: plan,
  }),
  doPlan: at('doPlan', 'post', '/plans/{id}/done', {
    role: 'mechanic',
    summary: 'It was done: recorded as work or as parts fitted, by what it was',
    params: byId,
    body: z.strictObject({ workId: id, doneAt: instant, note: z.string().max(400).default('') }),
    response: plan,
  }),
  dropPlan: at('dropPlan', 'post', '/plans/{id}/drop', {
    role: 'mechanic',
    summary: 'It will not be done; the plan and why stay',
    params: byId,
    body: z.strictObject({ why }),
    response: plan,
  }),
  plans: at('plans', 'get', '/plans', {
    role: 'viewer',
    summary: 'Plans of the house that were done, newest first: predicted and measured',
    response: z.array(planOfHouse),
  }),

  saveStop: at('saveStop', 'post', '/stops', {
    role: 'mechanic',
    summary: 'Keep a stop; the same id twice keeps one',
    body: stopBody,
    response: saved,
  }),
  saveWork: at('saveWork', 'post', '/work', {
    role: 'mechanic',
    summary: 'Record work; it may start a new epoch',
    body: workBody,
    response: work,
  }),
  roof: at('roof', 'get', '/roof', {
    role: 'viewer',
    summary: 'What needs a person: every machine, worst first',
    query: roofQuery,
    response: roofPage,
  }),

  rules: at('rules', 'get', '/rules', { role: 'viewer', summary: 'House rules in force', response: rulesInForce }),
  rulesEffect: at('rulesEffect', 'post', '/rules/effect', {
    role: 'lead',
    summary: 'Which machines would change level under other rules; nothing is kept',
    body: z.strictObject({ rules: houseRules }),
    response: rulesEffect,
  }),
  editRules: at('editRules', 'put', '/rules', {
    role: 'lead',
    summary: 'Change house rules; every machine is judged again',
    body: rulesEdit,
    response: rulesInForce,
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

  startImport: at('startImport', 'post', '/books/imports', {
    role: 'lead',
    summary: 'Send a file; every row is checked, nothing is kept yet',
    query: importQuery,
    body: raw,
    bodyType: 'application/octet-stream',
    response: importState,
  }),
  imports: at('imports', 'get', '/books/imports', {
    role: 'lead',
    summary: 'Latest imports',
    response: z.array(importState),
  }),
  importState: at('importState', 'get', '/books/imports/{id}', {
    role: 'lead',
    summary: 'How an import stands',
    params: byId,
    response: importState,
  }),
  keepImport: at('keepImport', 'post', '/books/imports/{id}/keep', {
    role: 'lead',
    summary: 'Keep a checked file',
    params: byId,
    response: importState,
  }),
  cancelImport: at('cancelImport', 'delete', '/books/imports/{id}', {
    role: 'lead',
    summary: 'Stop and forget an import that is not kept',
    params: byId,
    response: importState,
  }),
  exportReadings: at('exportReadings', 'get', '/books/readings.csv', {
    role: 'viewer',
    summary: 'All readings as CSV',
    query: z.strictObject({ site: id.optional(), machine: id.optional() }),
    response: raw,
    responseType: 'text/csv',
  }),
  exportRegister: at('exportRegister', 'get', '/books/register.csv', {
    role: 'viewer',
    summary: 'The register as CSV, one row a machine',
    response: raw,
    responseType: 'text/csv',
  }),
  exportOrganisation: at('exportOrganisation', 'get', '/books/organisation.json', {
    role: 'lead',
    summary: 'The whole organisation as one file',
    response: raw,
    responseType: 'application/json',
  }),
  organisationSchema: at('organisationSchema', 'get', '/books/organisation.schema.json', {
    role: 'anyone',
    summary: 'JSON Schema of that file',
    response: raw,
    responseType: 'application/schema+json',
  }),
}

export type EndpointId = keyof typeof endpoints
