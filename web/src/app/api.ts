import { endpoints, type Endpoint, type QueryInputOf, type ResponseOf, type RoofPage } from '@motor-round/contract'
import { createApi, fetchBaseQuery, type BaseQueryFn, type FetchArgs } from '@reduxjs/toolkit/query/react'
import { failureOf, type Failure } from './failure.ts'
import { requestOf, type Args } from './request.ts'

/** The token of this session for changes; it comes with every answer about the session. */
let csrf = ''
export const csrfToken = (): string => csrf

const plain = fetchBaseQuery({
  baseUrl: '/api/v1',
  prepareHeaders: (headers) => {
    headers.set('x-csrf-token', csrf)
    return headers
  },
})

const base: BaseQueryFn<FetchArgs, unknown, Failure> = async (args, api, extra) => {
  const result = await plain(args, api, extra)
  if (result.error) return { error: failureOf(result.error.status, result.error.data) }
  const { data } = result
  if (typeof data === 'object' && data !== null && 'csrf' in data && typeof data.csrf === 'string') csrf = data.csrf
  return { data }
}

const roofSize = 200
export type RoofFilter = Omit<QueryInputOf<typeof endpoints.roof>, 'offset' | 'limit'>

/** The client of the API. Types of arguments and answers come from the contract's endpoints. */
export const api = createApi({
  baseQuery: base,
  tagTypes: ['session', 'places', 'machine', 'roof', 'rules', 'people', 'audit', 'imports'],
  keepUnusedDataFor: 120,
  endpoints: (b) => {
    const get = <E extends Endpoint>(
      e: E,
      ...tags: ('session' | 'places' | 'machine' | 'roof' | 'rules' | 'people' | 'audit' | 'imports')[]
    ) => b.query<ResponseOf<E>, Args<E>>({ query: (args) => requestOf(e, args), providesTags: tags })
    const change = <E extends Endpoint>(
      e: E,
      ...tags: ('session' | 'places' | 'machine' | 'roof' | 'rules' | 'people' | 'audit' | 'imports')[]
    ) =>
      b.mutation<ResponseOf<E>, Args<E>>({
        query: (args) => requestOf(e, args),
        // A stale edit tells that what is shown is old: it is fetched anew, what was typed stays.
        invalidatesTags: (_result, error) => (error && error.problem.status !== 409 ? [] : tags),
      })
    return {
      session: get(endpoints.session, 'session'),
      signIn: change(endpoints.signIn, 'session', 'places', 'machine', 'roof', 'rules', 'people', 'audit', 'imports'),
      signOut: change(endpoints.signOut, 'session'),
      invitation: get(endpoints.invitation),
      acceptInvitation: change(endpoints.acceptInvitation, 'session'),
      people: get(endpoints.people, 'people'),
      addPerson: change(endpoints.addPerson, 'people', 'audit'),
      editPerson: change(endpoints.editPerson, 'people', 'audit'),
      newLink: change(endpoints.newLink, 'audit'),
      places: get(endpoints.places, 'places'),
      addSite: change(endpoints.addSite, 'places'),
      addArea: change(endpoints.addArea, 'places'),
      editSite: change(endpoints.editSite, 'places', 'machine', 'roof', 'audit'),
      editArea: change(endpoints.editArea, 'places', 'machine', 'roof', 'audit'),
      addUnit: change(endpoints.addUnit, 'places'),
      editUnit: change(endpoints.editUnit, 'places', 'machine', 'roof'),
      addMachine: change(endpoints.addMachine, 'roof'),
      editMachine: change(endpoints.editMachine, 'machine', 'roof', 'audit'),
      retireMachine: change(endpoints.retireMachine, 'machine', 'roof', 'audit'),
      findMachines: get(endpoints.findMachines),
      machinePage: get(endpoints.machinePage, 'machine'),
      fitMotor: change(endpoints.fitMotor, 'machine', 'roof', 'audit'),
      editMotor: change(endpoints.editMotor, 'machine', 'roof', 'audit'),
      saveStop: change(endpoints.saveStop, 'machine', 'roof', 'audit'),
      saveWork: change(endpoints.saveWork, 'machine', 'roof'),
      rules: get(endpoints.rules, 'rules'),
      rulesEffect: change(endpoints.rulesEffect),
      editRules: change(endpoints.editRules, 'rules', 'machine', 'roof', 'audit'),
      audit: get(endpoints.audit, 'audit'),
      imports: get(endpoints.imports, 'imports'),
      importState: get(endpoints.importState),
      keepImport: change(endpoints.keepImport, 'imports', 'roof', 'machine', 'places'),
      cancelImport: change(endpoints.cancelImport, 'imports'),
      roof: b.infiniteQuery<RoofPage, RoofFilter, number>({
        query: ({ queryArg, pageParam }) =>
          requestOf(endpoints.roof, { query: { ...queryArg, offset: pageParam, limit: roofSize } }),
        infiniteQueryOptions: {
          initialPageParam: 0,
          getNextPageParam: (last, _all, offset) => (offset + roofSize < last.total ? offset + roofSize : undefined),
        },
        providesTags: ['roof'],
      }),
    }
  },
})
