import { Button } from 'antd'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import { distanceFigure, distanceUnitOf, showDistance, useSiteUnits } from '../../app/distances.ts'
import type { Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { firstFan, mapUnits, RoofMapView } from '../../parts/roof-map/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { Editor } from './editor.tsx'
import './roof-map-screen.css'

/** The plan of a roof or room: looked at, and drawn. */
export function RoofMapScreen() {
  const id = useParams()['id'] ?? ''
  const query = api.useRoofMapQuery({ params: { id } })
  const [editing, setEditing] = useState(false)
  const mayAct = useMay('mechanic')
  const navigate = useNavigate()
  const page = query.currentData
  const unit = distanceUnitOf(useSiteUnits(page?.area.siteId))
  if (query.error && !page)
    return <PageFailure failure={query.error as Failure} kept="This roof map cannot be loaded." />
  if (!page) return <Loading page />
  return (
    <div className="page stack">
      <p className="quiet">
        <Link to={`/machines?area=${id}`}>{page.area.name}</Link> · {page.area.siteName}
      </p>
      <div className="row">
        <h1>Roof map of {page.area.name}</h1>
        {editing || !mayAct ? null : <Button onClick={() => setEditing(true)}>Edit map</Button>}
        <Link to={`/tags?area=${id}`}>Tag sheet</Link>
        <Link to={`/areas/${id}/air`}>Air balance</Link>
      </div>
      {page.version === 0 && !editing ? (
        <p className="note tone-fix problem">
          No map of this {page.area.kind} yet: units are shown in rows. Draw the map to plan walking distances.
        </p>
      ) : null}
      {editing ? (
        <Editor page={page} unit={unit} onDone={() => setEditing(false)} />
      ) : (
        <div className="sheet">
          <RoofMapView
            map={page.map}
            units={mapUnits(page)}
            unit={unit}
            label={`Roof map of ${page.area.name}, ${distanceFigure(page.map.width, unit)} by ${showDistance(page.map.depth, unit)}`}
            onPick={(unit) => {
              const fan = firstFan(page, unit)
              if (fan !== null) void navigate(`/machines/${fan}`)
            }}
          />
        </div>
      )}
    </div>
  )
}
