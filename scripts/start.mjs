// `npm start`: from a fresh machine to a running Motor Round. Everything below scripts/lib uses Node alone, since node
// modules may not be there yet.
import { randomBytes } from 'node:crypto'
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join, resolve } from 'node:path'
import { createInterface } from 'node:readline'
import { needBuild, needModules, needPostgres } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { Cluster, portFree } from './lib/postgres.mjs'
import { main, Plain } from './lib/say.mjs'
import { builtServerArgs } from './lib/server-process.mjs'

const flags = new Set(process.argv.slice(2))
const dev = flags.has('--dev')
for (const f of flags)
  if (f !== '--dev' && f !== '--empty') {
    process.stderr.write(`Unknown option ${f}. Known: --empty\n`)
    process.exit(1)
  }

function settings() {
  const port = Number(process.env.PORT ?? 4170)
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Plain(`PORT=${process.env.PORT} is no port number; take one from 1024 to 65535.`)
  return { port, host: process.env.HOST ?? '127.0.0.1', data: resolve(process.env.DATA_DIR ?? join(root, '.data')) }
}

/** A secret that stays the same over restarts, so that sign-ins hold. */
function secretOf(data) {
  const file = join(data, 'session-secret')
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 })
  return readFileSync(file, 'utf8').trim()
}

/** The same database for the server, which signs in with a role of its own; it is let in by the owner at every start. */
function serverUrl(data, owner) {
  const file = join(data, 'server-password')
  if (!existsSync(file)) writeFileSync(file, randomBytes(24).toString('base64url'), { mode: 0o600 })
  return Object.assign(new URL(owner), { username: 'motor_round_app', password: readFileSync(file, 'utf8').trim() })
    .href
}

/** How many scheduled backups are kept. */
const keptBackups = 14

/** A backup every so many hours, the newest kept. What fails is said, and tried again at the next. */
function backUpEvery(hours, { url, data }) {
  if (hours === undefined || hours === '') return
  const every = Number(hours)
  if (!(every >= 1 && every <= 168)) throw new Plain(`BACKUP_HOURS=${hours}: take a number of hours from 1 to 168.`)
  const folder = resolve(process.env.BACKUP_DIR ?? join(data, 'backups'))
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const once = async () => {
    const file = join(folder, `motor-round-${new Date().toISOString().slice(0, 16).replace(/[-:]/g, '')}.backup`)
    try {
      const { backup } = await import('./lib/backup.mjs')
      const bin = await needPostgres()
      await backup({ url, file, bin, passphrase: process.env.BACKUP_PASSPHRASE || undefined })
      const old = readdirSync(folder)
        .filter((f) => /^motor-round-\d{8}T\d{4}\.backup$/.test(f))
        .sort()
        .slice(0, -keptBackups)
      for (const f of old) rmSync(join(folder, f))
    } catch (e) {
      process.stderr.write(`${e instanceof Plain ? e.message : `The backup was not made: ${e?.message ?? e}`}\n`)
    }
  }
  setInterval(() => void once(), every * 3_600_000).unref()
  void once()
}

/** The drives of the demo: one process each, on loopback. Without one the demo is all there but for what it would show. */
function startStandIns(children, ending) {
  for (const machine of ['AHU-3/SF', 'AHU-3/RF']) {
    const drive = spawn(process.execPath, [join(root, 'server/dist/stand-in-drive.js'), '--machine', machine], {
      stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
      detached: true,
    })
    children.push(drive)
    let complaint = ''
    drive.stderr.on('data', (b) => (complaint = `${complaint}${b}`.slice(-400)))
    drive.once('exit', () => {
      children.splice(children.indexOf(drive), 1)
      if (!ending()) process.stdout.write(complaint || `The stand-in drive of ${machine} ended.\n`)
    })
  }
}

main(async () => {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    throw new Plain(`Node ${process.versions.node} is too old; Motor Round needs 20.19 or newer.`)
  const { port, host, data } = settings()
  if (!(await portFree(port, host)))
    throw new Plain(`Port ${port} on ${host} is taken. Choose another: PORT=${port + 1} npm start`)
  await needModules()
  if (!dev) await needBuild()
  mkdirSync(data, { recursive: true })
  const secret = secretOf(data)

  let cluster = null
  let url = process.env.DATABASE_URL
  if (url === undefined || url === '') {
    cluster = new Cluster(data)
    await cluster.start()
    url = await cluster.ensureDatabase('motor_round')
  }

  const children = []
  let ending = false
  const finish = async (code) => {
    if (ending) return
    ending = true
    await Promise.all(
      children.map(
        (c) =>
          new Promise((done) => {
            if (c.exitCode !== null || c.signalCode !== null) return done()
            c.once('exit', done)
            c.kill('SIGTERM')
            // The server takes up to half a minute for what it has begun.
            setTimeout(() => c.kill('SIGKILL'), 35_000).unref()
          }),
      ),
    )
    await cluster?.stop()
    process.exit(code)
  }
  process.on('SIGINT', () => void finish(0))
  process.on('SIGTERM', () => void finish(0))

  const env = {
    ...process.env,
    DATABASE_URL: cluster ? serverUrl(data, url) : url,
    ...(cluster ? { OWNER_DATABASE_URL: url } : {}),
    PORT: String(port),
    HOST: host,
    SESSION_SECRET: secret,
    WEB_DIR: join(root, 'web/dist'),
    SECURITY_LOG: process.env.SECURITY_LOG ?? join(data, 'security.log'),
    // Without a mail server every e-mail is kept as a file.
    MAIL_DIR: process.env.MAIL_DIR ?? join(data, 'mail'),
    // CSV files of a building system that are put there are taken.
    LIVE_DIR: process.env.LIVE_DIR ?? join(data, 'live'),
    DEMO: flags.has('--empty') ? 'no' : 'yes',
    // One process for each processor but the database’s: one more would only take turns with it, and everybody waits longer.
    WORKERS: process.env.WORKERS ?? String(dev ? 1 : Math.max(1, Math.min(4, availableParallelism() - 1))),
  }
  const command = dev
    ? [join(root, 'node_modules/tsx/dist/cli.mjs'), 'watch', '--clear-screen=false', join(root, 'server/src/main.ts')]
    : builtServerArgs
  // Detached, so that Ctrl-C reaches this process alone and everything is stopped in order.
  // The channel tells the server when this process is gone, however it went.
  const stdio = ['ignore', 'pipe', 'pipe', 'ipc']
  let told = false
  let tries = 0
  const startServer = () => {
    const server = spawn(process.execPath, command, { env, stdio, detached: true })
    const startedAt = Date.now()
    let ready = false
    children.push(server)
    let complaint = ''
    server.stderr.on('data', (b) => {
      complaint = `${complaint}${b}`.slice(-4000)
      process.stderr.write(b)
    })
    server.once('exit', (code, signal) => {
      children.splice(children.indexOf(server), 1)
      if (ending) return
      if (!ready) {
        // It never came up: what is wrong stays wrong.
        if (complaint.trim() === '') process.stderr.write(`The server ended on its own (code ${code}).\n`)
        void finish(code === 0 ? 0 : 1)
        return
      }
      // One that ran for a while and died is started again; one that dies again and again waits longer each time.
      tries = Date.now() - startedAt > 60_000 ? 0 : tries + 1
      const wait = Math.min(30, 2 ** tries / 2)
      process.stderr.write(`The server ended (${signal ?? `code ${code}`}). It starts again in ${wait} s.\n`)
      setTimeout(() => {
        if (!ending) startServer()
      }, wait * 1000)
    })
    createInterface({ input: server.stdout }).on('line', (line) => {
      let said
      try {
        said = JSON.parse(line)
      } catch {
        process.stdout.write(`${line}\n`)
        return
      }
      if (!said.ready) return
      ready = true
      if (told && !said.firstLead) {
        process.stdout.write('The server is back.\n')
        return
      }
      told = true
      const address = dev
        ? 'http://127.0.0.1:5173'
        : `${process.env['TLS_CERT'] ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${said.port}`
      const lines = [`Motor Round is at ${address}`]
      if (said.firstLead)
        lines.push(`Make the first account: ${address}${said.firstLead}`, 'The link works once, for three days.')
      else if (said.demo)
        lines.push('Demo sign-ins:', ...said.demo.map((d) => `  ${d.login} / ${d.password}  (${d.role})`))
      if (!process.env.SMTP_URL) lines.push(`E-mails are not sent: each is a file in ${env.MAIL_DIR}`)
      lines.push('Ctrl-C stops it.')
      process.stdout.write(`${lines.join('\n')}\n`)
    })
  }
  startServer()
  if (env.DEMO === 'yes' && !dev) startStandIns(children, () => ending)
  backUpEvery(process.env.BACKUP_HOURS, { url, data })
  if (dev) {
    const web = spawn(process.execPath, [join(root, 'node_modules/vite/bin/vite.js'), '--logLevel', 'warn'], {
      cwd: join(root, 'web'),
      env: { ...process.env, API_PORT: String(port) },
      stdio: ['ignore', 'inherit', 'inherit'],
      detached: true,
    })
    children.push(web)
    web.once('exit', (code) => void finish(code ?? 1))
  }
})
