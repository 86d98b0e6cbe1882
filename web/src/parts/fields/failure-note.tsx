import { messageOf, type Failure } from '../../app/failure.ts'

/** What went wrong with a save or with what was to be shown. @param kept what that means here, when there is no signal */
export function FailureNote({ failure, kept }: { failure: Failure | undefined; kept: string }) {
  if (!failure) return null
  return (
    <div className="note tone-fix problem" role="alert">
      <h3>{failure.noSignal ? `No signal. ${kept}` : failure.problem.title}</h3>
      {failure.noSignal ? null : <p>{messageOf(failure)}</p>}
      {failure.problem.errors && failure.problem.errors.length > 1 ? (
        <ul className="bullets">
          {failure.problem.errors.map((e) => (
            <li key={`${e.path} ${e.message}`}>
              {e.path}: {e.message}
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  )
}
