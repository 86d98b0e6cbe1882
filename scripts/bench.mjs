// `npm run bench [import|machines|verdict|motor|trend|round|sync|trace|load|live|truth]`: measurements on this machine, told as ratios. Never part of the tests.
import { register } from 'tsx/esm/api'
import { needBuild, needChromium } from './lib/packages.mjs'
import { main, Plain } from './lib/say.mjs'

register()
const benches = {
  import: () => import('../benchmarks/import.mjs'),
  machines: () => import('../benchmarks/machines.mjs'),
  verdict: () => import('../benchmarks/verdict.mjs'),
  motor: () => import('../benchmarks/motor.mjs'),
  trend: () => import('../benchmarks/trend.mjs'),
  round: () => import('../benchmarks/round.mjs'),
  sync: () => import('../benchmarks/sync.mjs'),
  trace: () => import('../benchmarks/trace.mjs'),
  load: () => import('../benchmarks/load.mjs'),
  live: () => import('../benchmarks/live.mjs'),
  truth: () => import('../benchmarks/truth.mjs'),
}

main(async () => {
  const wanted = process.argv.slice(2)
  for (const name of wanted)
    if (!benches[name]) throw new Plain(`No bench "${name}". Known: ${Object.keys(benches).join(', ')}`)
  await needBuild()
  await needChromium()
  for (const name of wanted.length > 0 ? wanted : Object.keys(benches)) {
    process.stdout.write(`\n# ${name}\n`)
    const { bench } = await benches[name]()
    await bench((what, figure) => process.stdout.write(`${what.padEnd(64)} ${figure}\n`))
  }
})
