import { accountEndpoints } from '@motor-round/contract'
import { api, callsOf } from './api.ts'

/** Calls about one’s own account and about users: loaded with what asks for them. */
export const accountApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      changePassword: change(accountEndpoints.changePassword, 'session', 'audit'),
      secondFactor: get(accountEndpoints.secondFactor, 'factor'),
      beginSecondFactor: change(accountEndpoints.beginSecondFactor),
      setSecondFactor: change(accountEndpoints.setSecondFactor, 'factor', 'audit'),
      dropSecondFactor: change(accountEndpoints.dropSecondFactor, 'factor', 'audit'),
      ownSessions: get(accountEndpoints.ownSessions, 'session'),
      endSessions: change(accountEndpoints.endSessions, 'session'),
      people: get(accountEndpoints.people, 'people'),
      addPerson: change(accountEndpoints.addPerson, 'people', 'audit'),
      editPerson: change(accountEndpoints.editPerson, 'people', 'audit'),
      newLink: change(accountEndpoints.newLink, 'audit'),
    }
  },
})
