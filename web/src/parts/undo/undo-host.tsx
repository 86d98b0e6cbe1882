import { Suspense, useEffect, useState } from 'react'
import { onUndoable, type Undoable } from './offer-undo.ts'
import { lazyPart } from '../late-part/index.ts'

// Nothing of it is loaded before there is something to undo.
const Notices = lazyPart('Undo', async () => (await import('./undo-notices.tsx')).UndoNotices)

/** Where offers to undo are shown, on every screen. */
export function UndoHost() {
  const [offers, setOffers] = useState<readonly Undoable[]>([])
  useEffect(() => onUndoable((u) => setOffers((old) => [...old, u])), [])
  return offers.length === 0 ? null : (
    <Suspense fallback={null}>
      <Notices offers={offers} />
    </Suspense>
  )
}
