import type { Tx } from '../../db/client.ts'
import { liveDays, liveOffHours, livePoints } from '../../db/live-schema.ts'
import { roofMaps } from '../../db/rounds-schema.ts'
import { areas, components, machines, sites, speedChanges, units } from '../../db/schema.ts'
import { vfdLinks, vfdProfiles, vfdSettings } from '../../db/vfd-schema.ts'
import { evidenceOfDays } from '../../live/pass.ts'
import type { ItemOf } from './lists.ts'
import { put, when, type Putter, type SiteOf } from './putter.ts'

/** Sites, areas, units and machines. */
export async function putPlaces(tx: Tx, to: Putter): Promise<{ siteOf: SiteOf; ids: string[] }> {
  const areaSite = new Map<string, string>()
  const unitSite = new Map<string, string>()
  const machineSite = new Map<string, string>()
  await to.each('sites', sites, (s) => s)
  await to.all('areas', async (items) => {
    for (const a of items) areaSite.set(a.id, a.siteId)
    await put(
      tx,
      areas,
      items.map(({ map: _map, mapVersion: _version, ...a }) => a),
    )
  })
  await to.all('units', async (items) => {
    for (const u of items) unitSite.set(u.id, areaSite.get(u.areaId) ?? '')
    await put(
      tx,
      units,
      items.map((u) => ({ ...u, siteId: unitSite.get(u.id) ?? '' })),
    )
  })
  await to.all('areas', (items) =>
    put(
      tx,
      roofMaps,
      items.flatMap((a) => (a.map ? [{ areaId: a.id, map: a.map, version: a.mapVersion ?? 1 }] : [])),
    ),
  )
  await to.all('machines', async (items) => {
    for (const m of items) machineSite.set(m.id, unitSite.get(m.unitId) ?? '')
    await put(
      tx,
      machines,
      items.map((m) => ({ ...m, siteId: machineSite.get(m.id) ?? '', retiredAt: when(m.retiredAt) })),
    )
  })
  return { siteOf: (id) => machineSite.get(id) ?? '', ids: [...machineSite.keys()] }
}

/** What is or was in the machines, and their drives. */
export async function putInstalled(to: Putter, siteOf: SiteOf): Promise<void> {
  await to.each('motors', components, ({ plate, connectionVolts, ...m }) => ({
    ...m,
    siteId: siteOf(m.machineId),
    slot: 'motor' as const,
    spec: { plate, connectionVolts },
    installedAt: new Date(m.installedAt),
    removedAt: when(m.removedAt),
  }))
  await to.each('parts', components, ({ part, ...p }) => ({
    ...p,
    ...part,
    siteId: siteOf(p.machineId),
    installedAt: new Date(p.installedAt),
    removedAt: when(p.removedAt),
  }))
  await to.each('speedChanges', speedChanges, (p) => ({
    ...p,
    siteId: siteOf(p.machineId),
    madeAt: new Date(p.madeAt),
    doneAt: when(p.doneAt),
    droppedAt: when(p.droppedAt),
  }))
  await to.each('vfdProfiles', vfdProfiles, (p) => ({
    id: p.profile.id,
    profile: p.profile,
    by: p.by,
    at: new Date(p.at),
  }))
  await to.each('vfdLinks', vfdLinks, (l) => ({ ...l, at: new Date(l.at) }))
  await to.each('vfdSettings', vfdSettings, (v) => ({
    ...v,
    siteId: siteOf(v.machineId),
    takenAt: new Date(v.takenAt),
  }))
}

/** What the building's own instruments showed, and what judging takes from it. */
export async function putLive(tx: Tx, to: Putter): Promise<void> {
  await to.each('livePoints', livePoints, (l) => ({ ...l, at: new Date(l.at) }))
  await to.each('liveOffHours', liveOffHours, (o) => ({ ...o, at: new Date(o.at) }))
  const days = new Set<string>()
  await to.all('liveDays', (items) => {
    for (const d of items) days.add(d.machineId)
    return put(
      tx,
      liveDays,
      items.map(({ machineId, summary }) => ({ machineId, day: summary.day, summary })),
    )
  })
  const beside = new Map<string, ItemOf<'liveBeside'>['beside']>()
  await to.all('liveBeside', (items) => {
    for (const b of items) beside.set(b.machineId, b.beside)
    return Promise.resolve()
  })
  await evidenceOfDays(tx, [...days], beside)
}
