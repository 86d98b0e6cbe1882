import sharp, { type Color } from 'sharp'

/** A small photo, base64. */
export async function photo(
  background: Color = '#567',
  format: 'jpeg' | 'png' | 'webp' = 'jpeg',
  size: { readonly width: number; readonly height: number } = { width: 8, height: 6 },
): Promise<string> {
  const bytes = await sharp({ create: { ...size, channels: 3, background } })
    .toFormat(format)
    .toBuffer()
  return bytes.toString('base64')
}
