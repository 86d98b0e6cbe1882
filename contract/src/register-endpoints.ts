import { z } from './z.ts'
import { areaAir } from './area-air.ts'
import { id, instant } from './common.ts'
import { at, byId } from './define-endpoint.ts'
import { cameOut, installedPart, partBody, removedFor } from './installed.ts'
import { findQuery, foundMachine, machinePage } from './machine-page.ts'
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

const slotLives = z.object({
  slot: z.string(),
  n: z.int(),
  ended: z.int(),
  median: z.number().nullable(),
  early: z.number().nullable(),
  late: z.number().nullable(),
})
const why = z.string().trim().min(1, 'enter the reason').max(400)

/** Sites, areas, units, machines, motors and parts. */
export const registerEndpoints = {
  places: at('places', {
    role: 'viewer',
    summary: 'Sites, areas and units',
    response: places,
  }),
  addSite: at('addSite', { role: 'lead', summary: 'Add a site', body: siteBody, response: site }),
  editSite: at('editSite', {
    role: 'lead',
    summary: 'Change a site',
    params: byId,
    body: edit(siteBody),
    response: site,
  }),
  addArea: at('addArea', {
    role: 'lead',
    summary: 'Add a roof or room',
    body: areaBody,
    response: area,
  }),
  editArea: at('editArea', {
    role: 'lead',
    summary: 'Change a roof or room',
    params: byId,
    body: edit(areaBody),
    response: area,
  }),
  loadDemo: at('loadDemo', {
    role: 'lead',
    summary: 'Load the demo into a database without machines',
    response: z.object({ machines: z.int(), sites: z.int() }),
  }),
  areaAir: at('areaAir', {
    role: 'viewer',
    summary: 'Every fan of an area with the air it moves, for the air balance of the building',
    params: byId,
    response: areaAir,
  }),
  addUnit: at('addUnit', { role: 'mechanic', summary: 'Add a unit', body: unitBody, response: unit }),
  editUnit: at('editUnit', {
    role: 'mechanic',
    summary: 'Change a unit',
    params: byId,
    body: edit(unitBody),
    response: unit,
  }),
  addMachine: at('addMachine', {
    role: 'mechanic',
    summary: 'Add a fan assembly',
    body: machineBody,
    response: machine,
  }),
  editMachine: at('editMachine', {
    role: 'mechanic',
    summary: 'Change a fan assembly',
    params: byId,
    body: edit(machineBody),
    response: machine,
  }),
  retireMachine: at('retireMachine', {
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
  findMachines: at('findMachines', {
    role: 'viewer',
    summary: 'Find machines by tag or name',
    query: findQuery,
    response: z.array(foundMachine),
  }),
  machinePage: at('machinePage', {
    role: 'viewer',
    summary: 'A machine with its nameplate, visits, work and results',
    params: byId,
    response: machinePage,
  }),
  installMotor: at('installMotor', {
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
  editMotor: at('editMotor', {
    role: 'mechanic',
    summary: 'Correct the nameplate of an installed motor',
    params: byId,
    body: edit(motorBody).extend({ changeId }),
    response: motor,
  }),
  installPart: at('installPart', {
    role: 'mechanic',
    summary: 'Install a part; the present one moves to the history',
    params: byId,
    body: partBody.extend(cameOut),
    response: installedPart,
  }),
  editPart: at('editPart', {
    role: 'mechanic',
    summary: 'Correct the record of an installed part',
    params: byId,
    body: edit(partBody),
    response: installedPart,
  }),
  removePart: at('removePart', {
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
  partLives: at('partLives', {
    role: 'viewer',
    summary: 'Life of each kind of part, days',
    response: z.array(slotLives),
  }),
}
