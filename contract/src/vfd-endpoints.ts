import { z } from './z.ts'
import { at, byId } from './define-endpoint.ts'
import { vfdLinkBody, vfdPage, vfdProfile, vfdRead, vfdSettingsBody, vfdWriteBody } from './vfd.ts'

/** Variable-frequency drives: what they are, where they answer, what they say, how they are set. */
export const vfdEndpoints = {
  vfdProfiles: at('vfdProfiles', {
    role: 'viewer',
    summary: 'Kinds of drive: where their figures and settings are kept',
    response: z.array(z.object({ profile: vfdProfile, shipped: z.boolean() })),
  }),
  addVfdProfile: at('addVfdProfile', {
    role: 'lead',
    confirmed: true,
    summary: 'Add a kind of drive, or replace one that was added',
    body: vfdProfile,
    response: vfdProfile,
  }),
  vfd: at('vfd', {
    role: 'viewer',
    summary: 'The drive of a machine: where it answers, and its settings as they were kept',
    params: byId,
    response: vfdPage,
  }),
  setVfdLink: at('setVfdLink', {
    role: 'lead',
    confirmed: true,
    summary: 'Enter where the drive of a machine answers',
    params: byId,
    body: vfdLinkBody,
    response: vfdPage,
  }),
  dropVfdLink: at('dropVfdLink', {
    role: 'lead',
    summary: 'The drive of a machine is not read any more',
    params: byId,
    response: vfdPage,
  }),
  readVfd: at('readVfd', {
    role: 'mechanic',
    summary: 'Read the drive of a machine now: figures, faults and, where asked, its settings',
    params: byId,
    body: z.strictObject({ settings: z.boolean().default(false) }),
    response: vfdRead,
  }),
  keepVfdSettings: at('keepVfdSettings', {
    role: 'mechanic',
    summary: 'Keep the settings of a drive, with a visit that says what they came to',
    params: byId,
    body: vfdSettingsBody,
    response: vfdPage,
  }),
  writeVfdSetting: at('writeVfdSetting', {
    role: 'lead',
    confirmed: true,
    summary: 'Write one setting of a stopped drive, read it back, and keep the settings',
    params: byId,
    body: vfdWriteBody,
    response: vfdPage,
  }),
}
