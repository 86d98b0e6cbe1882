import { jobEndpoints } from '@motor-round/contract'
import { api, callsOf } from './api.ts'

/** Calls about jobs and their quotes: loaded with what asks for them. */
export const jobsApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      jobs: get(jobEndpoints.jobs, 'machine'),
      jobPace: get(jobEndpoints.jobPace, 'machine'),
      linkQuote: change(jobEndpoints.linkQuote, 'audit', 'mails'),
      linkedQuote: get(jobEndpoints.linkedQuote),
      answerQuote: change(jobEndpoints.answerQuote),
    }
  },
})
