import { createHash } from 'node:crypto'

/** A line of the change log as its seal is put on it: every field with its length before it, `-` for none. */
const textOf = (fields) => fields.map((f) => (f === null ? '-' : `${[...f].length}:${f}`)).join(' ')

const hashOf = (before, fields) =>
  createHash('sha256')
    .update(`${before}\n${textOf(fields)}`)
    .digest('hex')

const lines = `
  select s.seq::text, s.hash, s.audit_id::text as id, a.id is not null as there, a.at, a.by, a.what, array[
    a.id::text, (extract(epoch from a.at) * 1000000)::bigint::text, a.by, a.by_id::text, a.what, a.entity, a.entity_id::text, a.why,
    a.changes::text, a.change_id::text
  ] as fields
  from audit_seals s left join audit a on a.id = s.audit_id where s.seq > $1 order by s.seq limit 1000`

/**
 * Go through the seals on the change log and hold every line against its own. This is worked out here and not by the database whose
 * word it checks.
 * @param {import('pg').ClientBase} client
 * @param {{seq: number, hash: string} | null} known a seal that was kept elsewhere
 * @returns {Promise<{sealed: number, hash: string, waiting: number, problems: string[]}>} at most twenty problems, in plain words
 */
export async function checkAudit(client, known = null) {
  const problems = []
  const tell = (text) => {
    if (problems.length < 20) problems.push(text)
  }
  let before = ''
  let seq = 0
  for (;;) {
    const { rows } = await client.query(lines, [seq])
    if (rows.length === 0) break
    for (const r of rows) {
      const n = Number(r.seq)
      if (n !== seq + 1)
        tell(n === seq + 2 ? `Seal ${seq + 1} is missing.` : `Seals ${seq + 1} to ${n - 1} are missing.`)
      const line = r.there ? `Line ${n} (${r.at.toISOString()}, ${r.by}: ${r.what})` : `Line ${n}`
      if (!r.there) tell(`${line} was taken out: ${r.id}.`)
      else if (n === seq + 1 && hashOf(before, r.fields) !== r.hash) tell(`${line} is not what was sealed.`)
      if (known?.seq === n && known.hash !== r.hash)
        tell(`Seal ${n} is not the one that was kept: the chain was made anew.`)
      before = r.hash
      seq = n
    }
  }
  if (known && known.seq > seq) tell(`Seal ${known.seq} was kept, and the chain ends at ${seq}: its end was taken off.`)
  const loose = await client.query(`
    select count(*) filter (where w.audit_id is not null)::int as waiting, count(*) filter (where w.audit_id is null)::int as never
    from audit a left join audit_seals s on s.audit_id = a.id left join audit_waiting w on w.audit_id = a.id where s.seq is null`)
  const { waiting, never } = loose.rows[0]
  if (never > 0)
    tell(`${never === 1 ? 'One line has' : `${never} lines have`} no seal and wait${never === 1 ? 's' : ''} for none.`)
  return { sealed: seq, hash: before, waiting, problems }
}
