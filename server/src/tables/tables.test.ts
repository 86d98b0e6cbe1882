import Papa from 'papaparse'
import readXlsxFile from 'read-excel-file/node'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { binaryOf } from '../test/binary.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let viewer: Caller
beforeAll(async () => {
  world = await openWorld(true)
  viewer = await world.as('arden')
})
afterAll(() => world.end())

const table = {
  name: 'Jobs: all/open',
  columns: ['Job', 'Hours', 'Note'],
  rows: [
    ['Belts “A”', 2.5, null],
    ['=SUM(A1)', 3, 'two\nlines, "quoted"'],
  ],
}
const posted = async (format: string, body: object = table) => {
  const r = await viewer
    .post(`/tables/${format}`, body)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = []
      res.on('data', (b: Buffer) => parts.push(b))
      res.on('end', () => done(null, Buffer.concat(parts)))
    })
  return { status: r.status, name: String(r.headers['content-disposition']), bytes: r.body as Buffer }
}
/** The first sheet, by a reader that has nothing to do with what wrote it. */
const sheetOf = async (bytes: Buffer): Promise<unknown[][]> => {
  const [first] = await readXlsxFile(bytes)
  return first?.data ?? []
}

describe('a table as a file', () => {
  it('is read by another reader of workbooks: figures as figures, what looks like a formula as text', async () => {
    const { name, bytes } = await posted('xlsx')
    expect(name).toBe('attachment; filename="jobs-all-open.xlsx"')
    expect(await sheetOf(bytes)).toEqual([
      ['Job', 'Hours', 'Note'],
      ['Belts “A”', 2.5, null],
      ['=SUM(A1)', 3, 'two\nlines, "quoted"'],
    ])
  })
  it('as CSV a formula is no formula, and quotes and lines come back', async () => {
    const { bytes } = await posted('csv')
    const read = Papa.parse<string[]>(bytes.toString('utf8').replace(/^\uFEFF/, ''), { skipEmptyLines: true })
    expect(read.errors).toEqual([])
    expect(read.data).toEqual([
      ['Job', 'Hours', 'Note'],
      ['Belts “A”', '2.5', ''],
      ["'=SUM(A1)", '3', 'two\nlines, "quoted"'],
    ])
  })
  it('with cells that do not fit its columns is refused at the row, and so is another format', async () => {
    const wrong = await viewer.post('/tables/csv', { ...table, rows: [['one']] })
    expect(wrong.body).toMatchObject({ status: 422, errors: [{ path: 'rows.0' }] })
    expect((await viewer.post('/tables/pdf', table)).status).toBe(404)
    expect((await world.visitor().post('/tables/csv', table)).status).toBe(401)
  })
  it('of all machines has a row each, of a filter those alone', async () => {
    const all = await sheetOf(await binaryOf(viewer, '/machine-table/xlsx'))
    const list = (await viewer.get('/machines?limit=1')).body as { total: number; counts: { stop: number } }
    expect(all).toHaveLength(list.total + 1)
    expect(all[0]).toContain('What stands')
    const stops = await sheetOf(await binaryOf(viewer, '/machine-table/xlsx?level=stop'))
    expect(stops).toHaveLength(list.counts.stop + 1)
    expect(new Set(stops.slice(1).map((r) => r[5]))).toEqual(new Set(['Stop']))
  })
})
