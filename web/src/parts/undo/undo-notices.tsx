import { Button, notification } from 'antd'
import { useEffect, useRef } from 'react'
import type { Undoable } from './offer-undo.ts'

/** Each offer once, with its button; it goes by itself after ten seconds. */
export function UndoNotices({ offers }: { offers: readonly Undoable[] }) {
  const [notices, holder] = notification.useNotification()
  const shown = useRef(new Set<number>())
  useEffect(() => {
    for (const offer of offers) {
      if (shown.current.has(offer.n)) continue
      shown.current.add(offer.n)
      const key = `undo ${offer.n}`
      notices.open({
        key,
        title: offer.text,
        placement: 'bottomLeft',
        duration: 10,
        role: 'status',
        actions: (
          <Button
            type="primary"
            onClick={() => {
              void offer.undo()
              notices.destroy(key)
            }}
          >
            Undo
          </Button>
        ),
      })
    }
  }, [offers, notices])
  return holder
}
