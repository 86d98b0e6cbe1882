import { execFileSync } from 'node:child_process'
import { chownSync, mkdtempSync, rmSync, statfsSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { visitOf, openWorld, worldOver, type World } from '../test/world.ts'

const visits = Number(process.env['DRILL_RUNS'] ?? 40)

/** A small disk of its own, where this user may make one. */
function smallDisk(): string | null {
  if (process.getuid?.() !== 0) return null
  const at = mkdtempSync(join(tmpdir(), 'motor-round-disk-'))
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=90m', 'tmpfs', at], { stdio: 'ignore' })
    return at
  } catch {
    rmSync(at, { recursive: true })
    return null
  }
}
const disk = smallDisk()

describe.skipIf(disk === null)('a database whose disk is full', () => {
  let source: World
  let world: World
  const logged: string[] = []
  const at = disk ?? ''
  const filler = join(at, 'filler')
  const database = `full_${process.pid}`
  const admin = new pg.Client(inject('databaseUrl'))
  beforeAll(async () => {
    source = await openWorld(true)
    await admin.connect()
    // The cluster's own user owns it.
    const { rows } = await admin.query<{ dir: string }>("select current_setting('data_directory') as dir")
    const owner = statSync(rows[0]?.dir ?? '')
    chownSync(at, owner.uid, owner.gid)
    await admin.query(`create tablespace small location '${at}'`)
    const template = new URL(source.deps.config.DATABASE_URL).pathname.slice(1)
    const url = Object.assign(new URL(source.deps.config.DATABASE_URL), { pathname: `/${database}` }).href
    await source.end()
    await admin.query(`create database ${database} template ${template} tablespace small strategy file_copy`)
    world = await worldOver(url, pino({ level: 'error' }, { write: (line: string) => void logged.push(line) }))
  }, 120_000)
  afterAll(async () => {
    try {
      await world.end()
      await admin.query(`drop database ${database} with (force)`)
      await admin.query('drop tablespace small')
      await admin.end()
    } finally {
      execFileSync('umount', ['-l', at])
      rmSync(at, { recursive: true })
    }
  }, 60_000)

  it('says so and what to do, loses nothing that it took, and takes all that was refused when there is room', async () => {
    const hand = await world.as('okonjo')
    const machineId = await hand.machine('RTU-12/SF')
    // All that is free but a few pages.
    const { bavail, bsize } = statfsSync(at)
    writeFileSync(filler, Buffer.alloc(Math.max(0, bavail * bsize - 40_000)))
    const sent = Array.from({ length: visits }, () => visitOf(machineId, [5, 5.1, 5.2], { note: 'x'.repeat(900) }))
    const refused: (typeof sent)[number][] = []
    for (const visit of sent) {
      const r = await hand.post('/visits', visit)
      if (r.status === 200) continue
      expect([r.status, r.body.detail]).toEqual([
        503,
        'The disk of the database is full. Nothing was saved. Free some space there, then retry.',
      ])
      refused.push(visit)
    }
    expect(refused.length).toBeGreaterThan(0)
    // A phone keeps them: the batch is refused as a whole, and not one of its entries.
    const synced = await hand.post('/sync', {
      device: 'drill',
      mutations: refused.slice(0, 3).map((body, n) => ({ n, kind: 'visit', body })),
    })
    expect(synced.status).toBe(503)
    const ready = await world.visitor().get('/health')
    expect([ready.status, ready.body.database]).toEqual([503, expect.stringContaining('disk of the database is full')])
    expect(logged.join()).toContain('the database refused')

    rmSync(filler)
    const kept = async () => {
      const { rows } = await world.deps.pool.query<{ id: string; n: number }>(
        'select v.id, count(r)::int as n from visits v left join readings r on r.visit_id = v.id where v.id = any($1) group by v.id',
        [sent.map((v) => v.id)],
      )
      return new Map(rows.map((r) => [r.id, r.n]))
    }
    const before = await kept()
    expect(before.size).toBe(sent.length - refused.length)
    for (const visit of refused) {
      expect(before.has(visit.id)).toBe(false)
      expect((await hand.post('/visits', visit)).status).toBe(200)
    }
    const after = await kept()
    expect(after.size).toBe(sent.length)
    expect(new Set(after.values())).toEqual(new Set([6]))
  }, 120_000)
})
