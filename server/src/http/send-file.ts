import type { Response } from 'express'

/** Answer with a file that is saved under a name. What is in it is people’s data: nobody between keeps it. */
export function sendFile(res: Response, type: string, name: string, body: Buffer | string): undefined {
  res
    .type(type)
    .set({ 'content-disposition': `attachment; filename="${name}"`, 'cache-control': 'no-store' })
    .send(body)
  return undefined
}
