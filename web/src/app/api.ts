import { endpoints, type Endpoint, type QueryInputOf, type ResponseOf, type RoofPage } from '@motor-round/contract'
import { createApi, fetchBaseQuery, type BaseQueryFn, type FetchArgs } from '@reduxjs/toolkit/query/react'
import { noteSignal } from '../offline/signal.ts'
import { onThisPhone } from '../offline/mark.ts'
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
  const asked = args.method === 'GET' && onThisPhone() ? args.url : null
  if (result.error) {
    const failure = failureOf(result.error.status, result.error.data)
    noteSignal(!failure.noSignal)
    const kept =
      asked !== null && (failure.noSignal || failure.problem.status === 404)
        ? await (await import('../offline/kept.ts')).answerFrom(asked)
        : undefined
    return kept === undefined ? { error: failure } : { data: kept }
  }
  noteSignal(true)
  let { data } = result
  if (asked !== null) {
    const { isKept, keepAnswer, withLine } = await import('../offline/kept.ts')
    if (await isKept(asked)) await keepAnswer(asked, data)
    data = await withLine(asked, data)
  }
  if (typeof data === 'object' && data !== null && 'csrf' in data && typeof data.csrf === 'string') csrf = data.csrf
  return { data }
}

const tags = [
  'session',
  'places',
  'machine',
  'roof',
  'rules',
  'people',
  'audit',
  'imports',
  'parts',
  'plans',
  'round',
] as const
type Tag = (typeof tags)[number]

const roofSize = 200
export type RoofFilter = Omit<QueryInputOf<typeof endpoints.roof>, 'offset' | 'limit'>

/** The client of the API. Types of arguments and answers come from the contract's endpoints. */
export const api = createApi({
  baseQuery: base,
  tagTypes: tags,
  keepUnusedDataFor: 120,
  endpoints: (b) => {
    const get = <E extends Endpoint>(e: E, ...own: Tag[]) =>
      b.query<ResponseOf<E>, Args<E>>({ query: (args) => requestOf(e, args), providesTags: own })
    const change = <E extends Endpoint>(e: E, ...own: Tag[]) =>
      b.mutation<ResponseOf<E>, Args<E>>({
        query: (args) => requestOf(e, args),
        // A stale edit tells that what is shown is old: it is fetched anew, what was typed stays.
        invalidatesTags: (_result, error) => (error && error.problem.status !== 409 ? [] : own),
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
      areaAir: get(endpoints.areaAir, 'machine'),
      findMachines: get(endpoints.findMachines),
      machinePage: get(endpoints.machinePage, 'machine'),
      fitMotor: change(endpoints.fitMotor, 'machine', 'roof', 'audit'),
      editMotor: change(endpoints.editMotor, 'machine', 'roof', 'audit'),
      fitPart: change(endpoints.fitPart, 'machine', 'roof', 'audit', 'parts'),
      editPart: change(endpoints.editPart, 'machine', 'roof', 'audit', 'parts'),
      removePart: change(endpoints.removePart, 'machine', 'roof', 'audit', 'parts'),
      partLives: get(endpoints.partLives, 'parts'),
      makePlan: change(endpoints.makePlan, 'machine', 'plans'),
      doPlan: change(endpoints.doPlan, 'machine', 'roof', 'audit', 'parts', 'plans'),
      dropPlan: change(endpoints.dropPlan, 'machine', 'plans'),
      plans: get(endpoints.plans, 'plans'),
      areaPlan: get(endpoints.areaPlan, 'places', 'machine'),
      addPlanPicture: change(endpoints.addPlanPicture),
      editAreaPlan: change(endpoints.editAreaPlan, 'places', 'round', 'audit'),
      dueMachines: get(endpoints.dueMachines, 'machine'),
      rounds: get(endpoints.rounds, 'round'),
      round: get(endpoints.round, 'round'),
      makeRound: change(endpoints.makeRound, 'round', 'audit'),
      moveVisit: change(endpoints.moveVisit, 'round'),
      replanRound: change(endpoints.replanRound, 'round', 'audit'),
      closeRound: change(endpoints.closeRound, 'round', 'audit'),
      pictures: get(endpoints.pictures, 'machine'),
      calendarLink: change(endpoints.calendarLink),
      saveStop: change(endpoints.saveStop, 'machine', 'roof', 'audit', 'plans'),
      saveWork: change(endpoints.saveWork, 'machine', 'roof', 'plans'),
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
