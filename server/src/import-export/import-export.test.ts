import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { checkLock } from './staging.ts'
import { sweepImports } from './sweep.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
})
afterAll(() => world.end())

const header = 'site,unit,machine,taken_at,quantity,position,value,unit_of_measure,by,settled,note'
const row = (over: Partial<Record<string, string>> = {}) => {
  const cells: Record<string, string> = {
    site: 'Slipway Workshop',
    unit: 'AHU-7',
    machine: 'SF',
    taken_at: '2026-11-20T10:00:00Z',
    quantity: 'amps',
    position: 'L1',
    value: '9.1',
    unit_of_measure: 'A',
    by: 'Mosi Okonjo',
    settled: 'yes',
    note: '',
    ...over,
  }
  return header
    .split(',')
    .map((c) => cells[c] ?? '')
    .join(',')
}
const csv = (...rows: string[]) => [header, ...rows].join('\r\n')
const readingCount = async () =>
  Number((await world.deps.pool.query<{ n: string }>('select count(*) as n from readings')).rows[0]?.n)
/** Is the staging table of an import still there? */
const staged = async (id: unknown) => {
  const name = `import_${String(id).replaceAll('-', '')}`
  const found = await world.deps.pool.query<{ there: boolean }>('select to_regclass($1) is not null as there', [name])
  return found.rows[0]?.there
}
const keep = (id: string) => lead.post(`/imports/${id}/keep`)

describe('readings from a file', () => {
  it('are checked, told, kept, judged; the same file twice adds nothing', async () => {
    const file = csv(
      row(),
      row({ position: 'L2', value: '9.2' }),
      row({ position: 'L3', value: '9150', unit_of_measure: 'mA' }),
    )
    const checked = await lead.file('readings', file)
    expect(checked.body).toMatchObject({
      status: 'ready',
      rows: 3,
      added: 3,
      already: 0,
      machines: 1,
      sites: 1,
      from: '2026-11-20T10:00:00.000Z',
    })
    const before = await readingCount()
    const kept = await keep(checked.body.id as string)
    expect(kept.body).toMatchObject({ status: 'done', added: 3 })
    expect(await readingCount()).toBe(before + 3)
    const page = (await lead.get(`/machines/${await lead.machine('AHU-7/SF')}`)).body
    expect(page.visits[0]).toMatchObject({ source: 'import', by: 'Mosi Okonjo', state: { settled: true } })
    expect(page.judgement.rail.legs.map((l: { amps: number }) => l.amps)).toEqual([9.1, 9.2, 9.15])
    const again = await lead.file('readings', file)
    expect(again.body).toMatchObject({ status: 'ready', added: 0, already: 3 })
    expect((await keep(again.body.id as string)).body.added).toBe(0)
    expect((await keep(again.body.id as string)).body.status).toBe('done')
    expect(await readingCount()).toBe(before + 3)
    expect(await staged(checked.body.id)).toBe(false)
  })

  it.each([
    ['an unknown machine', row({ machine: 'XF' }), 'machine', 'no machine AHU-7 / XF at Slipway Workshop'],
    ['no site', row({ site: '' }), 'site', 'is empty'],
    ['no such day', row({ taken_at: '2026-02-30T10:00:00Z' }), 'taken_at', 'there is no such day'],
    ['a date of another style', row({ taken_at: '14/03/2026' }), 'taken_at', 'is not a date'],
    ['an unknown quantity', row({ quantity: 'smell' }), 'quantity', 'unknown quantity "smell"'],
    ['a position of another quantity', row({ position: 'L1-L2' }), 'position', 'amps is read at L1, L2, L3'],
    ['no figure', row({ value: 'high' }), 'value', '"high" is not a number'],
    ['an ambiguous thousand', row({ value: '"1,234"' }), 'value', 'is not a number'],
    ['a figure out of range', row({ value: '99999' }), 'value', 'is outside what amps can be'],
    ['an unknown unit', row({ unit_of_measure: 'furlong' }), 'unit_of_measure', 'unknown unit "furlong"'],
    ['no unit', row({ unit_of_measure: '' }), 'unit_of_measure', 'is empty'],
    ['a unit of another kind', row({ unit_of_measure: 'V' }), 'unit_of_measure', 'V is voltage'],
    ['a doubtful flag', row({ settled: 'perhaps' }), 'settled', 'is not yes or no'],
  ])('with %s: line and column are named, and nothing of the file is kept', async (_name, bad, column, message) => {
    const before = await readingCount()
    const r = await lead.file('readings', csv(row({ taken_at: '2026-11-21T10:00:00Z' }), bad))
    expect(r.body).toMatchObject({ status: 'refused', errorCount: 1, added: 0 })
    expect(r.body.errors[0]).toMatchObject({ line: 3, column })
    expect(r.body.errors[0].message).toContain(message)
    expect((await keep(r.body.id as string)).status).toBe(409)
    expect(await readingCount()).toBe(before)
    expect(await staged(r.body.id)).toBe(false)
  })

  it('with a missing or unknown column are refused at the header', async () => {
    const r = await lead.file('readings', `site,unit,machine,taken_at,quantity,position,value,color\r\na,b,c,d,e,f,g,h`)
    expect(r.body.errors.map((e: { line: number; message: string }) => [e.line, e.message.split(';')[0]])).toEqual([
      [1, 'the column unit_of_measure is missing'],
      [1, 'unknown column "color"'],
    ])
  })

  it('may come with a byte order mark, semicolons, decimal commas, LF and columns in any order', async () => {
    const file = `\uFEFFvalue;unit_of_measure;machine;unit;site;taken_at;quantity;position\n9,3;A;SF;AHU-7;Slipway Workshop;2026-11-19T10:00:00+01:00;amps;L1\n`
    const r = await lead.file('readings', file)
    expect(r.body).toMatchObject({ status: 'ready', added: 1, from: '2026-11-19T09:00:00.000Z' })
    await keep(r.body.id as string)
    const value = await world.deps.pool.query<{ value: number }>(
      "select value from readings where taken_at = '2026-11-19T09:00:00Z'",
    )
    expect(value.rows[0]?.value).toBe(9.3)
  })

  it('of vibration and filters come in in any unit of their kind, and are kept in their own', async () => {
    const at = '2026-11-18T10:00:00Z'
    const file = csv(
      row({ taken_at: at, quantity: 'vibration', position: 'DE-H', value: '5.08', unit_of_measure: 'mm/s' }),
      row({ taken_at: at, quantity: 'vibration', position: 'ODE-A', value: '0.11', unit_of_measure: 'in/s' }),
      row({ taken_at: at, quantity: 'filter_drop', position: 'filter', value: '124.5', unit_of_measure: 'Pa' }),
    )
    const r = await lead.file('readings', file)
    expect(r.body).toMatchObject({ status: 'ready', added: 3 })
    await keep(r.body.id as string)
    const kept = await world.deps.pool.query<{ position: string; value: number }>(
      'select position, value from readings where taken_at = $1 order by position',
      [at],
    )
    expect(kept.rows.map((k) => [k.position, Number(k.value.toPrecision(3))])).toEqual([
      ['DE-H', 0.2],
      ['ODE-A', 0.11],
      ['filter', 0.5],
    ])
    const wrong = await lead.file(
      'readings',
      csv(row({ taken_at: at, quantity: 'filter_drop', position: 'filter', value: '0.5', unit_of_measure: 'in/s' })),
    )
    expect(wrong.body.errors[0]).toMatchObject({ line: 2, column: 'unit_of_measure' })
    expect(wrong.body.errors[0].message).toContain('in/s is velocity')
  })

  it('with dates that carry no zone: asks, and reads them by the answer', async () => {
    const file = csv(row({ taken_at: '2026-07-01 09:00' }))
    const asks = await lead.file('readings', file)
    expect(asks.body.status).toBe('needs zone')
    expect(asks.body.zones).toContain('Europe/Lisbon')
    const told = await lead.file('readings', file, '&zone=Europe/Lisbon')
    expect(told.body).toMatchObject({ status: 'ready', from: '2026-07-01T08:00:00.000Z' })
    expect((await lead.file('readings', file, '&zone=Mars/Olympus')).status).toBe(422)
  })

  it('count lines as an editor does, through quoted line breaks', async () => {
    const r = await lead.file(
      'readings',
      csv(row({ note: '"two\nlines"' }), row({ position: 'L2' }), row({ position: 'L3', value: 'x' })),
    )
    expect(r.body.errors[0]).toMatchObject({ line: 5, column: 'value' })
  })

  it('that contradict each other or the record are refused; given twice alike they count once', async () => {
    const at = '2026-11-18T10:00:00Z'
    const twice = await lead.file('readings', csv(row({ taken_at: at }), row({ taken_at: at })))
    expect(twice.body).toMatchObject({ status: 'ready', added: 1, already: 1 })
    await keep(twice.body.id as string)
    const inside = await lead.file(
      'readings',
      csv(row({ taken_at: '2026-11-17T10:00:00Z' }), row({ taken_at: '2026-11-17T10:00:00Z', value: '9.9' })),
    )
    expect(inside.body).toMatchObject({ status: 'refused', errors: [{ line: 3, column: 'value' }] })
    const book = await lead.file('readings', csv(row({ taken_at: at, value: '9.9' })))
    expect(book.body.errors[0].message).toContain('is on record as 9.1')
  })

  it.each(['0x1F', '0b11', '0o17', '1e1', 'Infinity', 'NaN', '', ' ', '7-1/2', '1/2', '1_000', '9..1', '--9', '٩'])(
    'do not have %j for a figure',
    async (value) => {
      const r = await lead.file('readings', csv(row({ value })))
      expect(r.body).toMatchObject({ status: 'refused', errors: [{ line: 2, column: 'value' }] })
    },
  )
  it('write their decimals with one mark: with both, 1.234 could be either', async () => {
    const lines = (...values: string[]) =>
      [header, ...values.map((value, i) => row({ value, position: `L${i + 1}`, taken_at: '2026-11-16T10:00:00Z' }))]
        .map((l) => l.replaceAll(',', ';'))
        .join('\n')
    const point = await lead.file('readings', lines('9.125', '9.2', '9'))
    expect(point.body).toMatchObject({ status: 'ready', added: 3 })
    const semicolons = [header, row({ value: 'X' }), row({ value: '9.2', position: 'L2' })]
    const mixed = semicolons.map((l) => l.replaceAll(',', ';').replace('X', '9,1')).join('\n')
    expect((await lead.file('readings', mixed)).body).toMatchObject({
      status: 'refused',
      errors: [{ line: 3, column: 'value', message: '"9.2" has a decimal point; lines above have a decimal comma' }],
    })
  })
  it('sent again under the id of a kept import change nothing of it', async () => {
    const file = csv(row({ taken_at: '2026-11-15T10:00:00Z' }))
    const first = await lead.file('readings', file)
    const id = String(first.body.id)
    const kept = await keep(id)
    expect(kept.body).toMatchObject({ status: 'done', added: 1 })
    const again = await lead.file('readings', csv(row({ taken_at: '2026-11-14T10:00:00Z' })), '', id)
    expect(again.body).toEqual(kept.body)
    expect((await lead.get(`/imports/${id}`)).body).toEqual(kept.body)
    expect(await staged(id)).toBe(false)
  })
  it('whose server ended in the middle are told as stopped, and what was staged is gone; one that runs goes on', async () => {
    const { body } = await lead.file('readings', csv(row({ taken_at: '2026-11-13T10:00:00Z' })))
    const id = String(body.id)
    const set = (status: string) =>
      world.deps.pool.query(
        `update imports set state = jsonb_set(state, '{status}', to_jsonb($2::text)) where id = $1`,
        [id, status],
      )
    await set('checking')
    // Another server is at it.
    const other = await world.deps.pool.connect()
    await other.query(`select pg_advisory_lock(${checkLock})`, [id])
    await sweepImports(world.deps)
    expect((await lead.get(`/imports/${id}`)).body.status).toBe('checking')
    expect((await lead.file('readings', csv(row()), '', id)).status).toBe(409)
    other.release(true)
    // Its connection takes a moment to go.
    await vi.waitFor(async () => {
      await sweepImports(world.deps)
      expect((await lead.get(`/imports/${id}`)).body.message).toContain('The server stopped while it checked this file')
    }, 20_000)
    expect((await lead.get(`/imports/${id}`)).body.status).toBe('failed')
    expect(await staged(id)).toBe(false)
  })
  it('at a time that the clock passed twice take the first, and say so', async () => {
    const local = csv(row({ taken_at: '2026-11-01T01:30' }))
    const asked = await lead.file('readings', local)
    expect(asked.body.status).toBe('needs zone')
    const read = await lead.file('readings', local, '&zone=America/Halifax')
    expect(read.body).toMatchObject({ status: 'ready', from: '2026-11-01T04:30:00.000Z' })
    expect(read.body.message).toContain('Line 2 has a time that the clock passed twice')
  })

  it('that are not UTF-8, empty, or never close a quote get a plain word', async () => {
    expect(
      (await lead.file('readings', Buffer.from([0x73, 0x69, 0xff, 0xfe, 0x0a, 0x80]))).body.errors[0].message,
    ).toContain('not UTF-8')
    expect((await lead.file('readings', ' ')).body.errors[0].message).toContain('empty')
    expect((await lead.file('readings', header)).body.errors[0].message).toContain('no rows')
    expect((await lead.file('readings', csv(row({ note: '"open' })))).body.errors[0].message).toContain('quote')
  })

  it('can be called off after the check; then nothing is kept', async () => {
    const before = await readingCount()
    const r = await lead.file('readings', csv(row({ taken_at: '2026-11-16T10:00:00Z' })))
    expect((await lead.delete(`/imports/${String(r.body.id)}`)).body.status).toBe('cancelled')
    expect((await keep(r.body.id as string)).status).toBe(409)
    expect(await readingCount()).toBe(before)
    expect(await staged(r.body.id)).toBe(false)
  })

  it('whose checked rows were lost in a crash are asked for again, not half kept', async () => {
    const r = await lead.file('readings', csv(row({ taken_at: '2026-11-15T10:00:00Z' })))
    await world.deps.pool.query(`truncate import_${String(r.body.id).replaceAll('-', '')}`)
    const before = await readingCount()
    expect((await keep(r.body.id as string)).body.status).toBe('failed')
    expect(await readingCount()).toBe(before)
  })
})

describe('readings to a file', () => {
  it('come back in as nothing new', async () => {
    const out = await lead.get('/exports/readings.csv')
    expect(out.headers['content-type']).toContain('text/csv')
    expect(out.text.split('\r\n')[0]).toBe(header)
    const back = await lead.file('readings', out.text)
    expect(back.body.errors).toEqual([])
    expect(back.body).toMatchObject({ status: 'ready', added: 0 })
    expect(back.body.already).toBe(back.body.rows)
  })
  it('never take a cell of spaces for a zero', async () => {
    const r = await lead.file('readings', csv(row({ taken_at: '2026-11-12T10:00:00Z', value: '  ' })))
    expect(r.body.errors).toMatchObject([{ column: 'value', message: 'is empty' }])
  })
  it('carry what was over range as a lower bound, both ways', async () => {
    const at = '2026-11-13T10:00:00Z'
    const r = await lead.file(
      'readings',
      csv(row({ taken_at: at, quantity: 'megohms', position: 'all', value: '>2000', unit_of_measure: 'MΩ' })),
    )
    expect(r.body.errors).toEqual([])
    await keep(r.body.id as string)
    const out = (await lead.get(`/exports/readings.csv?machine=${await lead.machine('AHU-7/SF')}`)).text
    expect(out).toContain('megohms,all,>2000,Mohm')
    const kept = await world.deps.pool.query('select value, how from readings where taken_at = $1', [at])
    expect(kept.rows).toEqual([{ value: 2000, how: 'over-range' }])
  })
  it('neutralise what a spreadsheet would run, and take it back on the way in', async () => {
    const at = '2026-11-14T10:00:00Z'
    const r = await lead.file('readings', csv(row({ taken_at: at, note: '"=HYPERLINK(""x"")"', by: '@someone' })))
    await keep(r.body.id as string)
    const out = (await lead.get(`/exports/readings.csv?machine=${await lead.machine('AHU-7/SF')}`)).text
    const line = out.split('\r\n').find((l) => l.includes('2026-11-14')) ?? ''
    expect(line).toContain(`'=HYPERLINK`)
    expect(line).toContain(`'@someone`)
    expect((await lead.file('readings', out)).body).toMatchObject({ status: 'ready', added: 0 })
    const note = await world.deps.pool.query<{ note: string }>('select note from visits where taken_at = $1', [at])
    expect(note.rows[0]?.note).toBe('=HYPERLINK("x")')
  })
})
