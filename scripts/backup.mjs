// `npm run backup -- FILE`: everything of a running or stopped Motor Round, photos included, in one file.
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { backup } from './lib/backup.mjs'
import { needPostgres } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { Cluster } from './lib/postgres.mjs'
import { main, Plain } from './lib/say.mjs'

main(async () => {
  const [file] = process.argv.slice(2)
  if (file === undefined) throw new Plain('Name the file: npm run backup -- motor-round.backup')
  if (existsSync(file)) throw new Plain(`${file} is there already. Choose another name.`)
  const bin = await needPostgres()
  const own = process.env.DATABASE_URL
  const data = resolve(process.env.DATA_DIR ?? join(root, '.data'))
  if (!own && !existsSync(join(data, 'database-password')))
    throw new Plain(`There is no Motor Round in ${data}. Set DATA_DIR or DATABASE_URL.`)
  const cluster = own ? null : new Cluster(data)
  await cluster?.start()
  try {
    const url = own || (await cluster.ensureDatabase('motor_round'))
    const bytes = await backup({
      url,
      file: resolve(file),
      bin,
      passphrase: process.env.BACKUP_PASSPHRASE || undefined,
    })
    process.stdout.write(
      `${file}: ${(bytes / 1e6).toFixed(1)} MB${process.env.BACKUP_PASSPHRASE ? ', encrypted' : ''}\n`,
    )
  } finally {
    await cluster?.stop()
  }
})
