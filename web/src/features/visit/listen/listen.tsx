import { agreedNote, pluckListener, type Note } from '@motor-round/core/motion'
import { Button } from 'antd'
import { useState } from 'react'
import { TroubleNote } from '../../../parts/fields/index.ts'
import { earTrouble, useEar } from '../../../parts/ear/index.ts'

const asked = 3
const words = (notes: readonly Note[]) => notes.map((n) => `${n.hz.toFixed(0)} Hz`).join(', ')

/**
 * The note of the span by the microphone of this device: plucked three times, taken when they agree. The sound is looked at
 * as it comes and not kept.
 */
export function Listen({ take }: { take: (hz: number) => void }) {
  const [state, setState] = useState<'off' | 'opening' | 'on' | 'taken'>('off')
  const [notes, setNotes] = useState<readonly Note[]>([])
  const [unclear, setUnclear] = useState(false)
  const [trouble, setTrouble] = useState<string | null>(null)
  const ear = useEar()
  const begin = async () => {
    setState('opening')
    setTrouble(null)
    setNotes([])
    setUnclear(false)
    let heard: readonly Note[] = []
    let listener: ReturnType<typeof pluckListener> | null = null
    try {
      const rate = await ear.open((block) => {
        for (const h of listener?.push(block) ?? []) {
          setUnclear(h.kind === 'unclear')
          if (h.kind === 'unclear') continue
          heard = [...heard, h.note].slice(-asked)
          setNotes(heard)
          const agreed = agreedNote(heard)
          if (agreed === null) continue
          ear.close()
          setState('taken')
          take(agreed)
          return
        }
      })
      if (rate === null) return
      listener = pluckListener(rate)
      setState('on')
    } catch (e) {
      setTrouble(earTrouble(e, 'type the frequency'))
      setState('off')
    }
  }
  return (
    <div className="row" role="group" aria-label="Listen to the span">
      {state === 'on' ? (
        <>
          <p role="status">
            {unclear
              ? 'No clear tone. Hold the phone nearer to the middle of the span and let the belt ring.'
              : notes.length === 0
                ? 'Hold the phone near the middle of the span, pluck the belt and let it ring, three times.'
                : `Heard ${words(notes)}. ${notes.length < asked - 1 ? 'Twice more.' : notes.length < asked ? 'Once more.' : 'Readings differ: once more.'}`}
          </p>
          <Button
            onClick={() => {
              ear.close()
              setState('off')
            }}
          >
            Stop listening
          </Button>
        </>
      ) : (
        <>
          {state === 'taken' ? <p role="status">{`Heard ${words(notes)}: taken.`}</p> : null}
          <Button loading={state === 'opening'} onClick={() => void begin()}>
            {state === 'taken' ? 'Listen again' : 'Listen'}
          </Button>
        </>
      )}
      <TroubleNote words={trouble} />
    </div>
  )
}
