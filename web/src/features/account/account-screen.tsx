import type { OwnSession } from '@motor-round/contract'
import { Button, Popconfirm } from 'antd'
import { api } from '../../app/api.ts'
import { accountApi } from '../../app/account-api.ts'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { PasswordForm } from './password-form.tsx'
import { SecondFactor } from './second-factor.tsx'
import './account.css'

/** What kind of device a browser says it is on. */
const deviceWords = (agent: string): string => (/mobi|android|tablet/i.test(agent) ? 'Phone or tablet' : 'Computer')

function SessionRow({ session }: { session: OwnSession }) {
  return (
    <li>
      <b>{deviceWords(session.agent)}</b>
      {session.current ? ', here' : ''}
      {session.phone ? ', holds a round' : ''}
      <br />
      <small className="quiet">
        {session.startedAt === null ? '' : `signed in ${dayTime(session.startedAt)}`}
        {session.seenAt === null ? '' : ` · last used ${dayTime(session.seenAt)}`}
      </small>
    </li>
  )
}

/** One’s own account: the password, and where one is signed in. */
export function AccountScreen() {
  const person = api.useSessionQuery({}).data?.person
  const sessions = accountApi.useOwnSessionsQuery({}, { refetchOnMountOrArgChange: true })
  // Shown with all the rest: what comes in later would push the buttons below it away.
  const factor = accountApi.useSecondFactorQuery({})
  const [end, ending] = accountApi.useEndSessionsMutation()
  if (sessions.error && !sessions.data)
    return <PageFailure failure={sessions.error as Failure} kept="Your sessions cannot be loaded." />
  if (!sessions.data || !person || factor.isLoading) return <Loading page />
  const others = sessions.data.filter((s) => !s.current).length
  return (
    <div className="page stack account">
      <header>
        <h1>{person.name}</h1>
        <p className="quiet">Sign-in name {person.login}</p>
      </header>
      <PasswordForm />
      <SecondFactor />
      <section className="sheet stack" aria-label="Where you are signed in">
        <header>
          <h2>Where you are signed in</h2>
        </header>
        <ul className="rows">
          {sessions.data.map((s) => (
            <SessionRow key={s.id} session={s} />
          ))}
        </ul>
        <p className="quiet">
          You are signed out after 12 hours without use; a phone that holds a round, after 30 days.
        </p>
        <div className="row">
          <Popconfirm
            title="Sign out everywhere else?"
            description="What was entered there and is not synced stays on that phone until you sign in on it again."
            okText="Sign out everywhere else"
            disabled={others === 0}
            onConfirm={() => void end({})}
          >
            <Button size="large" disabled={others === 0} loading={ending.isLoading}>
              {others === 0 ? 'Signed in nowhere else' : `Sign out everywhere else (${others})`}
            </Button>
          </Popconfirm>
        </div>
      </section>
    </div>
  )
}
