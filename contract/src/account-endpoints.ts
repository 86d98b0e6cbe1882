import { z } from './z.ts'
import { at, byId } from './define-endpoint.ts'
import {
  factorEntry,
  factorSecret,
  invitationLink,
  newPerson,
  ownSession,
  passwordChange,
  person,
  personEdit,
  recoveryCodes,
  secondFactor,
} from './people.ts'

const endedSessions = z.object({ ended: z.int() })

/** One’s own account, and users. */
export const accountEndpoints = {
  changePassword: at('changePassword', {
    role: 'viewer',
    summary: 'Change one’s own password; every other session of one’s own ends',
    body: passwordChange,
    response: endedSessions,
  }),
  secondFactor: at('secondFactor', {
    role: 'viewer',
    summary: 'Whether sign-in asks for a code of an app, too',
    response: secondFactor,
  }),
  beginSecondFactor: at('beginSecondFactor', {
    role: 'viewer',
    confirmed: true,
    summary: 'A secret for an authenticator app',
    response: factorSecret,
  }),
  setSecondFactor: at('setSecondFactor', {
    role: 'viewer',
    confirmed: true,
    summary: 'Turn the second factor on with a code of the app; the answer holds the recovery codes',
    body: factorEntry,
    response: recoveryCodes,
  }),
  dropSecondFactor: at('dropSecondFactor', {
    role: 'viewer',
    confirmed: true,
    summary: 'Turn the second factor off',
    body: factorEntry,
    response: secondFactor,
  }),
  ownSessions: at('ownSessions', {
    role: 'viewer',
    summary: 'Where one is signed in',
    response: z.array(ownSession),
  }),
  endSessions: at('endSessions', {
    role: 'viewer',
    summary: 'Sign out everywhere else',
    response: endedSessions,
  }),

  people: at('people', {
    role: 'lead',
    summary: 'Everyone with an account',
    response: z.array(person),
  }),
  addPerson: at('addPerson', {
    role: 'lead',
    confirmed: true,
    summary: 'Add a user; the answer holds a one-time link',
    body: newPerson,
    response: invitationLink,
  }),
  editPerson: at('editPerson', {
    role: 'lead',
    confirmed: true,
    summary: 'Change role, or deactivate a user',
    params: byId,
    body: personEdit,
    response: person,
  }),
  newLink: at('newLink', {
    role: 'lead',
    confirmed: true,
    summary: 'A new one-time link for a person',
    params: byId,
    response: invitationLink,
  }),
}
