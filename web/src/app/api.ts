import {
  endpoints,
  type Endpoint,
  type QueryInputOf,
  type ResponseOf,
  type MachineListPage,
} from '@motor-round/contract'
import {
  createApi,
  fetchBaseQuery,
  type BaseQueryFn,
  type EndpointBuilder,
  type FetchArgs,
} from '@reduxjs/toolkit/query/react'
import type { Call } from '../offline/core/cache.ts'
import { noteSignal } from '../offline/core/signal.ts'
import { onThisPhone } from '../offline/core/mark.ts'
import { confirmAgain } from './confirm-again.ts'
import { failureOf, type Failure } from './failure.ts'
import { callOf, type Args } from './request.ts'

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

const base: BaseQueryFn<FetchArgs & { call: Call }, unknown, Failure> = async ({ call, ...args }, api, extra) => {
  const asked = args.method === 'GET' && onThisPhone() ? call : null
  // A store that refuses keeps nobody from reading what the server has.
  const waited = asked === null ? [] : await (await import('../offline/core/cache.ts')).outboxNow().catch(() => [])
  let result = await plain(args, api, extra)
  if (result.error) {
    let failure = failureOf(result.error.status, result.error.data)
    // It is sent again as it was, so that nothing that was typed is lost.
    if (failure.problem.needs === 'password' && (await confirmAgain())) {
      result = await plain(args, api, extra)
      if (!result.error) return { data: result.data }
      failure = failureOf(result.error.status, result.error.data)
    }
    noteSignal(!failure.noSignal)
    const kept =
      asked !== null && (failure.noSignal || failure.problem.status === 404)
        ? await (await import('../offline/core/cache.ts')).cachedAnswer(asked)
        : undefined
    return kept === undefined ? { error: failure } : { data: kept }
  }
  noteSignal(true)
  let { data } = result
  if (asked !== null) {
    const { isCached, cacheAnswer, withOutbox } = await import('../offline/core/cache.ts')
    if (await isCached(asked.url)) await cacheAnswer(asked.url, data)
    data = await withOutbox(asked, data, waited)
  }
  if (typeof data === 'object' && data !== null && 'csrf' in data && typeof data.csrf === 'string') csrf = data.csrf
  return { data }
}

const tags = [
  'session',
  'factor',
  'places',
  'machine',
  'machineList',
  'policies',
  'people',
  'audit',
  'imports',
  'parts',
  'speedChanges',
  'round',
  'mails',
  'stock',
  'vfd',
  'live',
] as const
type Tag = (typeof tags)[number]

const roofSize = 200
export type MachineFilter = Omit<QueryInputOf<typeof endpoints.machineList>, 'offset' | 'limit'>

/** Calls of endpoints of the contract: what is asked for, and what changes something. */
export const callsOf = (b: EndpointBuilder<typeof base, Tag, 'api'>) => ({
  get: <E extends Endpoint>(e: E, ...own: Tag[]) =>
    b.query<ResponseOf<E>, Args<E>>({ query: (args) => callOf(e, args), providesTags: own }),
  change: <E extends Endpoint>(e: E, ...own: Tag[]) =>
    b.mutation<ResponseOf<E>, Args<E>>({
      query: (args) => callOf(e, args),
      // A stale edit tells that what is shown is old: it is fetched anew, what was typed stays.
      invalidatesTags: (_result, error) => (error && error.problem.status !== 409 ? [] : own),
    }),
})

/** The client of the API. Types of arguments and answers come from the contract's endpoints. */
export const api = createApi({
  baseQuery: base,
  tagTypes: tags,
  keepUnusedDataFor: 120,
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      session: get(endpoints.session, 'session'),
      signIn: change(
        endpoints.signIn,
        'session',
        'places',
        'machine',
        'machineList',
        'policies',
        'people',
        'audit',
        'imports',
      ),
      signOut: change(endpoints.signOut, 'session'),
      confirmPassword: change(endpoints.confirmPassword),
      invitation: get(endpoints.invitation),
      acceptInvitation: change(endpoints.acceptInvitation, 'session'),
      loadDemo: change(
        endpoints.loadDemo,
        'places',
        'machine',
        'machineList',
        'people',
        'audit',
        'imports',
        'parts',
        'speedChanges',
        'round',
      ),
      places: get(endpoints.places, 'places'),
      addSite: change(endpoints.addSite, 'places'),
      addArea: change(endpoints.addArea, 'places'),
      editSite: change(endpoints.editSite, 'places', 'machine', 'machineList', 'audit'),
      editArea: change(endpoints.editArea, 'places', 'machine', 'machineList', 'audit'),
      addUnit: change(endpoints.addUnit, 'places'),
      editUnit: change(endpoints.editUnit, 'places', 'machine', 'machineList'),
      addMachine: change(endpoints.addMachine, 'machineList'),
      editMachine: change(endpoints.editMachine, 'machine', 'machineList', 'audit'),
      retireMachine: change(endpoints.retireMachine, 'machine', 'machineList', 'audit'),
      areaAir: get(endpoints.areaAir, 'machine'),
      findMachines: get(endpoints.findMachines),
      machinePage: get(endpoints.machinePage, 'machine'),
      installMotor: change(endpoints.installMotor, 'machine', 'machineList', 'audit'),
      editMotor: change(endpoints.editMotor, 'machine', 'machineList', 'audit'),
      installPart: change(endpoints.installPart, 'machine', 'machineList', 'audit', 'parts'),
      editPart: change(endpoints.editPart, 'machine', 'machineList', 'audit', 'parts'),
      removePart: change(endpoints.removePart, 'machine', 'machineList', 'audit', 'parts'),
      partLives: get(endpoints.partLives, 'parts'),
      addSpeedChange: change(endpoints.addSpeedChange, 'machine', 'speedChanges'),
      finishSpeedChange: change(
        endpoints.finishSpeedChange,
        'machine',
        'machineList',
        'audit',
        'parts',
        'speedChanges',
      ),
      cancelSpeedChange: change(endpoints.cancelSpeedChange, 'machine', 'speedChanges'),
      speedChanges: get(endpoints.speedChanges, 'speedChanges'),
      roofMap: get(endpoints.roofMap, 'places', 'machine'),
      addMapPicture: change(endpoints.addMapPicture),
      editRoofMap: change(endpoints.editRoofMap, 'places', 'round', 'audit'),
      dueMachines: get(endpoints.dueMachines, 'machine'),
      rounds: get(endpoints.rounds, 'round'),
      round: get(endpoints.round, 'round'),
      makeRound: change(endpoints.makeRound, 'round', 'audit'),
      moveStep: change(endpoints.moveStep, 'round'),
      replanRound: change(endpoints.replanRound, 'round', 'audit'),
      closeRound: change(endpoints.closeRound, 'round', 'audit'),
      pictures: get(endpoints.pictures, 'machine'),
      calendarLink: change(endpoints.calendarLink),
      saveVisit: change(endpoints.saveVisit, 'machine', 'machineList', 'audit', 'speedChanges'),
      saveWork: change(endpoints.saveWork, 'machine', 'machineList', 'speedChanges'),
      policies: get(endpoints.policies, 'policies'),
      policiesEffect: change(endpoints.policiesEffect),
      editPolicies: change(endpoints.editPolicies, 'policies', 'machine', 'machineList', 'audit'),
      audit: get(endpoints.audit, 'audit'),
      machineList: b.infiniteQuery<MachineListPage, MachineFilter, number>({
        query: ({ queryArg, pageParam }) =>
          callOf(endpoints.machineList, { query: { ...queryArg, offset: pageParam, limit: roofSize } }),
        infiniteQueryOptions: {
          initialPageParam: 0,
          getNextPageParam: (last, _all, offset) => (offset + roofSize < last.total ? offset + roofSize : undefined),
        },
        providesTags: ['machineList'],
      }),
    }
  },
})
