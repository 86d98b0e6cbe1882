// `npm run drill -- NAME [RUNS]`: what goes wrong in life, made to happen, on this machine and on throwaway data. The tests run a
// short slice of each but `hands`.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { chromium, needBuild, needChromium, needModules, needPostgres } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { main, Plain } from './lib/say.mjs'

const drills = {
  fuzz: { file: 'server/src/http/hostile', runs: 5000, what: 'hostile requests at every address' },
  kill: { file: 'e2e/sync-kills', runs: 1000, what: 'phones that sync while server and database are killed' },
  slow: { file: 'server/src/http/slow-clients', runs: 60, what: 'clients that stop in the middle' },
  disk: {
    file: 'server/src/http/disk-full',
    runs: 400,
    what: 'a database whose disk is full (needs root, for a disk of its own)',
  },
  hands: {
    browser: 'e2e/hands/playwright.config.ts',
    runs: 40,
    what: 'hands that tap and type anything on any screen, with and without signal (DRILL_SEED chooses which)',
  },
  two: { file: 'server/src/auth/first-account', runs: 20, what: 'servers that start together on an empty database' },
}

main(async () => {
  const [name, given] = process.argv.slice(2)
  const drill = drills[name]
  if (!drill) {
    const list = Object.entries(drills).map(([n, d]) => `  ${n.padEnd(6)} ${d.what}, ${d.runs} times`)
    throw new Plain(`Name a drill: npm run drill -- NAME [RUNS]\n${list.join('\n')}`)
  }
  const runs = Number(given ?? drill.runs)
  if (!Number.isInteger(runs) || runs < 1 || runs > 100_000) throw new Plain('RUNS is a number from 1 to 100,000.')
  await needModules()
  await needPostgres()
  if (drill.browser) {
    await needChromium()
    await needBuild()
  }
  const args = drill.browser
    ? ['node_modules/playwright/cli.js', 'test', '--config', drill.browser]
    : ['node_modules/vitest/vitest.mjs', 'run', '--project', 'server', '--testTimeout', '3600000', drill.file]
  const child = spawn(process.execPath, [join(root, args[0]), ...args.slice(1)], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, DRILL_RUNS: String(runs), ...(drill.browser ? { CHROMIUM: chromium() } : {}) },
  })
  process.exitCode = await new Promise((done) => child.once('exit', (code) => done(code ?? 1)))
})
