import sharp from 'sharp'
import { fieldProblem } from '../http/problem.ts'

const formats = { 'image/jpeg': 'jpeg', 'image/png': 'png', 'image/webp': 'webp' } as const

/** As many points as a large camera has; a small file that unfolds to more is meant to do harm. */
const mostPoints = 50_000_000

/**
 * A picture that was sent, drawn anew: upright, and with nothing in it but what is seen, neither where it was taken nor what
 * somebody hid behind it.
 * @throws a field problem when it is not of the kind it is said to be, or no picture at all
 */
export async function redrawn(sent: { readonly type: keyof typeof formats; readonly bytes: string }): Promise<Buffer> {
  const format = formats[sent.type]
  const bytes = Buffer.from(sent.bytes, 'base64')
  if (bytes.length === 0) throw fieldProblem('bytes', `is not ${sent.type}`)
  const picture = sharp(bytes, { limitInputPixels: mostPoints, failOn: 'error' })
  const found = await picture.metadata().catch(() => null)
  if (found?.format !== format) throw fieldProblem('bytes', `is not ${sent.type}`)
  try {
    return await picture.rotate().toFormat(format, { quality: 85 }).toBuffer()
  } catch {
    throw fieldProblem('bytes', 'is a photo that cannot be read: take it again')
  }
}
