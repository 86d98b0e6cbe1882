import type { z } from 'zod'

type Issue = Parameters<NonNullable<NonNullable<Parameters<typeof z.config>[0]>['customError']>>[0]

/** What a field has to be, by what a schema calls it. */
const kinds: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no',
  array: 'a list',
  object: 'a group of fields',
  record: 'a group of fields',
  date: 'a date',
}
const forms: Readonly<Record<string, string>> = {
  uuid: 'an id',
  email: 'an e-mail address',
  url: 'a web address',
  datetime: 'a date and time such as 2026-03-14T09:30:00Z',
  date: 'a date such as 2026-03-14',
  time: 'a time such as 09:30',
}

/** Of what there may be so many. */
const counted = (issue: { origin: string }, n: number | bigint): string =>
  issue.origin === 'string'
    ? `${n} ${n === 1 ? 'character' : 'characters'}`
    : issue.origin === 'array' || issue.origin === 'set'
      ? `${n} of them`
      : String(n)

const values = (list: readonly unknown[]): string => list.map(String).join(', ')

/** Of values that are listed one by one, which they are. */
function ofUnion(errors: readonly (readonly z.core.$ZodIssue[])[]): string {
  const listed = errors.flat().flatMap((i) => (i.code === 'invalid_value' ? i.values : []))
  return listed.length > 0 && listed.length === errors.length
    ? `must be one of ${values(listed)}`
    : 'is not allowed here'
}

/**
 * What is wrong with a value, for a person who sees it at its field. A schema that has words of its own is told by those.
 * @returns undefined where nothing better is known than what the library says
 */
export function plainError(issue: Issue): string | undefined {
  switch (issue.code) {
    case 'invalid_type':
      if (issue.input === undefined || issue.input === null) return 'is missing'
      return `must be ${kinds[issue.expected] ?? 'another kind of value'}`
    case 'too_small':
      if (issue.exact) return `exactly ${counted(issue, issue.minimum)}`
      if (issue.origin === 'string' && issue.minimum === 1) return 'is missing'
      return `${issue.inclusive === false ? 'more than' : 'at least'} ${counted(issue, issue.minimum)}`
    case 'too_big':
      if (issue.exact) return `exactly ${counted(issue, issue.maximum)}`
      return `${issue.inclusive === false ? 'less than' : 'at most'} ${counted(issue, issue.maximum)}`
    case 'invalid_format':
      return forms[issue.format] === undefined
        ? 'is not written in a form that is known'
        : `is not ${forms[issue.format]}`
    case 'invalid_value':
      return issue.values.length === 1 ? `must be ${values(issue.values)}` : `must be one of ${values(issue.values)}`
    case 'unrecognized_keys':
      return `unknown: ${values(issue.keys)}`
    case 'invalid_union':
      return issue.input === undefined ? 'is missing' : ofUnion(issue.errors)
    case 'not_multiple_of':
      return `must be a multiple of ${issue.divisor}`
    case 'invalid_key':
    case 'invalid_element':
      return 'holds something that does not belong there'
    case 'custom':
      return 'is not possible'
  }
}
