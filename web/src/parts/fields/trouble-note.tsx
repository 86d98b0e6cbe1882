/** What stands in the way of keeping something on this phone; nothing where nothing does. */
export function TroubleNote({ words }: { words: string | null }) {
  return words === null ? null : (
    <p className="note tone-fix problem" role="alert">
      {words}
    </p>
  )
}
