import { z } from 'zod'

const schema = z.object({
  DATABASE_URL: z.string().min(1),
  /**
   * The same database for its owner, who brings the schema up to date and lets the role of DATABASE_URL in; left out: that role does it
   * itself.
   */
  OWNER_DATABASE_URL: z.string().min(1).optional(),
  PORT: z.coerce.number().int().min(1).max(65535).default(4170),
  HOST: z.string().default('127.0.0.1'),
  /** Processes that answer requests: as many as there are processors to spare. */
  WORKERS: z.coerce.number().int().min(1).max(8).default(1),
  WEB_DIR: z.string().optional(),
  SESSION_SECRET: z.string().min(16),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'silent']).default('warn'),
  /** Fixes the clock of the server: for tests and pictures only. */
  FIXED_NOW: z.iso.datetime({ offset: true }).optional(),
  DEMO: z.enum(['yes', 'no']).default('no'),
  /** Checks every answer against the contract before it leaves: for tests. */
  CHECK_ANSWERS: z.enum(['yes', 'no']).default('no'),
  /** How many times faster than life the simulated meters run: for tests and practice. */
  METER_PACE: z.coerce.number().min(1).max(20).default(1),
  /** Files of a certificate and its key: then the server speaks https itself. Phones need https to work without a signal. */
  TLS_CERT: z.string().min(1).optional(),
  TLS_KEY: z.string().min(1).optional(),
  /** The address at which people reach this server, for links in e-mails; left out: its own host and port. */
  PUBLIC_URL: z.url({ protocol: /^https?$/, error: 'not an address like https://rounds.example' }).optional(),
  /** Where e-mails go: to a mail server (smtp://…), or as files into a folder; with neither none is sent. */
  SMTP_URL: z.url({ protocol: /^smtps?$/, error: 'not an address like smtps://mail.example' }).optional(),
  MAIL_DIR: z.string().min(1).optional(),
  /** A folder from which files of live data are taken; left out: none are. */
  LIVE_DIR: z.string().min(1).optional(),
  MAIL_FROM: z.string().min(3).default('Motor Round <motor-round@localhost>'),
  /** A file for sign-ins, refusals, changes of accounts and exports, a line of JSON each; left out: with the other lines. */
  SECURITY_LOG: z.string().min(1).optional(),
  /** Where Prometheus reads figures, on loopback; left out: nowhere. */
  METRICS_PORT: z.coerce.number().int().min(1).max(65535).optional(),
  TRUST_PROXY: z.coerce.number().int().min(0).max(5).default(0),
})

export type Config = z.infer<typeof schema>

/** A setting that is named and left blank, as in the example, is one that is left out. */
const given = (env: Record<string, string | undefined>) =>
  Object.fromEntries(Object.entries(env).filter(([, value]) => value !== undefined && value.trim() !== ''))

/** Read the settings from the environment. @throws Error in one line naming the setting */
export function readConfig(env: Record<string, string | undefined>): Config {
  const parsed = schema.safeParse(given(env))
  if (!parsed.success) {
    const first = parsed.error.issues[0]
    throw new Error(`setting ${first?.path.join('.') ?? ''}: ${first?.message ?? 'not valid'}`)
  }
  const { TLS_CERT, TLS_KEY } = parsed.data
  if ((TLS_CERT === undefined) !== (TLS_KEY === undefined))
    throw new Error(`setting ${TLS_CERT === undefined ? 'TLS_CERT' : 'TLS_KEY'}: certificate and key go together`)
  return parsed.data
}

const withoutSlash = (url: string): string => (url.endsWith('/') ? withoutSlash(url.slice(0, -1)) : url)

/** The address that links in e-mails begin with. */
export const publicUrl = ({ PUBLIC_URL, HOST, PORT, TLS_CERT }: Config): string =>
  withoutSlash(PUBLIC_URL ?? `${TLS_CERT === undefined ? 'http' : 'https'}://${HOST}:${PORT}`)
