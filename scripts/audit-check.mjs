// `npm run audit-check [-- SEQ:HASH]`: is the change log what was written? With a seal that was kept elsewhere it also tells whether
// the whole chain was made anew.
import { checkAudit } from './lib/audit-chain.mjs'
import { withDatabase } from './lib/database.mjs'
import { main, Plain } from './lib/say.mjs'

main(async () => {
  const [kept] = process.argv.slice(2)
  const known = kept === undefined ? null : /^(\d{1,12}):([0-9a-f]{64})$/.exec(kept)
  if (kept !== undefined && !known)
    throw new Plain('A kept seal is its number, a colon and 64 hex digits, as printed by this command.')
  const found = await withDatabase(async ({ url }) => {
    const { default: pg } = await import('pg')
    const client = new pg.Client(url)
    try {
      await client.connect()
      return await checkAudit(client, known && { seq: Number(known[1]), hash: known[2] })
    } finally {
      await client.end()
    }
  })
  const many =
    found.sealed === 1 ? '1 line of the change log is sealed' : `${found.sealed} lines of the change log are sealed`
  process.stdout.write(`${many}${found.waiting > 0 ? `; ${found.waiting} wait for their seal` : ''}.\n`)
  if (found.problems.length > 0) {
    process.stderr.write(`${found.problems.join('\n')}\n`)
    process.exitCode = 1
    return
  }
  process.stdout.write('Every one is what was written, and none is missing.\n')
  if (found.sealed > 0)
    process.stdout.write(
      `Keep the newest seal elsewhere and check against it next time:\n${found.sealed}:${found.hash}\n`,
    )
})
