import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { useNavigate } from 'react-router'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { useClock } from '../../app/now.ts'
import { usePreload } from '../../offline/react/use-preload.ts'
import { enqueueVisit, type VisitBody } from '../../offline/core/enqueue.ts'
import { onThisPhone } from '../../offline/core/mark.ts'

/** How a visit is kept: by the server, or on this phone until there is signal. */
export interface SaveVisit {
  /** @param to where one goes when it is kept; left out, back */
  readonly save: (body: VisitBody, level: string | null, to?: string) => void
  readonly saving: boolean
  readonly failure: Failure | undefined
  /** What stands in the way of keeping it on this phone. */
  readonly trouble: string | null
  /** Readings that were kept on this phone without a signal; null: none just now. */
  readonly queuedHere: number | null
}

/**
 * Save a visit. On a round, and where something was ever kept here, it joins the phone's outbox: facts are synced in the order in
 * which they happened. Else the server is asked at once, and the line takes it where nobody answers.
 * @param back where one goes when it is kept @param forget drops the draft
 */
export function useSaveVisit(round: string | null, back: string, forget: () => void): SaveVisit {
  const [send, attempt] = api.useSaveVisitMutation()
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  const dispatch = useDispatch()
  const navigate = useNavigate()
  const [trouble, setTrouble] = useState<string | null>(null)
  const [queuedHere, setKeptHere] = useState<number | null>(null)
  usePreload()
  const keep = async (body: VisitBody, level: string | null): Promise<boolean> => {
    const failed = await enqueueVisit(me, body, { round, level, at: clock() })
    setTrouble(failed)
    if (failed === null) forget()
    return failed === null
  }
  const inOutbox = async (body: VisitBody, level: string | null, to: string) => {
    if (!(await keep(body, level))) return
    dispatch(api.util.invalidateTags(['machine', 'round', 'machineList']))
    await navigate(to)
  }
  const atOnce = async (body: VisitBody, level: string | null, to: string) => {
    const sent = await send({ body })
    if (sent.error === undefined) {
      forget()
      await navigate(to)
    } else if ((sent.error as Failure).noSignal && (await keep(body, level)))
      // Without a signal the next page may not be on this phone: one stays, and is told.
      setKeptHere(body.readings.length)
  }
  return {
    save: (body, level, to = back) =>
      void (round !== null || onThisPhone() ? inOutbox(body, level, to) : atOnce(body, level, to)),
    saving: attempt.isLoading,
    failure: attempt.error as Failure | undefined,
    trouble,
    queuedHere,
  }
}
