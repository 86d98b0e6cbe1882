import { Suspense, useState } from 'react'
import { useDispatch } from 'react-redux'
import { useNavigate } from 'react-router'
import { api } from '../api.ts'
import { lazyPart } from '../../parts/late-part/index.ts'

// Seldom needed: the bar does not bring it along.
const SignOutDialog = lazyPart('The sign-out dialog', async () => (await import('./sign-out-dialog.tsx')).SignOutDialog)

/** Sign out: what was fetched leaves this device; what is not synced is told first, and stays. */
export function SignOut({ personId }: { personId: string }) {
  const dispatch = useDispatch()
  const navigate = useNavigate()
  const [signOut] = api.useSignOutMutation()
  /** How many entries wait; null: the server was not reached. */
  const [told, setTold] = useState<number | null | undefined>()
  const leave = async () => {
    setTold(undefined)
    const done = await signOut({})
    if ('error' in done) {
      setTold(null)
      return
    }
    const { clearPhone } = await import('../../offline/core/clear.ts')
    // A browser that stores nothing has nothing to empty.
    await clearPhone().catch(() => undefined)
    dispatch(api.util.resetApiState())
    await navigate('/sign-in')
  }
  const ask = async () => {
    const { waitingOf } = await import('../../offline/core/clear.ts')
    const count = await waitingOf(personId).catch(() => 0)
    if (count > 0) setTold(count)
    else await leave()
  }
  return (
    <>
      <button type="button" onClick={() => void ask()}>
        Sign out
      </button>
      {told === undefined ? null : (
        <Suspense fallback={null}>
          <SignOutDialog waiting={told} close={() => setTold(undefined)} leave={() => void leave()} />
        </Suspense>
      )}
    </>
  )
}
