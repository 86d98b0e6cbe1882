import type { BodyInputOf, Endpoint, ParamsOf, QueryInputOf } from '@motor-round/contract'

/** What a call of an endpoint needs; parts that the endpoint does not have are left out. */
export interface Args<E extends Endpoint> {
  params?: ParamsOf<E>
  query?: QueryInputOf<E>
  body?: BodyInputOf<E>
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
export const addressOf = (e: Endpoint, params?: object, query?: object): string =>
  `${filled(e.path, params)}${search(query)}`

/** A call of an endpoint as the base query takes it. */
export const requestOf = <E extends Endpoint>(e: E, args: Args<E>) => ({
  url: addressOf(e, args.params as object | undefined, args.query as object | undefined),
  method: e.method.toUpperCase(),
  ...(args.body === undefined ? {} : { body: args.body }),
})

/** A call as it goes through the client: the request, and of which endpoint it is, for what the phone answers offline. */
export const callOf = <E extends Endpoint>(e: E, args: Args<E>) => {
  const request = requestOf(e, args)
  return { ...request, call: { endpoint: e, url: request.url, params: args.params, query: args.query } }
}
