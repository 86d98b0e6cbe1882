// The calculators at the terminal: `npm run -s calc -- list`, `npm run -s calc -- <id> '<json>'`.
import { register } from 'tsx/esm/api'

register()
const { calculators, describeCalculator, findCalculator } = await import('../core/src/calc/index.ts')

// Read by `head` or quit in a pager: whoever reads no more wants no more.
process.stdout.on('error', (e) => process.exit(e.code === 'EPIPE' ? 0 : 1))

const [id, text] = process.argv.slice(2)
const say = (value) => process.stdout.write(`${JSON.stringify(value, null, 2)}\n`)
const refuse = (problems) => {
  say({ errors: problems })
  process.exit(1)
}

if (id === undefined || id === 'list') say(calculators.map(describeCalculator))
else {
  const found = findCalculator(id)
  if (!found)
    refuse([{ field: '', message: `no calculator "${id}"; known are ${calculators.map((c) => c.id).join(', ')}` }])
  let input
  try {
    input = JSON.parse(text ?? '{}')
  } catch (e) {
    refuse([{ field: '', message: `the input is not JSON: ${e.message}` }])
  }
  const answer = found.run(input)
  if (!answer.ok) refuse(answer.problems)
  say(answer.result)
}
