import { Button } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { distanceUnitOf, useSiteUnits } from '../../app/distances.ts'
import type { Conflict, Decision } from '../../offline/core/conflicts.ts'
import { syncNow } from '../../offline/react/use-phone.ts'
import { TroubleNote } from '../../parts/fields/index.ts'
import { StaleNote, type Difference } from '../../parts/stale-note/index.ts'
import { motorDifferences } from '../../parts/plate/index.ts'
import { mapDifferences } from '../../parts/roof-map/index.ts'

const motorOf = (m: Extract<Conflict, { about: 'plate' | 'motor' }>['mine']) => ({
  plate: m.plate,
  connectionVolts: m.connectionVolts,
  installedAt: m.installedAt,
  substitute: m.substitute ?? false,
})

/** What was changed, by its tag or name. */
function Subject({ conflict }: { conflict: Conflict }) {
  const machineId = conflict.about === 'roof-map' ? '' : conflict.machineId
  const page = api.useMachinePageQuery({ params: { id: machineId } }, { skip: machineId === '' }).currentData
  const areas = api.usePlacesQuery({}).data?.areas ?? []
  if (conflict.about === 'roof-map') {
    const area = areas.find((a) => a.id === conflict.areaId)
    return <Link to={`/areas/${conflict.areaId}/map`}>The map of {area?.name ?? 'a roof'}</Link>
  }
  return (
    <Link to={`/machines/${machineId}`}>
      {page ? `${page.unit.tag} / ${page.machine.tag}` : 'A machine'},{' '}
      {conflict.about === 'plate' ? 'its nameplate' : 'its motor'}
    </Link>
  )
}

/** One change that somebody else was before with: what was typed here beside what is on record, for a person to decide. */
function One({ conflict, me, tagOf }: { conflict: Conflict; me: string; tagOf: (unitId: string) => string }) {
  const [trouble, setTrouble] = useState<string | null>(null)
  const { data: places } = api.usePlacesQuery({})
  const units = useSiteUnits(
    conflict.about === 'roof-map' ? places?.areas.find((a) => a.id === conflict.areaId)?.siteId : undefined,
  )
  const settle = async (d: Decision) => {
    const [{ decide }, { storeTrouble }] = await Promise.all([
      import('../../offline/core/conflicts.ts'),
      import('../../offline/core/store.ts'),
    ])
    try {
      await decide(me, conflict, d)
      await syncNow()
    } catch (e) {
      setTrouble(storeTrouble(e))
    }
  }
  const differences: Difference[] =
    conflict.about === 'roof-map'
      ? mapDifferences(conflict.mine.map, conflict.server.map, tagOf, distanceUnitOf(units))
      : motorDifferences(motorOf(conflict.mine), conflict.server)
  const comesAfter =
    conflict.about === 'motor' && Date.parse(conflict.mine.installedAt) > Date.parse(conflict.server.installedAt)
  return (
    <li>
      <h3>
        <Subject conflict={conflict} />
      </h3>
      <StaleNote
        told={conflict.why}
        differences={differences}
        mineWords={conflict.about === 'motor' ? 'Same motor: keep my nameplate' : 'Keep mine'}
        keepMine={() => void settle('mine')}
        takeTheirs={() => void settle('theirs')}
      >
        {comesAfter ? <Button onClick={() => void settle('after it')}>My motor was installed later</Button> : null}
      </StaleNote>
      <TroubleNote words={trouble} />
    </li>
  )
}

/** Everything that was changed here and elsewhere, until a person has decided. */
export function TwoVersions({ conflicts, me }: { conflicts: readonly Conflict[]; me: string }) {
  const units = api.usePlacesQuery({}, { skip: conflicts.length === 0 }).data?.units ?? []
  if (conflicts.length === 0) return null
  return (
    <section className="sheet">
      <h2>Conflicts</h2>
      <p className="quiet">Both versions are kept until you choose one. Readings taken in the meantime are synced.</p>
      <ul className="rows two-versions">
        {conflicts.map((c) => (
          <One
            key={c.entries.join()}
            conflict={c}
            me={me}
            tagOf={(id) => units.find((u) => u.id === id)?.tag ?? 'a unit'}
          />
        ))}
      </ul>
    </section>
  )
}
