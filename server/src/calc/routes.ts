import { endpoints } from '@motor-round/contract'
import { calculators, describeCalculator, findCalculator } from '@motor-round/core/calc'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { HttpProblem, notFound } from '../http/problem.ts'

/** The register of calculators, over the wire. */
export function calcRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.calculators, () =>
    calculators.map((c) => {
      const d = describeCalculator(c)
      return { ...d, basis: [...d.basis], input: { ...d.input }, output: { ...d.output }, example: { ...d.example } }
    }),
  )
  mount(router, deps, endpoints.calculate, ({ params, body }) => {
    const found = findCalculator(params.id)
    if (!found) throw notFound('calculator')
    const answer = found.run(body)
    if (!answer.ok) {
      const first = answer.problems[0]
      throw new HttpProblem(422, first?.message ?? 'not valid', {
        errors: answer.problems.map((p) => ({ path: p.field, message: p.message })),
      })
    }
    return answer.result
  })
}
