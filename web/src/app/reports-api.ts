import { api, callsOf } from './api.ts'

/** Calls about reports and e-mails: loaded with what asks for them. */
export const reportsApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      portfolio: get('portfolio', 'machine'),
      mails: get('mails', 'mails'),
      digestText: get('digestText', 'mails', 'machine'),
      setDigest: change('setDigest', 'mails', 'audit'),
    }
  },
})
