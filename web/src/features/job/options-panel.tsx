import type { JobRecord, MachinePage } from '@motor-round/contract'
import { schedule, type JobStands } from '@motor-round/core/job'
import { Button } from 'antd'
import dayjs from 'dayjs'
import { useState } from 'react'
import { OfferOptions } from '../quote/index.ts'
import { OfferForm } from './offer-form.tsx'
import { SendQuote } from './send-quote.tsx'
import type { Say } from './use-job.ts'

/** What can be done and what each costs; the quote for the person who pays. */
export function OptionsPanel({
  page,
  job,
  stands,
  stops,
  mayAct,
  say,
}: {
  page: MachinePage
  job: JobRecord
  stands: JobStands
  /** What stands at the machine as to stop. */
  stops: readonly string[]
  mayAct: boolean
  say: Say
}) {
  const [open, setOpen] = useState<'form' | 'send' | null>(null)
  const { offer, decision } = stands
  const minutes = schedule(stands.steps, job.crew).minutes
  const chosen = offer && decision?.chosen?.offerId === offer.id ? decision.chosen.option : null
  return (
    <section className="sheet stack" aria-label="Options and quote">
      <header>
        <h2>Options and quote</h2>
      </header>
      {offer && open !== 'form' ? (
        <>
          <p>{offer.words}</p>
          <OfferOptions offer={offer} stands={stops} chosen={chosen} />
          <p className="quiet">
            {offer.by}, {dayjs(offer.at).format('MMM D, YYYY')}. The price holds until{' '}
            {dayjs(offer.validUntil).format('MMM D, YYYY')}.
          </p>
        </>
      ) : open === 'form' ? null : (
        <p className="quiet">No prices yet: what it costs to repair it, and what waiting costs.</p>
      )}
      {open === 'form' ? (
        <OfferForm page={page} job={job} minutes={minutes} say={say} done={() => setOpen(null)} />
      ) : null}
      {open === 'send' && offer ? <SendQuote job={job} offerId={offer.id} done={() => setOpen(null)} /> : null}
      {open === null ? (
        <div className="row">
          {mayAct ? (
            <Button size="large" onClick={() => setOpen('form')}>
              {offer ? 'Change the options' : 'Enter options and prices'}
            </Button>
          ) : null}
          {mayAct && offer && chosen === null ? (
            <Button size="large" onClick={() => setOpen('send')}>
              Send the quote
            </Button>
          ) : null}
          {offer ? (
            <Button size="large" href={`/api/v1/jobs/${job.id}/quote.pdf`}>
              Quote as PDF
            </Button>
          ) : null}
        </div>
      ) : null}
    </section>
  )
}
