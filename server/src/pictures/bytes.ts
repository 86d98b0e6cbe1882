import { fieldProblem } from '../http/problem.ts'

const marks = {
  'image/jpeg': [0xff, 0xd8, 0xff],
  'image/png': [0x89, 0x50, 0x4e, 0x47],
  'image/webp': [0x52, 0x49, 0x46, 0x46],
} as const

/** The bytes of a picture that was sent. @throws a field problem when they are not of the kind they are said to be */
export function bytesOf(sent: { readonly type: keyof typeof marks; readonly bytes: string }): Buffer {
  const bytes = Buffer.from(sent.bytes, 'base64')
  if (!marks[sent.type].every((b, i) => bytes[i] === b)) throw fieldProblem('bytes', `is not ${sent.type}`)
  return bytes
}
