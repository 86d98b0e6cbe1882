import { describe, expect, it } from 'vitest'
import { readConfig } from './config.ts'

const env = { DATABASE_URL: 'postgres://x@127.0.0.1/x', SESSION_SECRET: '0123456789abcdef' }

describe('settings', () => {
  it('have defaults that are safe: loopback, no demo, real pace', () =>
    expect(readConfig(env)).toMatchObject({
      HOST: '127.0.0.1',
      PORT: 4170,
      DEMO: 'no',
      METER_PACE: 1,
      CHECK_ANSWERS: 'no',
    }))
  it('left blank are left out, as in the example', () => {
    expect(readConfig({ ...env, SMTP_URL: '', PUBLIC_URL: ' ', PORT: '', TLS_CERT: '', MAIL_DIR: '' })).toEqual(
      readConfig(env),
    )
  })
  it.each([
    [{ SMTP_URL: 'http://mail.example' }, 'SMTP_URL'],
    [{ PUBLIC_URL: 'motor-round.example' }, 'PUBLIC_URL'],
    [{ SESSION_SECRET: '' }, 'SESSION_SECRET'],
    [{ SESSION_SECRET: 'short' }, 'SESSION_SECRET'],
    [{ PORT: '99999' }, 'PORT'],
    [{ PORT: 'http' }, 'PORT'],
    [{ FIXED_NOW: 'noon' }, 'FIXED_NOW'],
    [{ METER_PACE: '0' }, 'METER_PACE'],
    [{ LOG_LEVEL: 'loud' }, 'LOG_LEVEL'],
    [{ DATABASE_URL: '' }, 'DATABASE_URL'],
    [{ TLS_CERT: '/c.pem' }, 'TLS_KEY'],
    [{ TLS_KEY: '/k.pem' }, 'TLS_CERT'],
  ])('%j is refused in one line that names %s', (wrong, name) => {
    expect(() => readConfig({ ...env, ...wrong })).toThrow(new RegExp(`^setting ${name}: `))
  })
})
