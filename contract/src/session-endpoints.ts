import { z } from './z.ts'
import { at, token } from './define-endpoint.ts'
import { acceptInvitation, invitation, passwordAgain, session, signIn } from './people.ts'

/** Sessions and one-time links. */
export const sessionEndpoints = {
  session: at('session', {
    role: 'anyone',
    summary: 'Who is signed in, and the token for changes',
    response: session,
  }),
  signIn: at('signIn', { role: 'anyone', summary: 'Sign in', body: signIn, response: session }),
  signOut: at('signOut', { role: 'anyone', summary: 'Sign out', response: session }),
  invitation: at('invitation', {
    role: 'anyone',
    summary: 'What a one-time link is for',
    params: token,
    response: invitation,
  }),
  acceptInvitation: at('acceptInvitation', {
    role: 'anyone',
    summary: 'Set the password by a one-time link',
    params: token,
    body: acceptInvitation,
    response: session,
  }),
  confirmPassword: at('confirmPassword', {
    role: 'viewer',
    summary: 'Enter the password once more, before what takes it',
    body: passwordAgain,
    response: z.object({ confirmed: z.literal(true) }),
  }),
}
