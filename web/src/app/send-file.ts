import type { z } from 'zod'
import { csrfToken } from './api.ts'
import { failureOf, type Failure } from './failure.ts'

/**
 * Send a file as the body of a call. The browser streams it from the disk, so that a gigabyte needs no memory here.
 * @param address below /api/v1
 * @throws SendFailure when the server refuses or does not answer
 */
export async function sendFile<S extends z.ZodType>(
  address: string,
  file: File,
  shape: S,
  signal: AbortSignal,
): Promise<z.output<S>> {
  let response: Response
  try {
    response = await fetch(`/api/v1${address}`, {
      method: 'POST',
      body: file,
      headers: { 'content-type': 'application/octet-stream', 'x-csrf-token': csrfToken() },
      signal,
    })
  } catch {
    throw failed(failureOf('FETCH_ERROR', undefined))
  }
  const data: unknown = await response.json().catch(() => undefined)
  const parsed = shape.safeParse(data)
  if (!response.ok || !parsed.success) throw failed(failureOf(response.status, data))
  return parsed.data
}

/** A failure as an error that can be thrown. */
export class SendFailure extends Error {
  readonly failure: Failure
  constructor(failure: Failure) {
    super(failure.problem.detail ?? failure.problem.title)
    this.failure = failure
  }
}
const failed = (f: Failure) => new SendFailure(f)
