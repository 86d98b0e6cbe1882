// `npm start`: from a fresh machine to a running Motor Round. Everything below scripts/lib uses Node alone, since node
// modules may not be there yet.
import { randomBytes } from 'node:crypto'
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { createInterface } from 'node:readline'
import { needBuild, needModules } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { Cluster, portFree } from './lib/postgres.mjs'
import { main, Plain } from './lib/say.mjs'

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
            setTimeout(() => c.kill('SIGKILL'), 8000).unref()
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
    DATABASE_URL: url,
    PORT: String(port),
    HOST: host,
    SESSION_SECRET: secret,
    WEB_DIR: join(root, 'web/dist'),
    // Without a mail server every e-mail is kept as a file.
    MAIL_DIR: process.env.MAIL_DIR ?? join(data, 'mail'),
    DEMO: flags.has('--empty') ? 'no' : 'yes',
  }
  const command = dev
    ? [join(root, 'node_modules/tsx/dist/cli.mjs'), 'watch', '--clear-screen=false', join(root, 'server/src/main.ts')]
    : ['--enable-source-maps', join(root, 'server/dist/main.js')]
  // Detached, so that Ctrl-C reaches this process alone and everything is stopped in order.
  // The channel tells the server when this process is gone, however it went.
  const stdio = ['ignore', 'pipe', 'pipe', 'ipc']
  const server = spawn(process.execPath, command, { env, stdio, detached: true })
  children.push(server)
  let complaint = ''
  server.stderr.on('data', (b) => {
    complaint = `${complaint}${b}`.slice(-4000)
    process.stderr.write(b)
  })
  server.once('exit', (code) => {
    if (!ending && complaint.trim() === '') process.stderr.write(`The server ended on its own (code ${code}).\n`)
    if (!ending) void finish(code === 0 ? 0 : 1)
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
