import type { Quote } from '@motor-round/contract'
import { Button, Input } from 'antd'
import dayjs from 'dayjs'
import { useState } from 'react'
import { useParams } from 'react-router'
import { jobsApi } from '../../app/jobs-api.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import '../../parts/fields/entry.css'
import { OfferOptions } from './offer-options.tsx'

const day = (iso: string) => dayjs(iso).format('MMM D, YYYY')

function Answered({ decision, quote }: { decision: 'approved' | 'declined'; quote: Quote }) {
  return (
    <main className="entry quote">
      <h1>{decision === 'approved' ? 'Approved. Thank you.' : 'Declined. Thank you.'}</h1>
      <p role="status">
        Your answer is recorded with the job: {quote.title}, {quote.unitTag} / {quote.tag}.
      </p>
    </main>
  )
}

/** A quote for who pays: read it, approve one option or decline, once, without an account. */
function Answer({ token, quote, name: asked }: { token: string; quote: Quote; name: string }) {
  const [answer, attempt] = jobsApi.useAnswerQuoteMutation()
  const [name, setName] = useState(asked)
  const [words, setWords] = useState('')
  const [sent, setSent] = useState<number | null | undefined>()
  if (attempt.data) return <Answered decision={attempt.data.decision} quote={quote} />
  const say = (option: number | null) => {
    setSent(option)
    void answer({ params: { token }, body: { name: name.trim(), option, words } })
  }
  const blank = name.trim() === ''
  return (
    <main className="entry quote stack">
      <header>
        <p>{quote.organization}</p>
        <h1>{quote.title}</h1>
        <p className="quiet">
          {quote.siteName} · {quote.unitTag} / {quote.tag} · {day(quote.at)} · {quote.by}
        </p>
      </header>
      <p className="quote-words">{quote.offer.words}</p>
      <div className="quote-no-print stack">
        <FormField label="Your name">
          <Input value={name} maxLength={60} onChange={(e) => setName(e.target.value)} />
        </FormField>
        <FormField label="Note to the technician, if any">
          <Input.TextArea rows={2} value={words} maxLength={400} onChange={(e) => setWords(e.target.value)} />
        </FormField>
      </div>
      <OfferOptions
        offer={quote.offer}
        stands={quote.stands}
        act={(i, cost) => (
          <div className="row quote-no-print">
            <Button
              type={cost.best ? 'primary' : 'default'}
              size="large"
              disabled={blank || cost.barred !== '' || attempt.isLoading}
              loading={attempt.isLoading && sent === i}
              onClick={() => say(i)}
            >
              {blank ? 'Enter your name' : `Approve: ${cost.option.title}`}
            </Button>
          </div>
        )}
      />
      <div className="row quote-no-print">
        <Button
          danger
          size="large"
          disabled={blank || attempt.isLoading}
          loading={attempt.isLoading && sent === null}
          onClick={() => say(null)}
        >
          Decline all of it
        </Button>
        <Button size="large" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <FailureNote failure={attempt.error as Failure | undefined} kept="What you entered is still here." />
      <p className="quiet">This price holds until {day(quote.offer.validUntil)}. The link works once.</p>
    </main>
  )
}

/** The page of a quote's link. */
export function AnswerScreen() {
  const token = useParams()['token'] ?? ''
  const linked = jobsApi.useLinkedQuoteQuery({ params: { token } })
  // What it was stays on the page after it is answered: the link itself answers no more.
  const [first, setFirst] = useState(linked.data)
  if (first === undefined && linked.data) setFirst(linked.data)
  if (first) return <Answer token={token} quote={first.quote} name={first.name} />
  if (linked.error)
    return (
      <main className="entry">
        <h1>This link does not work</h1>
        <p>{messageOf(linked.error as Failure)}</p>
      </main>
    )
  return <Loading page />
}
