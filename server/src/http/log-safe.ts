/** One-time links and feeds carry their secret in the address. */
const secretPaths = /\/(invitations|welcome|quote-links|quote|calendar)\/[\w-]{12,}/g

/** An address as it may be written down. */
export const safeUrl = (url: string): string => url.replace(secretPaths, '/$1/…').slice(0, 500)

interface SafeError {
  readonly type: string
  readonly message: string
  readonly stack: string | undefined
  readonly cause: SafeError | undefined
}

/** Parameters of a failed statement are readings, names and hashes: they are not written down. */
const withoutParameters = (text: string): string => {
  const at = text.indexOf('\nparams:')
  return at < 0 ? text : text.slice(0, at)
}

/** An error as it may be written down: what it was and where, without what people entered. */
export function safeError(e: unknown, depth = 0): SafeError {
  if (!(e instanceof Error))
    return { type: typeof e, message: withoutParameters(String(e)).slice(0, 500), stack: undefined, cause: undefined }
  const frames = e.stack?.split('\n').filter((l) => /^\s+at /.test(l)) ?? []
  return {
    type: e.name,
    message: withoutParameters(e.message).slice(0, 2000),
    stack: frames.slice(0, 20).join('\n'),
    cause: e.cause !== undefined && depth < 3 ? safeError(e.cause, depth + 1) : undefined,
  }
}
