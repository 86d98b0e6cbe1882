import { skipToken } from '@reduxjs/toolkit/query/react'
import { Link, Navigate, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { PageFailure } from '../../parts/fields/index.ts'

const folded = (t: string) =>
  t
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()

/** The address of a tag, `/m/AHU-2/SF`: goes straight to a visit when it names one machine. */
export function ScannedTag() {
  const tag = useParams()['*'] ?? ''
  const [unit = '', section = ''] = tag.split('/')
  // As it is written first: of a short tag, a search finds more machines than it tells.
  const exact = api.useFindMachinesQuery(unit === '' ? skipToken : { query: { q: `${unit} / ${section}`.trim() } })
  const loose = api.useFindMachinesQuery(exact.data?.length === 0 ? { query: { q: unit } } : skipToken)
  if (exact.isLoading || loose.isLoading) return <p className="page">Looking for {tag} …</p>
  const failure = exact.error ?? loose.error
  if (failure) return <PageFailure failure={failure as Failure} kept={`${tag} cannot be looked up.`} />
  const wanted = folded(tag)
  const fits = [...(exact.data ?? []), ...(loose.data ?? [])].filter(
    (m) => folded(`${m.unitTag} ${m.tag}`) === wanted || folded(m.unitTag) === wanted,
  )
  const only = fits[0]
  if (only && fits.length === 1) return <Navigate to={`/machines/${only.id}/visit`} replace />
  return (
    <div className="page stack">
      <h1>{fits.length === 0 ? `No machine ${tag}` : `Which ${tag}?`}</h1>
      {fits.length === 0 ? (
        <p>
          No machine has that tag. <Link to="/machines/new">Add the machine</Link> or{' '}
          <Link to="/machines">see all machines</Link>.
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
