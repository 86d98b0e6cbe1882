import zxcvbn from 'zxcvbn'
import { fieldProblem } from '../http/problem.ts'

/** Beyond this the guess is no easier, and the look at it takes long. */
const looked = 64
/** Of four: below it a list of passwords that leaked, names, dates and rows of keys find it in hours. */
const least = 2

/**
 * A password that others use, or that is made of the person's own names, is none.
 * @param own words that anybody knows of the person
 * @throws HttpProblem 422 at the field
 */
export function refuseWeak(path: string, password: string, own: readonly string[]): void {
  const words = [...own, 'motor', 'round', 'motorround', 'password']
  if (zxcvbn(password.slice(0, looked), words).score < least)
    throw fieldProblem(path, 'is too easy to guess. Take four words that have nothing to do with each other')
}
