import { Link, Navigate, useParams } from 'react-router'
import { api } from '../../app/api.ts'

const folded = (t: string) =>
  t
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()

/** The address on a tag sheet, `/m/AHU-2/SF`: goes straight to a visit when it names one machine. */
export function ScannedTag() {
  const tag = useParams()['*'] ?? ''
  const unit = tag.split('/')[0] ?? ''
  const found = api.useFindMachinesQuery({ query: { q: unit } })
  if (found.isLoading) return <p className="page">Looking for {tag} …</p>
  const wanted = folded(tag)
  const fits = (found.data ?? []).filter(
    (m) => folded(`${m.unitTag} ${m.tag}`) === wanted || folded(m.unitTag) === wanted,
  )
  const only = fits[0]
  if (only && fits.length === 1) return <Navigate to={`/machines/${only.id}/visit`} replace />
  return (
    <div className="page stack">
      <h1>{fits.length === 0 ? `No machine ${tag}` : `Which ${tag}?`}</h1>
      {fits.length === 0 ? (
        <p>
          No machine has that tag. <Link to="/machines/new">Add the machine</Link> or see all{' '}
          <Link to="/machines">Roof</Link>.
        </p>
      ) : (
        <ul className="stack">
          {fits.map((m) => (
            <li key={m.id}>
              <Link to={`/machines/${m.id}/visit`}>
                {m.unitTag} / {m.tag} · {m.purpose} · {m.siteName}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
