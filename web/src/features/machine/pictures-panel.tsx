import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'

/** Pictures of a machine, newest first; nothing where there are none. */
export function PicturesPanel({ machineId, now }: { machineId: string; now: number }) {
  const list = api.usePicturesQuery({ params: { id: machineId } }).currentData ?? []
  if (list.length === 0) return null
  return (
    <section className="sheet">
      <h2>Photos</h2>
      <ul className="pictures">
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
          </li>
        ))}
      </ul>
    </section>
  )
}
