import {
  assumptionsOf,
  costWords,
  lastsWords,
  optionCosts,
  optionWords,
  waitingWords,
  type Offer,
  type OptionCost,
} from '@motor-round/core/job'
import { show } from '@motor-round/core/quantity'
import type { ReactNode } from 'react'
import './quote.css'

function Option({ cost, chosen, children }: { cost: OptionCost; chosen: boolean; children: ReactNode }) {
  const { option, best, barred } = cost
  return (
    <li className={`quote-option${chosen ? ' quote-chosen' : ''}`}>
      <div className="quote-head">
        <b>{option.title}</b>
        <b className="quote-price">{show.dollars(cost.total)}</b>
      </div>
      <div className="quote-head">
        <span>
          {optionWords[option.kind]}
          {best ? <span className="quote-best">lowest for each year</span> : null}
        </span>
        <span>
          {show.dollars(cost.perYear)} a year, lasts {lastsWords(option.years)}
        </span>
      </div>
      <span className="quiet">{costWords(cost)}</span>
      {option.risk === '' ? null : <span>Risk: {option.risk}</span>}
      {barred === '' ? null : <span className="note tone-stop">{barred}</span>}
      {children}
    </li>
  )
}

/** What can be done and what each costs, dearest parts told apart; and what waiting costs. */
export function OfferOptions({
  offer,
  stands,
  chosen = null,
  act,
}: {
  offer: Offer
  /** Why it may not be left as it is. */
  stands: readonly string[]
  chosen?: number | null
  act?: (index: number, cost: OptionCost) => ReactNode
}) {
  return (
    <>
      <ul className="quote-options" aria-label="Options">
        {optionCosts(offer, stands).map((cost, i) => (
          <Option key={`${i} ${cost.option.title}`} cost={cost} chosen={chosen === i}>
            {act?.(i, cost) ?? null}
          </Option>
        ))}
      </ul>
      {offer.waiting.length > 0 ? (
        <details className="quote-waiting">
          <summary>
            <span>
              <b>Waiting costs about</b> {waitingWords(offer.waiting)}
            </span>
          </summary>
          <ul>
            {assumptionsOf(offer.waiting).map((a) => (
              <li key={a}>{a}</li>
            ))}
          </ul>
        </details>
      ) : null}
    </>
  )
}
