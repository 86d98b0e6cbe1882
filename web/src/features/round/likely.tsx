import { corePart, type MachinePage, type RoundVisit } from '@motor-round/contract'
import { likelyParts } from '@motor-round/core/round'
import { api } from '../../app/api.ts'
import { lengthUnitOf } from '../../app/lengths.ts'
import { inPlace, ageWords, partWords, slotWords } from '../drive-train/index.ts'
import { tagOf } from './words.ts'

/** Parts of a round's machines that have outlived the first quarter of their kind: likely to be wanted, asked for or not. */
export function Likely({
  visits,
  pages,
  now,
}: {
  visits: readonly RoundVisit[]
  pages: ReadonlyMap<string, MachinePage>
  now: number
}) {
  const lives = api.usePartLivesQuery({}).data ?? []
  const list = visits.flatMap((visit) => {
    const page = pages.get(visit.machineId)
    return page ? likelyParts(page.parts.map(corePart), lives, now).map((part) => ({ ...part, visit, page })) : []
  })
  if (list.length === 0) return null
  return (
    <section className="sheet">
      <header>
        <h2>Parts likely to be needed</h2>
        <span className="quiet">older than the life of the first quarter of such parts here</span>
      </header>
      <ul className="rows">
        {list.map(({ visit, page, slot, days, early }) => {
          const installed = inPlace(page, slot)
          return (
            <li key={`${visit.machineId} ${slot}`}>
              <b>{tagOf(visit)}</b> {slotWords[slot].toLowerCase()}
              {installed ? `, ${partWords(installed.part, lengthUnitOf(page.site))}` : ''}
              <span className="quiet">
                {' '}
                · {ageWords(days)} in service, a quarter failed by {ageWords(early)}
              </span>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
