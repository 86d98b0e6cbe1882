import { agreedNote, pluckListener, type Note } from '@motor-round/core/motion'
import { Button } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { TroubleNote } from '../../../parts/fields/index.ts'
import { earTrouble, openEar, type Ear } from '../../../parts/ear/index.ts'

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
  const ear = useRef<Ear | null>(null)
  const gone = useRef(false)
  const off = () => {
    ear.current?.close()
    ear.current = null
  }
  useEffect(() => {
    gone.current = false
    return () => {
      gone.current = true
      off()
    }
  }, [])
  const begin = async () => {
    setState('opening')
    setTrouble(null)
    setNotes([])
    setUnclear(false)
    let heard: readonly Note[] = []
    let listener: ReturnType<typeof pluckListener> | null = null
    try {
      const open = await openEar((block) => {
        for (const h of listener?.push(block) ?? []) {
          setUnclear(h.kind === 'unclear')
          if (h.kind === 'unclear' || ear.current === null) continue
          heard = [...heard, h.note].slice(-asked)
          setNotes(heard)
          const agreed = agreedNote(heard)
          if (agreed === null) continue
          off()
          setState('taken')
          take(agreed)
        }
      })
      if (gone.current) {
        open.close()
        return
      }
      ear.current = open
      listener = pluckListener(open.rate)
      setState('on')
    } catch (e) {
      setTrouble(earTrouble(e))
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
              off()
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
