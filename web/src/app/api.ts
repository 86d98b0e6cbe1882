import type { EndpointId, Endpoints, MachineListPage, QueryInputOf, ResponseOf } from '@motor-round/contract'
import {
  createApi,
  fetchBaseQuery,
  type BaseQueryApi,
  type BaseQueryFn,
  type EndpointBuilder,
  type FetchArgs,
} from '@reduxjs/toolkit/query/react'
import type { Call } from '../offline/core/cache.ts'
import { noteSignal } from '../offline/core/signal.ts'
import { onThisPhone } from '../offline/core/mark.ts'
import { confirmAgain } from './confirm-again.ts'
import { brokenCall, failureOf, type Failure } from './failure.ts'
import { callOf, type Args } from './request.ts'

/** The token of this session for changes; it comes with every answer about the session. */
let csrf = ''
export const csrfToken = (): string => csrf

/** Whose pages these are by a session that was kept on this phone: it says nothing of the token. */
let keptFor: string | null = null
const personOf = (data: unknown): string | null =>
  (data as Partial<ResponseOf<Endpoints['session']>> | undefined)?.person?.id ?? null

const plain = fetchBaseQuery({
  baseUrl: '/api/v1',
  prepareHeaders: (headers) => {
    headers.set('x-csrf-token', csrf)
    return headers
  },
})

/**
 * What the store of this phone says. One that refuses, or that was not loaded before the signal was lost, keeps nobody from what the
 * server has.
 */
const fromPhone = <T>(ask: (cache: typeof import('../offline/core/cache.ts')) => Promise<T>, without: T): Promise<T> =>
  import('../offline/core/cache.ts').then(ask).catch(() => without)

/**
 * The token of an app that was started without a signal: asked for with the first change. Not taken where somebody else has signed in on
 * this device since: then the page has to be loaded anew.
 */
async function askToken(...how: [BaseQueryApi, object]): Promise<void> {
  const { data } = await plain({ url: '/session' }, ...how)
  if (keptFor === null || personOf(data) === keptFor) noteToken(data)
}
function noteToken(data: unknown): void {
  if (typeof data === 'object' && data !== null && 'csrf' in data && typeof data.csrf === 'string') csrf = data.csrf
}

const asking: BaseQueryFn<FetchArgs & { call: Call }, unknown, Failure> = async ({ call, ...args }, api, extra) => {
  if (args.method !== 'GET' && csrf === '') await askToken(api, extra)
  const asked = args.method === 'GET' && onThisPhone() ? call : null
  const after = asked === null ? 0 : await fromPhone((cache) => cache.lastSynced(), 0)
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
        ? await fromPhone((cache) => cache.cachedAnswer(asked), undefined)
        : undefined
    if (call.endpoint === 'session') keptFor = personOf(kept)
    return kept === undefined ? { error: failure } : { data: kept }
  }
  noteSignal(true)
  let { data } = result
  if (asked !== null) {
    const fresh = data
    data = await fromPhone(async ({ isCached, cacheUnlessOvertaken, withOutbox }) => {
      if (await isCached(asked.url)) await cacheUnlessOvertaken(asked.url, fresh, after)
      return withOutbox(asked, fresh, after)
    }, fresh)
  }
  noteToken(data)
  return { data }
}

/** Every page reads a failure as one of these, also where it is a defect of ours. */
const base: typeof asking = async (...call) => {
  try {
    return await asking(...call)
  } catch (e) {
    console.error(e)
    return { error: brokenCall }
  }
}

/** What answers are of; to invalidate all of them is to ask for everything on the page again. */
export const tags = [
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
export type MachineFilter = Omit<QueryInputOf<Endpoints['machineList']>, 'offset' | 'limit'>

/** Calls of endpoints of the contract: what is asked for, and what changes something. */
export const callsOf = (b: EndpointBuilder<typeof base, Tag, 'api'>) => ({
  get: <E extends EndpointId>(e: E, ...own: Tag[]) =>
    b.query<ResponseOf<Endpoints[E]>, Args<E>>({ query: (args) => callOf(e, args), providesTags: own }),
  change: <E extends EndpointId>(e: E, ...own: Tag[]) =>
    b.mutation<ResponseOf<Endpoints[E]>, Args<E>>({
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
      session: get('session', 'session'),
      signIn: change('signIn', 'session', 'places', 'machine', 'machineList', 'policies', 'people', 'audit', 'imports'),
      signOut: change('signOut', 'session'),
      confirmPassword: change('confirmPassword'),
      invitation: get('invitation'),
      acceptInvitation: change('acceptInvitation', 'session'),
      loadDemo: change(
        'loadDemo',
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
      places: get('places', 'places'),
      addSite: change('addSite', 'places'),
      addArea: change('addArea', 'places'),
      editSite: change('editSite', 'places', 'machine', 'machineList', 'audit'),
      editArea: change('editArea', 'places', 'machine', 'machineList', 'audit'),
      addUnit: change('addUnit', 'places'),
      editUnit: change('editUnit', 'places', 'machine', 'machineList'),
      addMachine: change('addMachine', 'machineList'),
      editMachine: change('editMachine', 'machine', 'machineList', 'audit'),
      retireMachine: change('retireMachine', 'machine', 'machineList', 'audit'),
      areaAir: get('areaAir', 'machine'),
      findMachines: get('findMachines', 'machine'),
      machinePage: get('machinePage', 'machine'),
      installMotor: change('installMotor', 'machine', 'machineList', 'audit'),
      editMotor: change('editMotor', 'machine', 'machineList', 'audit'),
      installPart: change('installPart', 'machine', 'machineList', 'audit', 'parts'),
      editPart: change('editPart', 'machine', 'machineList', 'audit', 'parts'),
      removePart: change('removePart', 'machine', 'machineList', 'audit', 'parts'),
      partLives: get('partLives', 'parts'),
      addSpeedChange: change('addSpeedChange', 'machine', 'speedChanges'),
      finishSpeedChange: change('finishSpeedChange', 'machine', 'machineList', 'audit', 'parts', 'speedChanges'),
      cancelSpeedChange: change('cancelSpeedChange', 'machine', 'speedChanges'),
      speedChanges: get('speedChanges', 'speedChanges'),
      roofMap: get('roofMap', 'places', 'machine'),
      addMapPicture: change('addMapPicture'),
      editRoofMap: change('editRoofMap', 'places', 'round', 'audit'),
      dueMachines: get('dueMachines', 'machine'),
      rounds: get('rounds', 'round'),
      round: get('round', 'round'),
      makeRound: change('makeRound', 'round', 'audit'),
      moveStep: change('moveStep', 'round'),
      replanRound: change('replanRound', 'round', 'audit'),
      closeRound: change('closeRound', 'round', 'audit'),
      pictures: get('pictures', 'machine'),
      calendarLink: change('calendarLink'),
      saveVisit: change('saveVisit', 'machine', 'machineList', 'audit', 'speedChanges'),
      saveWork: change('saveWork', 'machine', 'machineList', 'speedChanges'),
      policies: get('policies', 'policies'),
      policiesEffect: change('policiesEffect'),
      editPolicies: change('editPolicies', 'policies', 'machine', 'machineList', 'audit'),
      audit: get('audit', 'audit'),
      machineList: b.infiniteQuery<MachineListPage, MachineFilter, number>({
        query: ({ queryArg, pageParam }) =>
          callOf('machineList', { query: { ...queryArg, offset: pageParam, limit: roofSize } }),
        infiniteQueryOptions: {
          initialPageParam: 0,
          getNextPageParam: (last, _all, offset) => (offset + roofSize < last.total ? offset + roofSize : undefined),
        },
        providesTags: ['machineList'],
      }),
    }
  },
})
