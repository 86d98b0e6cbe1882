import {
  addresses,
  type BodyInputOf,
  type EndpointId,
  type Endpoints,
  type ParamsOf,
  type QueryInputOf,
} from '@motor-round/contract'
import type { Call } from '../offline/core/cache.ts'

/** What a call of an endpoint needs; parts that the endpoint does not have are left out. */
export interface Args<E extends EndpointId> {
  params?: ParamsOf<Endpoints[E]>
  query?: QueryInputOf<Endpoints[E]>
  body?: BodyInputOf<Endpoints[E]>
}

const filled = (path: string, params: object | undefined): string => {
  const values = new Map<string, string>(Object.entries(params ?? {}) as [string, string][])
  return path.replace(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(values.get(name) ?? ''))
}

const search = (query: object | undefined): string => {
  const pairs = Object.entries(query ?? {}).flatMap(([k, v]) =>
    v === undefined || v === '' || (Array.isArray(v) && v.length === 0) ? [] : [[k, String(v)]],
  )
  return pairs.length === 0 ? '' : `?${new URLSearchParams(pairs).toString()}`
}

/** The address of an endpoint below /api/v1. */
export const addressOf = (e: EndpointId, params?: object, query?: object): string =>
  `${filled(addresses[e].path, params)}${search(query)}`

/** A call of an endpoint as the base query takes it. */
export interface Request {
  readonly url: string
  readonly method: string
  readonly body?: unknown
}

export const requestOf = <E extends EndpointId>(e: E, args: Args<E>): Request => ({
  url: addressOf(e, args.params, args.query),
  method: addresses[e].method.toUpperCase(),
  ...(args.body === undefined ? {} : { body: args.body }),
})

/** A call as it goes through the client: the request, and of which endpoint it is, for what the phone answers offline. */
export const callOf = <E extends EndpointId>(e: E, args: Args<E>): Request & { readonly call: Call } => {
  const request = requestOf(e, args)
  return { ...request, call: { endpoint: e, url: request.url, params: args.params, query: args.query } }
}
