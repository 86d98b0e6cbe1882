import type { Person } from '@motor-round/contract'
import { Button } from 'antd'
import { Suspense, useEffect } from 'react'
import { useDispatch, useSelector } from 'react-redux'
import { Navigate, NavLink, Outlet, ScrollRestoration, useLocation, useNavigate } from 'react-router'
import { onSynced } from '../../offline/react/use-phone.ts'
import { api } from '../api.ts'
import { setLook } from '../look.ts'
import type { RootState } from '../store.ts'
import { UndoHost } from '../../parts/undo/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { PasswordAgain } from './password-again.tsx'
import { SignOut } from './sign-out.tsx'
import { SignalLine } from './signal-line.tsx'
import { lazyPart } from '../../parts/late-part/index.ts'
import './shell.css'

// A walk on the roof has no bar: it need not bring along what only the bar asks for.
const Finder = lazyPart('The finder', async () => (await import('../../features/finder/index.ts')).Finder)

function Account({ person }: { person: Person }) {
  const dispatch = useDispatch()
  const theme = useSelector((s: RootState) => s.look.theme)
  return (
    <div className="shell-account">
      <button type="button" onClick={() => dispatch(setLook(theme === 'light' ? 'dark' : 'light'))}>
        {theme === 'light' ? 'Dark' : 'Light'}
      </button>
      <NavLink to="/account" aria-label={`Account: ${person.name}`}>
        <span className="shell-wide">{person.name}</span>
        <span className="shell-narrow">Account</span>
      </NavLink>
      <SignOut personId={person.id} />
    </div>
  )
}

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

/** The frame of every screen. `bare` leaves out the bar: a visit on a phone needs the room. */
export function Shell({ bare = false }: { bare?: boolean }) {
  const session = api.useSessionQuery({})
  const location = useLocation()
  const navigate = useNavigate()
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (typing(e.target) || e.ctrlKey || e.metaKey || e.altKey) return
      if (e.key === '/' && !bare) {
        e.preventDefault()
        // The field may still be on its way.
        const reach = (tries: number) => {
          const field = document.getElementById('find-machine')
          if (field) field.focus()
          else if (tries > 0) setTimeout(() => reach(tries - 1), 50)
        }
        reach(40)
      } else if (e.key === '?') void navigate('/keys')
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [bare, navigate])

  const dispatch = useDispatch()
  useEffect(
    () =>
      onSynced(() => void dispatch(api.util.invalidateTags(['machine', 'round', 'machineList', 'places', 'stock']))),
    [dispatch],
  )

  if (session.isLoading) return <Loading page />
  if (session.isError)
    return (
      <div className="page">
        <div className="note tone-fix problem">
          <h3>
            {session.error && 'noSignal' in session.error && session.error.noSignal
              ? 'No signal'
              : 'The server does not answer'}
          </h3>
          <p>Nothing is lost. Retry when you have signal.</p>
          <Button type="link" onClick={() => void session.refetch()}>
            Retry
          </Button>
        </div>
      </div>
    )
  const person = session.data?.person
  if (!person) return <Navigate to={`/sign-in?to=${encodeURIComponent(location.pathname + location.search)}`} replace />
  const body = (
    <Suspense fallback={<Loading page />}>
      <Outlet />
      <ScrollRestoration />
    </Suspense>
  )
  if (bare)
    return (
      <main className="shell-bare">
        <SignalLine />
        {body}
        <UndoHost />
      </main>
    )
  return (
    <>
      <header className="shell-bar">
        <span className="shell-name">{session.data?.organization}</span>
        <nav aria-label="Screens">
          <NavLink to="/machines">Machines</NavLink>
          <NavLink to="/rounds">Rounds</NavLink>
          <NavLink to="/jobs">Jobs</NavLink>
          <NavLink to="/stock">Stock</NavLink>
          <NavLink to="/calculators">Calculators</NavLink>
          <NavLink to="/import-export" className="shell-wide">
            Import & export
          </NavLink>
          <NavLink to="/reports" className="shell-wide">
            Reports
          </NavLink>
          <NavLink to="/places" className="shell-wide">
            Sites
          </NavLink>
          <NavLink to="/limits" className="shell-wide">
            Limits
          </NavLink>
        </nav>
        <Suspense fallback={<div className="finder" />}>
          <Finder />
        </Suspense>
        <Account person={person} />
      </header>
      <SignalLine />
      <main>{body}</main>
      <UndoHost />
      <PasswordAgain />
    </>
  )
}
