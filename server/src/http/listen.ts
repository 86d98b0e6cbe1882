import { readFileSync } from 'node:fs'
import { createServer as plainServer, type Server } from 'node:http'
import { createServer as tlsServer } from 'node:https'
import type { Express } from 'express'
import type { Config } from '../config.ts'

function read(name: 'TLS_CERT' | 'TLS_KEY', path: string): Buffer {
  try {
    return readFileSync(path)
  } catch {
    throw new Error(`setting ${name}: ${path} cannot be read`)
  }
}

/**
 * The server the application runs on: with a certificate it speaks https itself, else plain http for this machine or for a
 * proxy that speaks https.
 * @throws Error in one line naming the setting that is wrong
 */
export function serverFor(config: Pick<Config, 'TLS_CERT' | 'TLS_KEY'>, app: Express): Server {
  const { TLS_CERT, TLS_KEY } = config
  if (TLS_CERT === undefined || TLS_KEY === undefined) return plainServer(app)
  const cert = read('TLS_CERT', TLS_CERT)
  const key = read('TLS_KEY', TLS_KEY)
  try {
    return tlsServer({ cert, key }, app)
  } catch {
    throw new Error('setting TLS_CERT: certificate and key do not belong together')
  }
}
