import { endpoints, problem, type Endpoint } from '@motor-round/contract'
import { z } from 'zod'
import { createDocument, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from 'zod-openapi'

function operation(e: Endpoint): ZodOpenApiOperationObject {
  const media = e.responseType ?? 'application/json'
  const raw = e.responseType !== undefined
  const failure = {
    description: 'Problem details (RFC 9457)',
    content: { 'application/problem+json': { schema: problem } },
  }
  return {
    operationId: e.id,
    summary: e.summary,
    description: e.role === 'anyone' ? 'No sign-in needed.' : `For ${e.role} and above.`,
    requestParams: {
      ...(e.params instanceof z.ZodObject && Object.keys(e.params.shape).length > 0 ? { path: e.params } : {}),
      ...(e.query instanceof z.ZodObject && Object.keys(e.query.shape).length > 0 ? { query: e.query } : {}),
    },
    ...(e.bodyType
      ? { requestBody: { content: { [e.bodyType]: { schema: { type: 'string', format: 'binary' } } } } }
      : e.body instanceof z.ZodUndefined
        ? {}
        : { requestBody: { content: { 'application/json': { schema: e.body } } } }),
    responses: {
      200: { description: 'OK', content: { [media]: { schema: raw ? { type: 'string' } : e.response } } },
      '4XX': failure,
      '5XX': failure,
    },
  }
}

/** The OpenAPI document, made from the same entries that the server mounts. */
export function openApiDocument(): object {
  const paths: ZodOpenApiPathsObject = {}
  for (const e of Object.values(endpoints) as Endpoint[]) {
    const path = `/api/v1${e.path}`
    paths[path] = { ...paths[path], [e.method]: operation(e) }
  }
  return createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Motor Round',
      version: '1',
      description: 'Machines, visits, results, rounds and files of Motor Round.',
    },
    paths,
  })
}
