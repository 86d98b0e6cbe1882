import { gradeBurn } from './burn.ts'
import { inOrder, type JobFact } from './facts.ts'
import { putsBack, takesOff, type Restore } from './taken-off.ts'

type Done = Extract<JobFact, { kind: 'done' }>

/** Are tools and loose parts as many as went in? True where they are not counted. */
export function allThere(fact: Done, before: JobFact | undefined): boolean {
  const count = takesOff[fact.step]?.count
  if (!count) return true
  if (fact.count === undefined || fact.count === null) return false
  return count.same === undefined || (before?.kind === 'done' && before.count === fact.count)
}

interface Did {
  readonly fact: JobFact
  /** It was done before, and is done once more. */
  readonly again: boolean
}

/** Back on: what opened it was done once, or not since. Two phones whose clocks differ tick in another order than was done. */
const isBack = (opened: Did, back: Did): boolean => !opened.again || back.fact.at >= opened.fact.at

/**
 * What the steps that stand done took off and did not put back. A lock that is proven anew in the morning was never off, and what
 * is taken off once more after it was back is off.
 */
export function notBack(facts: readonly JobFact[]): readonly Restore[] {
  const done = new Map<string, Did>()
  // What puts something back and is skipped once it was done is not back; what was taken off is not on again by a word.
  for (const f of inOrder(facts)) {
    if (f.kind !== 'done' && f.kind !== 'burn' && f.kind !== 'skipped' && f.kind !== 'undone') continue
    const step = takesOff[f.step]
    if (f.kind === 'burn') {
      if (gradeBurn(f.test).grade === 'good') done.set(f.step, { fact: f, again: done.has(f.step) })
      else done.delete(f.step)
    } else if (f.kind === 'done') {
      const same = step?.count?.same
      const all = allThere(f, same === undefined ? undefined : done.get(same)?.fact)
      if (!step?.burn && all) done.set(f.step, { fact: f, again: done.has(f.step) })
    } else if (f.kind === 'undone' || putsBack(f.step)) done.delete(f.step)
  }
  const open = [...done].flatMap(([id, opened]) => {
    const { opens = [], back } = takesOff[id] ?? {}
    const put = back === undefined ? undefined : done.get(back)
    return put && isBack(opened, put) ? [] : opens
  })
  return [...new Set(open)]
}
