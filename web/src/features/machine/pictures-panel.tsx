import type { ResponseOf, endpoints } from '@motor-round/contract'
import { Button } from 'antd'
import { useState } from 'react'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import { usePhone } from '../../offline/react/use-phone.ts'
import { FindingForm } from '../findings/index.ts'

type Picture = ResponseOf<typeof endpoints.pictures>[number]

/**
 * Pictures of a machine, newest first, those before them that this phone has not synced; what one shows becomes a finding. Nothing
 * where there are none.
 */
export function PicturesPanel({ machineId, now, mayAct }: { machineId: string; now: number; mayAct: boolean }) {
  const list = api.usePicturesQuery({ params: { id: machineId } }).currentData ?? []
  const waiting = usePhone().photos.filter((p) => p.machineId === machineId && !list.some((known) => known.id === p.id))
  const [of, setOf] = useState<Picture | null>(null)
  if (list.length + waiting.length === 0) return null
  return (
    <section className="sheet stack" aria-label="Photos">
      <h2>Photos</h2>
      {of ? (
        <>
          <p>
            Finding from the photo of {shortDay(of.takenAt, now)}
            {of.check === '' ? '' : `, ${of.check}`}
          </p>
          <FindingForm of={{ machineId, visitId: of.visitId }} done={() => setOf(null)} />
        </>
      ) : null}
      <ul className="pictures">
        {waiting.map((p) => (
          <li key={p.id}>
            <img
              src={`data:${p.type};base64,${p.bytes}`}
              alt={`${p.check || 'Photo'}, ${shortDay(p.takenAt, now)}, not synced yet`}
            />
            <span className="quiet">
              {shortDay(p.takenAt, now)} · not synced yet{p.check === '' ? '' : ` · ${p.check}`}
            </span>
          </li>
        ))}
        {list.map((p) => (
          <li key={p.id}>
            <a href={`/api/v1/pictures/${p.id}`}>
              <img
                src={`/api/v1/pictures/${p.id}`}
                alt={`${p.check || 'Photo'}, ${shortDay(p.takenAt, now)}`}
                loading="lazy"
              />
            </a>
            <span className="quiet">
              {shortDay(p.takenAt, now)} · {p.by}
              {p.check === '' ? '' : ` · ${p.check}`}
            </span>
            {mayAct ? (
              <Button
                size="large"
                aria-label={`Add a finding from the photo of ${shortDay(p.takenAt, now)}`}
                onClick={() => setOf(p)}
              >
                Add finding
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  )
}
