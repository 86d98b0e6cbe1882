import { z } from './z.ts'
import { addresses, type EndpointId } from './addresses.ts'
import { id, type Role } from './common.ts'
import type { Endpoint } from './endpoint.ts'

const none = z.strictObject({})
const noBody = z.undefined()
export const byId = z.strictObject({ id })
export const raw = z.unknown()

type Parts<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType> = {
  role: Role | 'anyone'
  confirmed?: boolean
  summary: string
  params?: P
  query?: Q
  body?: B
  response: R
  bodyType?: string
  responseType?: string
}

/** An endpoint of the contract; parts that are left out take nothing. */
export function at<
  R extends z.ZodType,
  P extends z.ZodType = typeof none,
  Q extends z.ZodType = typeof none,
  B extends z.ZodType = typeof noBody,
>(id: EndpointId, parts: Parts<P, Q, B, R>): Endpoint<P, Q, B, R> {
  const { params, query, body, ...rest } = parts
  // The defaults of the type parameters are exactly these schemas, used when a part is left out.
  return {
    id,
    ...addresses[id],
    ...rest,
    params: params ?? (none as unknown as P),
    query: query ?? (none as unknown as Q),
    body: body ?? (noBody as unknown as B),
  }
}

/** A one-time or lasting secret in an address. */
export const token = z.strictObject({ token: z.string().max(100) })
