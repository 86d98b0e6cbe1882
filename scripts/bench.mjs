// `npm run bench [import|roof|verdict|motor|trend|round|sync|truth]`: measurements on this machine, told as ratios. Never part of the tests.
import { register } from 'tsx/esm/api'
import { needBuild, needChromium } from './lib/packages.mjs'
import { main, Plain } from './lib/say.mjs'

register()
const benches = {
  import: () => import('../bench/import.mjs'),
  roof: () => import('../bench/roof.mjs'),
  verdict: () => import('../bench/verdict.mjs'),
  motor: () => import('../bench/motor.mjs'),
  trend: () => import('../bench/trend.mjs'),
  round: () => import('../bench/round.mjs'),
  sync: () => import('../bench/sync.mjs'),
  truth: () => import('../bench/truth.mjs'),
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
