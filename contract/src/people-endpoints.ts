import { z } from 'zod'
import { at, byId, token } from './define-endpoint.ts'
import {
  acceptInvitation,
  invitation,
  invitationLink,
  newPerson,
  ownSession,
  passwordChange,
  person,
  personEdit,
  session,
  signIn,
} from './people.ts'

const endedSessions = z.object({ ended: z.int() })

/** Sessions, one-time links and users. */
export const peopleEndpoints = {
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

  changePassword: at('changePassword', 'put', '/account/password', {
    role: 'viewer',
    summary: 'Change one’s own password; every other session of one’s own ends',
    body: passwordChange,
    response: endedSessions,
  }),
  ownSessions: at('ownSessions', 'get', '/account/sessions', {
    role: 'viewer',
    summary: 'Where one is signed in',
    response: z.array(ownSession),
  }),
  endSessions: at('endSessions', 'delete', '/account/sessions', {
    role: 'viewer',
    summary: 'Sign out everywhere else',
    response: endedSessions,
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
}
