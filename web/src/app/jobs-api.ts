import { api, callsOf } from './api.ts'

/** Calls about jobs and their quotes: loaded with what asks for them. */
export const jobsApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      jobs: get('jobs', 'machine'),
      jobPace: get('jobPace', 'machine'),
      linkQuote: change('linkQuote', 'audit', 'mails'),
      linkedQuote: get('linkedQuote'),
      answerQuote: change('answerQuote'),
    }
  },
})
