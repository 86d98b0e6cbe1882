import pg from 'pg'

/** As the names of roles and their passwords stand in SQL. */
const { escapeIdentifier, escapeLiteral } = pg

const tries = 10

/** A role is one of the whole cluster: somebody who makes the same one at this moment, for whichever database, is waited for. */
async function makeRole(owner: pg.Client | pg.PoolClient, name: string, as: string): Promise<void> {
  for (let n = 1; ; n++)
    try {
      const { rowCount } = await owner.query('select from pg_roles where rolname = $1', [name])
      await owner.query(`${rowCount === 0 ? 'create' : 'alter'} role ${as}`)
      return
    } catch (e) {
      const madeMeanwhile = e instanceof pg.DatabaseError && ['42710', '23505', 'XX000'].includes(e.code ?? '')
      if (n >= tries || !madeMeanwhile) throw e
      await new Promise((go) => setTimeout(go, 50 * (0.5 + Math.random())))
    }
}

/**
 * Let the server's own role in, as the owner of the database: it is made where it is missing, and may do what the product does and
 * no more. Facts it may add and read, never change or take out; the schema and its triggers are not its own.
 * @param owner a connection that may make roles
 * @param url where the server will sign in, with that role's name and password
 */
export async function letServerIn(owner: pg.Client | pg.PoolClient, url: string): Promise<void> {
  const { username, password } = new URL(url)
  const name = decodeURIComponent(username)
  const role = escapeIdentifier(name)
  const secret = escapeLiteral(decodeURIComponent(password))
  await makeRole(owner, name, `${role} login password ${secret}`)
  await owner.query('begin')
  // Servers that start together let the same role in: one after the other, or the database refuses the second.
  await owner.query('select pg_advisory_xact_lock(727002)')
  const { rows } = await owner.query<{ table: string; fact: boolean }>(`
    select format('%I', c.relname) as table, exists (
      select from pg_trigger g join pg_proc p on p.oid = g.tgfoid where g.tgrelid = c.oid and p.proname = 'facts_stay'
    ) as fact
    from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and c.relname !~ '^import_'`)
  const list = (fact: boolean) => rows.filter((r) => r.fact === fact).map((r) => r.table)
  const staged = await owner.query<{ table: string }>(
    `select format('%I', relname) as table from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' and relname ~ '^import_'`,
  )
  for (const { table } of staged.rows) await owner.query(`alter table ${table} owner to ${role}`)
  await owner.query(`revoke all on all tables in schema public from ${role}`)
  // Checked files wait in tables that are made for each of them.
  await owner.query(`grant usage, create on schema public to ${role}`)
  // Whether the schema is the one this version knows is asked by its health.
  await owner.query(`grant usage on schema drizzle to ${role}`)
  await owner.query(`grant select on all tables in schema drizzle to ${role}`)
  await owner.query(`grant select, insert on ${list(true).join(', ')} to ${role}`)
  await owner.query(`grant select, insert, update, delete on ${list(false).join(', ')} to ${role}`)
  await owner.query('commit')
}
