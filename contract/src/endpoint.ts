import type { z } from 'zod'
import type { Address, EndpointId } from './addresses.ts'
import type { Role } from './common.ts'

/** One address of the API: what goes in, what comes out and who may. Server, client and OpenAPI read the same entry. */
export interface Endpoint<
  P extends z.ZodType = z.ZodType,
  Q extends z.ZodType = z.ZodType,
  B extends z.ZodType = z.ZodType,
  R extends z.ZodType = z.ZodType,
> extends Address {
  readonly id: EndpointId
  readonly summary: string
  readonly role: Role | 'anyone'
  /** It takes that the password was entered a short while ago: a device that lies about does not change accounts. */
  readonly confirmed?: boolean
  readonly params: P
  readonly query: Q
  readonly body: B
  readonly response: R
  /** When the body or the answer is no JSON: its media type. */
  readonly bodyType?: string
  readonly responseType?: string
}

export type ParamsOf<E extends Endpoint> = z.output<E['params']>
export type QueryOf<E extends Endpoint> = z.output<E['query']>
export type BodyOf<E extends Endpoint> = z.output<E['body']>
export type ResponseOf<E extends Endpoint> = z.output<E['response']>
export type QueryInputOf<E extends Endpoint> = z.input<E['query']>
export type BodyInputOf<E extends Endpoint> = z.input<E['body']>
