import { api, callsOf } from './api.ts'

/** Calls about one’s own account and about users: loaded with what asks for them. */
export const accountApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      changePassword: change('changePassword', 'session', 'audit'),
      secondFactor: get('secondFactor', 'factor'),
      beginSecondFactor: change('beginSecondFactor'),
      setSecondFactor: change('setSecondFactor', 'factor', 'audit'),
      dropSecondFactor: change('dropSecondFactor', 'factor', 'audit'),
      ownSessions: get('ownSessions', 'session'),
      endSessions: change('endSessions', 'session'),
      people: get('people', 'people'),
      addPerson: change('addPerson', 'people', 'audit'),
      editPerson: change('editPerson', 'people', 'audit'),
      newLink: change('newLink', 'audit'),
    }
  },
})
