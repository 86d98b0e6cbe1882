/** Longest side of a picture that is kept, pixels, and how hard it is pressed. */
const side = 1280
const quality = 0.72

/** A picture as it is sent: JPEG in base64, and its size in pixels. */
export interface Shrunk {
  readonly bytes: string
  readonly width: number
  readonly height: number
}

/** Shrink a picture on the phone. @throws Error when it is no picture */
export async function shrink(file: Blob): Promise<Shrunk> {
  let image: ImageBitmap
  try {
    image = await createImageBitmap(file, { imageOrientation: 'from-image' })
  } catch {
    throw new Error('This phone cannot read that photo.')
  }
  const scale = Math.min(1, side / Math.max(image.width, image.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(image.width * scale))
  canvas.height = Math.max(1, Math.round(image.height * scale))
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  image.close()
  const bytes = canvas.toDataURL('image/jpeg', quality).split(',')[1] ?? ''
  return { bytes, width: canvas.width, height: canvas.height }
}
