import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
})
afterAll(() => world.end())

const keep = (id: string) => lead.post(`/imports/${id}/keep`)

describe('the register as a file', () => {
  it('goes out and comes back unchanged', async () => {
    const out = await lead.get('/exports/register.csv')
    const back = await lead.file('register', out.text)
    expect(back.body).toMatchObject({ status: 'ready', added: 0, changed: 0, already: 64 })
  })
  it('adds places, machines and plates', async () => {
    const file = [
      'site,site_zone,area,unit,unit_kind,machine,purpose,phases,service_volts,maker,power,power_unit,volts,amps,hz,rpm,efficiency,unreadable,installed_at',
      'Tern Point,America/Halifax,Depot roof,RTU-1,RTU,SF,Depot supply,3,208,Pellicer,7-1/2,hp,208-230/460,21.8-20.6/10.3,60,1755,90.2 %,sf,2024-05-01T00:00:00Z',
      'Tern Point,America/Halifax,Depot roof,RTU-1,RTU,EF,Depot exhaust,1,120,,,,,,,,,,',
    ].join('\n')
    const r = await lead.file('register', file)
    expect(r.body).toMatchObject({ status: 'ready', added: 2, errors: [] })
    expect((await keep(r.body.id as string)).body.status).toBe('done')
    const page = (await lead.get(`/machines/${await lead.machine('RTU-1/SF')}`)).body
    expect(page.motor.plate).toMatchObject({
      maker: 'Pellicer',
      power: 7.5,
      efficiency: 0.902,
      volts: '208-230/460',
      unreadable: ['sf'],
    })
    expect(page.site.zone).toBe('America/Halifax')
    expect((await lead.file('register', file)).body).toMatchObject({ added: 0, already: 2 })
  })
  it('leaves alone what the file has no column for, and takes a unit that moved with all of its machines', async () => {
    const id = await lead.machine('RTU-1/SF')
    const before = (await lead.get(`/machines/${id}`)).body
    const short = [
      'site,site_zone,area,unit,machine,phases,service_volts',
      'Tern Point,America/Halifax,Depot roof,RTU-1,SF,3,208',
    ].join('\n')
    expect((await lead.file('register', short)).body).toMatchObject({ added: 0, changed: 0, already: 1 })
    const amps = short.replace('service_volts', 'service_volts,sf').replace('3,208', '3,208,1.15')
    const r = await lead.file('register', amps)
    expect(r.body).toMatchObject({ added: 0, changed: 1 })
    await keep(r.body.id as string)
    const after = (await lead.get(`/machines/${id}`)).body
    const { unreadable, ...plate } = before.motor.plate
    expect(unreadable).toEqual(['sf'])
    expect(after.motor.plate).toEqual({ ...plate, sf: 1.15 })
    expect(after.machine).toMatchObject({ purpose: before.machine.purpose, drive: before.machine.drive })
    expect(after.unit).toMatchObject({ kind: before.unit.kind, modelLine: before.unit.modelLine })
    const moved = short.replace('Depot roof', 'Depot annex')
    const m = await lead.file('register', moved)
    expect((await keep(m.body.id as string)).body.status).toBe('done')
    for (const tag of ['RTU-1/SF', 'RTU-1/EF']) {
      const other = await lead.machine(tag)
      const rows = (await lead.get('/machines?limit=500')).body.rows as { machineId: string; areaName: string }[]
      expect(rows.find((x) => x.machineId === other)?.areaName).toBe('Depot annex')
    }
  })
  it('brings what stands between supply and motor, and goes out with it', async () => {
    const file = [
      'site,site_zone,area,unit,unit_kind,machine,phases,service_volts,starter,overload,fuse_or_breaker,fuse_amps,gas_section,burner_oxygen_low,burner_oxygen_high,run_capacitor_uf,run_capacitor_tolerance',
      'Tern Point,America/Halifax,Depot annex,MAU-9,MAU,SF,3,208,Contactor,none,breaker,35,yes,4,6.5,,',
      'Tern Point,America/Halifax,Depot annex,MAU-9,MAU,EF,1,120,,,,,no,,,7.5,6%',
    ].join('\n')
    const r = await lead.file('register', file)
    expect(r.body).toMatchObject({ status: 'ready', added: 2, errors: [] })
    await keep(r.body.id as string)
    const controlsOf = async (tag: string) =>
      (await lead.get(`/machines/${await lead.machine(tag)}`)).body.machine.controls as object
    expect(await controlsOf('MAU-9/SF')).toMatchObject({
      starter: 'contactor',
      overload: 'none',
      protection: 'breaker',
      protectionAmps: 35,
      gasSection: true,
      burner: { oxygenLow: 4, oxygenHigh: 6.5 },
      capacitor: null,
    })
    expect(await controlsOf('MAU-9/EF')).toMatchObject({
      gasSection: false,
      capacitor: { run: 7.5, tolerance: 0.06, second: null },
    })
    expect((await lead.file('register', file)).body).toMatchObject({ added: 0, changed: 0, already: 2 })
    const out = (await lead.get('/exports/register.csv')).text
    expect((await lead.file('register', out)).body).toMatchObject({ status: 'ready', added: 0, changed: 0 })
    // A file that says nothing of them leaves them alone; an empty cell empties.
    const short =
      'site,site_zone,area,unit,machine,phases,service_volts\nTern Point,America/Halifax,Depot annex,MAU-9,SF,3,208'
    expect((await lead.file('register', short)).body).toMatchObject({ changed: 0, already: 1 })
    const empty = await lead.file('register', short.replace('volts\n', 'volts,starter\n').replace(/208$/, '208,'))
    await keep(empty.body.id as string)
    expect(await controlsOf('MAU-9/SF')).toMatchObject({ starter: null, overload: 'none', gasSection: true })
  })
  it.each([
    ['transformer_in', '480', 'transformer_out'],
    ['run_capacitor_volts', '440', 'run_capacitor_uf'],
    ['starter', 'magic', 'starter'],
    ['poles', '4', 'poles'],
    ['fuse_amps', 'thirty', 'fuse_amps'],
    ['gas_section', 'maybe', 'gas_section'],
    ['gas_section,burner_oxygen_low,burner_oxygen_high', 'no,4,6', 'gas_section'],
    ['gas_section,burner_oxygen_low', 'yes,4', 'burner_oxygen_high'],
    ['gas_section,burner_stack_low_f,burner_stack_high_f', 'yes,450,325', 'burner_stack_high_f'],
  ])('%s %s is refused at %s', async (columns, cells, place) => {
    const file = `site,site_zone,area,unit,machine,phases,service_volts,${columns}\nX,UTC,Roof,U-1,SF,3,480,${cells}`
    const r = await lead.file('register', file)
    expect(r.body.status).toBe('refused')
    expect(r.body.errors.map((e: { line: number; column: string }) => `${e.line} ${e.column}`)).toEqual([`2 ${place}`])
  })
  it('names line and column of every fault, and of tags given twice', async () => {
    const file = [
      'site,site_zone,area,unit,machine,phases,service_volts,volts,amps,power',
      'X,UTC,Roof,U-1,SF,2,480,460,5,3',
      'X,UTC,Roof,U-2,SF,3,lots,460,5,3',
      'X,UTC,Roof,U-3,SF,3,480,230/460,5/4/3,3',
      'X,UTC,Roof,U-4,SF,3,480,460,5,3',
      'X,UTC,Roof,u-4,sf,3,480,460,5,3',
      'X,Mars,Roof,U-5,SF,3,480,460,5,3',
    ].join('\n')
    const r = await lead.file('register', file)
    expect(r.body.status).toBe('refused')
    const places = r.body.errors.map((e: { line: number; column: string }) => `${e.line} ${e.column}`)
    for (const place of ['2 phases', '3 service_volts', '4 amps', '6 machine', '7 site_zone'])
      expect(places).toContain(place)
    expect((await lead.get('/places')).body.sites.map((s: { name: string }) => s.name)).not.toContain('X')
  })
})
