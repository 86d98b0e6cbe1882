/** Five hundred faults traced by an honest technician, by the product's choice of tests and in a fixed order. */
export async function bench(say) {
  const { anyCase, byInformation, byOrder, walk } = await import('./trace/technician.ts')
  const { seeded } = await import('../core/src/machine/index.ts')
  const random = seeded(Number(process.env.SEED ?? 11))
  const cases = Array.from({ length: Number(process.env.CASES ?? 500) }, () => anyCase(random))
  const began = performance.now()
  const ours = cases.map((c, i) => walk(seeded(1000 + i), c, byInformation))
  const took = performance.now() - began
  const theirs = cases.map((c, i) => walk(seeded(1000 + i), c, byOrder))
  const share = (walks, of) => `${((100 * walks.filter(of).length) / walks.length).toFixed(1)} %`
  const mean = (walks, of) => walks.reduce((sum, w) => sum + of(w), 0) / walks.length
  const both = (of) => (mean(ours, of) / mean(theirs, of)).toFixed(2)
  say(
    'top cause right, by the product, in a fixed order',
    `${share(ours, (w) => w.right)}, ${share(theirs, (w) => w.right)}`,
  )
  say('among the first three', `${share(ours, (w) => w.inThree)}, ${share(theirs, (w) => w.inThree)}`)
  say('tests, of those in a fixed order', `${mean(ours, (w) => w.tests).toFixed(1)}, ${both((w) => w.tests)}`)
  say('minutes, of those in a fixed order', `${mean(ours, (w) => w.minutes).toFixed(0)}, ${both((w) => w.minutes)}`)
  say('minutes live or beside it running', `${mean(ours, (w) => w.exposed).toFixed(1)}, ${both((w) => w.exposed)}`)
  say(
    'live tests where a dead one tells as much',
    ours.reduce((n, w) => n + w.needless, 0),
  )
  say('one step of inference and choice', `${(took / ours.reduce((n, w) => n + w.tests, 0)).toFixed(1)} ms`)
}
