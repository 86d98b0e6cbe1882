import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import { get } from 'node:https'
import { fileURLToPath } from 'node:url'
import express from 'express'
import { describe, expect, it } from 'vitest'
import { serverFor } from './listen.ts'

const at = (name: string) => fileURLToPath(new URL(`../test/tls/only-for-tests.${name}.pem`, import.meta.url))
const app = express().get('/', (req, res) => {
  res.send(req.protocol)
})

describe('the server', () => {
  it('speaks https with a certificate of its own', async () => {
    const server = serverFor({ TLS_CERT: at('cert'), TLS_KEY: at('key') }, app).listen(0, '127.0.0.1')
    await once(server, 'listening')
    try {
      const address = server.address()
      const port = typeof address === 'object' && address ? address.port : 0
      const text = await new Promise<string>((done, fail) =>
        get({ port, host: '127.0.0.1', ca: readFileSync(at('cert')) }, (res) => {
          let all = ''
          res.on('data', (part: Buffer) => (all += part.toString()))
          res.on('end', () => done(all))
        }).on('error', fail),
      )
      expect(text).toBe('https')
    } finally {
      server.close()
    }
  })
  it('says in one line what is wrong with a certificate', () => {
    expect(() => serverFor({ TLS_CERT: '/none', TLS_KEY: at('key') }, app)).toThrow(
      'setting TLS_CERT: /none cannot be read',
    )
    expect(() => serverFor({ TLS_CERT: at('key'), TLS_KEY: at('key') }, app)).toThrow(/^setting TLS_CERT/)
  })
})
