// `npm run likelihoods`: works out anew how likely each cause of the machine model shows each result, into core/src/trace/by-model.
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { register } from 'tsx/esm/api'
import { needModules } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { run } from './lib/run.mjs'
import { main } from './lib/say.mjs'

register()

main(async () => {
  await needModules()
  const { likelihoodsByModel, modelDraws, modelSeed } = await import('../core/src/trace/by-model/table.ts')
  const file = join(root, 'core/src/trace/by-model/likelihoods.generated.ts')
  const rows = JSON.stringify(likelihoodsByModel())
  writeFileSync(
    file,
    `import type { ByModel } from './by-model.ts'

/** Written by \`npm run likelihoods\`: seed ${modelSeed}, ${modelDraws} machines a cause. By test and cause, outcomes in the order of the test. */
export const byModel: ByModel = ${rows}
`,
  )
  await run(process.execPath, [join(root, 'node_modules/prettier/bin/prettier.cjs'), '--write', file], { cwd: root })
})
