// `npm run restore -- FILE`: a backup into an empty folder or an empty database.
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { restore } from './lib/backup.mjs'
import { needPostgres } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { Cluster } from './lib/postgres.mjs'
import { main, Plain } from './lib/say.mjs'

main(async () => {
  const [file] = process.argv.slice(2)
  if (file === undefined) throw new Plain('Name the file: npm run restore -- motor-round.backup')
  if (!existsSync(file)) throw new Plain(`${file} is not there.`)
  const bin = await needPostgres()
  const own = process.env.DATABASE_URL
  const cluster = own ? null : new Cluster(resolve(process.env.DATA_DIR ?? join(root, '.data')))
  await cluster?.start()
  try {
    const url = own || (await cluster.ensureDatabase('motor_round'))
    const madeAt = await restore({
      url,
      file: resolve(file),
      bin,
      passphrase: process.env.BACKUP_PASSPHRASE || undefined,
    })
    process.stdout.write(`Restored as of ${madeAt}. Start it with npm start.\n`)
  } finally {
    await cluster?.stop()
  }
})
