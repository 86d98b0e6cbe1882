// `npm run backup -- FILE`: everything of a running or stopped Motor Round, photos included, in one file.
import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { backup } from './lib/backup.mjs'
import { withDatabase } from './lib/database.mjs'
import { main, Plain } from './lib/say.mjs'

main(async () => {
  const [file] = process.argv.slice(2)
  if (file === undefined) throw new Plain('Name the file: npm run backup -- motor-round.backup')
  if (existsSync(file)) throw new Plain(`${file} is there already. Choose another name.`)
  const passphrase = process.env.BACKUP_PASSPHRASE || undefined
  const bytes = await withDatabase(({ url, bin }) => backup({ url, file: resolve(file), bin, passphrase }))
  process.stdout.write(`${file}: ${(bytes / 1e6).toFixed(1)} MB${passphrase ? ', encrypted' : ''}\n`)
})
