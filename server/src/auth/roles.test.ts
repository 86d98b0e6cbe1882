import { endpoints, type Endpoint } from '@motor-round/contract'
import { expect, it } from 'vitest'

/** Who may do what, as somebody decided it: an endpoint that is added, or given to another role, is decided here too. */
const matrix = {
  // Without signing in: only what leads there, and what a one-time link holds.
  anyone: [
    'acceptInvitation',
    'answerQuote',
    'calendarFeed',
    'invitation',
    'linkedQuote',
    'organizationSchema',
    'session',
    'signIn',
    'signOut',
  ],
  // Looking, and one’s own account.
  viewer: [
    'areaAir',
    'audit',
    'calculate',
    'calculators',
    'calendarLink',
    'changePassword',
    'dueMachines',
    'endSessions',
    'exportReadings',
    'exportRegister',
    'findMachines',
    'jobPace',
    'jobReport',
    'jobs',
    'machineList',
    'machinePage',
    'machineTable',
    'mapPicture',
    'ownSessions',
    'partLives',
    'pictureBytes',
    'pictures',
    'places',
    'policies',
    'portfolio',
    'portfolioPdf',
    'quote',
    'quotePdf',
    'roofMap',
    'round',
    'roundCalendar',
    'roundEvents',
    'roundRecordCsv',
    'roundRecordJson',
    'roundRecordPdf',
    'roundReport',
    'rounds',
    'speedChanges',
    'stock',
    'stockItem',
    'table',
  ],
  // What is done on the roof.
  mechanic: [
    'addMachine',
    'addMapPicture',
    'addSpeedChange',
    'addStockItem',
    'addStockPlace',
    'addUnit',
    'cancelSpeedChange',
    'device',
    'editMachine',
    'editMotor',
    'editPart',
    'editRoofMap',
    'editStockItem',
    'editUnit',
    'finishSpeedChange',
    'installMotor',
    'installPart',
    'linkQuote',
    'removePart',
    'saveVisit',
    'saveWork',
    'sync',
  ],
  // What is decided for all: people, limits, files, rounds.
  lead: [
    'addArea',
    'addPerson',
    'addSite',
    'cancelImport',
    'closeRound',
    'digestText',
    'editArea',
    'editPerson',
    'editPolicies',
    'editSite',
    'exportOrganization',
    'importState',
    'imports',
    'keepImport',
    'loadDemo',
    'mails',
    'makeRound',
    'moveStep',
    'newLink',
    'people',
    'policiesEffect',
    'replanRound',
    'retireMachine',
    'setDigest',
    'startImport',
  ],
} as const

it('every endpoint has its row in the matrix of roles, and takes that role', () => {
  const all = Object.values(endpoints) as Endpoint[]
  const found = Object.fromEntries(
    (Object.keys(matrix) as (keyof typeof matrix)[]).map((role) => [
      role,
      all
        .filter((e) => e.role === role)
        .map((e) => e.id)
        .sort(),
    ]),
  )
  expect(found).toEqual(matrix)
})
