import { endpoints, importState, type ImportState } from '@motor-round/contract'
import { csrfToken } from '../../app/api.ts'
import { failureOf, type Failure } from '../../app/failure.ts'
import { addressOf } from '../../app/request.ts'

interface Sent {
  readonly id: string
  readonly kind: ImportState['kind']
  readonly file: File
  readonly zone: string | undefined
  readonly signal: AbortSignal
}

/**
 * Send a file to be checked. The browser streams it from the disk, so that a gigabyte needs no memory here.
 * @throws Failure as an object when the server refuses or does not answer
 */
export async function sendFile({ id, kind, file, zone, signal }: Sent): Promise<ImportState> {
  const address = addressOf(endpoints.startImport, undefined, { id, kind, zone, name: file.name, size: file.size })
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
  const parsed = importState.safeParse(data)
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
