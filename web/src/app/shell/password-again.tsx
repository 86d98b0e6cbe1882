import { Suspense, useEffect, useState } from 'react'
import { answerFor } from '../confirm-again.ts'
import { lazyPart } from '../../parts/late-part/index.ts'

// Seldom needed: the bar does not bring it along.
const PasswordDialog = lazyPart(
  'The password prompt',
  async () => (await import('./password-dialog.tsx')).PasswordDialog,
)

/** Asks for the password where a change takes it once more; the change then goes on by itself. */
export function PasswordAgain() {
  const [done, setDone] = useState<((entered: boolean) => void) | null>(null)
  useEffect(
    () =>
      answerFor(
        () =>
          new Promise<boolean>((resolve) => {
            setDone(() => resolve)
          }),
      ),
    [],
  )
  if (!done) return null
  return (
    <Suspense fallback={null}>
      <PasswordDialog
        done={(entered) => {
          setDone(null)
          done(entered)
        }}
      />
    </Suspense>
  )
}
