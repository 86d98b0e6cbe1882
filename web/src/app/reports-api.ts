import { mailEndpoints, portfolioEndpoints } from '@motor-round/contract'
import { api, callsOf } from './api.ts'

/** Calls about reports and e-mails: loaded with what asks for them. */
export const reportsApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      portfolio: get(portfolioEndpoints.portfolio, 'machine'),
      mails: get(mailEndpoints.mails, 'mails'),
      digestText: get(mailEndpoints.digestText, 'mails', 'machine'),
      setDigest: change(mailEndpoints.setDigest, 'mails', 'audit'),
    }
  },
})
