import { z } from './z.ts'
import { auditEntry } from './audit.ts'
import { id } from './common.ts'
import { at } from './define-endpoint.ts'
import { policies, policiesEdit, policiesEffect, policiesInForce } from './policies.ts'

const calcDescription = z.object({
  group: z.string(),
  formula: z.string(),
  id: z.string(),
  title: z.string(),
  basis: z.array(z.unknown()),
  input: z.record(z.string(), z.unknown()),
  output: z.record(z.string(), z.unknown()),
  example: z.record(z.string(), z.unknown()),
})
const calcId = z.strictObject({ id: z.string().max(60) })

/** Limits and policies, what was changed by whom, and the calculators. */
export const policyEndpoints = {
  policies: at('policies', {
    role: 'viewer',
    summary: 'Limits and policies in force',
    response: policiesInForce,
  }),
  policiesEffect: at('policiesEffect', {
    role: 'lead',
    summary: 'Which machines would change level under other limits; nothing is saved',
    body: z.strictObject({ policies: policies }),
    response: policiesEffect,
  }),
  editPolicies: at('editPolicies', {
    role: 'lead',
    confirmed: true,
    summary: 'Change limits; all results are updated',
    body: policiesEdit,
    response: policiesInForce,
  }),
  audit: at('audit', {
    role: 'viewer',
    summary: 'Who changed what, newest first',
    query: z.strictObject({
      entity: z.string().max(40).optional(),
      id: id.optional(),
      limit: z.coerce.number().int().min(1).max(200).default(50),
    }),
    response: z.array(auditEntry),
  }),

  calculators: at('calculators', {
    role: 'viewer',
    summary: 'The calculators with their schemas',
    response: z.array(calcDescription),
  }),
  calculate: at('calculate', {
    role: 'viewer',
    summary: 'Run a calculator',
    params: calcId,
    body: z.record(z.string(), z.unknown()),
    response: z.record(z.string(), z.unknown()),
  }),
}
