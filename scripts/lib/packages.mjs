import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { hashOf, root } from './paths.mjs'
import { run } from './run.mjs'
import { Plain } from './say.mjs'

/** The folder of PostgreSQL's programs, newest first; Debian keeps them off PATH. */
export function postgresBin() {
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return null
  const versions = readdirSync(base).sort((a, b) => Number(b) - Number(a))
  const found = versions.find((v) => existsSync(join(base, v, 'bin/initdb')))
  return found ? join(base, found, 'bin') : null
}

const chromiums = ['chromium-headless-shell', 'chromium', 'chromium-browser'].map((name) => join('/usr/bin', name))

/** Chromium's program: the one without windows where it is there, which does the same with a tenth less processor. */
export const chromium = () => chromiums.find((p) => existsSync(p)) ?? null

async function aptInstall(names) {
  const asRoot = process.getuid?.() === 0
  const sudo = asRoot ? [] : ['sudo', '-n']
  const hint = `Install by hand, then start again: sudo apt-get install ${names.join(' ')}`
  if (!existsSync('/usr/bin/apt-get')) throw new Plain(`${names.join(', ')} is missing. ${hint}`)
  if (!asRoot) {
    const may = await run('sudo', ['-n', 'true']).catch(() => ({ code: 1 }))
    if (may.code !== 0) throw new Plain(`${names.join(', ')} is missing and this user may not install it. ${hint}`)
  }
  process.stdout.write(`Installing ${names.join(', ')} …\n`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const all = (args) => {
    const [command, ...rest] = [...sudo, 'apt-get', '-qq', ...args]
    return run(command, rest, { env })
  }
  let done = await all(['install', '-y', '--no-install-recommends', ...names])
  if (done.code !== 0) {
    await all(['update'])
    done = await all(['install', '-y', '--no-install-recommends', ...names])
  }
  if (done.code !== 0)
    throw new Plain(`apt-get could not install ${names.join(', ')}: ${done.out.trim().split('\n').pop()}. ${hint}`)
}

/** See that PostgreSQL's server is there; installs Debian's when it is not. */
export async function needPostgres() {
  if (!postgresBin()) {
    await aptInstall(['postgresql-15'])
    if (!postgresBin())
      throw new Plain('postgresql-15 was installed but its programs are not under /usr/lib/postgresql.')
  }
  return postgresBin()
}

/** See that Chromium is there, for the tests. */
export async function needChromium() {
  if (!chromium()) {
    // Without windows it brings neither their libraries. An older Debian has it under its full name alone.
    await aptInstall(['chromium-headless-shell']).catch((e) => {
      if (!(e instanceof Plain)) throw e
      return aptInstall(['chromium'])
    })
  }
  return chromium()
}

/** Install node modules when they are not those of the lock file. */
export async function needModules() {
  const stamp = join(root, 'node_modules/.lock-hash')
  const want = hashOf([join(root, 'package-lock.json')])
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === want) return
  process.stdout.write('Installing node modules …\n')
  const done = await run('npm', ['ci', '--no-audit', '--no-fund'], { cwd: root })
  if (done.code !== 0) {
    const line = done.out.split('\n').find((l) => /npm (error|ERR!)/.test(l)) ?? done.out.trim().split('\n').pop()
    throw new Plain(
      /ENOSPC/.test(done.out) ? 'The disk is full. Free some space and start again.' : `npm ci failed: ${line}`,
    )
  }
  writeFileSync(stamp, want)
}

/** Files of a folder, for the build's stamp. */
function filesBelow(folder) {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile() && /\.(ts|tsx|css|html|svg|woff2|sql|json)$/.test(e.name))
    .map((e) => join(e.parentPath, e.name))
    .filter((f) => !/node_modules|\/dist\/|\.tsc|\.test\./.test(f))
    .sort()
}

/** Build web and server when their sources have changed since the last build. */
export async function needBuild() {
  const stamp = join(root, '.cache/build')
  const sources = ['core', 'contract', 'demo', 'server', 'web'].flatMap((w) => filesBelow(join(root, w)))
  const want = hashOf([...sources, join(root, 'package-lock.json')])
  const there = existsSync(join(root, 'web/dist/index.html')) && existsSync(join(root, 'server/dist/main.js'))
  if (there && existsSync(stamp) && readFileSync(stamp, 'utf8') === want) return
  process.stdout.write('Building …\n')
  const done = await run('npm', ['run', '-s', 'build'], { cwd: root })
  if (done.code !== 0)
    throw new Plain(
      /ENOSPC/.test(done.out)
        ? 'The disk is full. Free some space and start again.'
        : `The build failed:\n${done.out.trim()}`,
    )
  mkdirSync(join(root, '.cache'), { recursive: true })
  writeFileSync(stamp, want)
}
