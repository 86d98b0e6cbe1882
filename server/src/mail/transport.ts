import { mkdir, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { createTransport } from 'nodemailer'
import type { Config } from '../config.ts'

export interface Letter {
  readonly id: string
  readonly to: string
  readonly subject: string
  readonly body: string
  readonly attachments: readonly { readonly name: string; readonly base64: string }[]
}

/** A way for e-mails to leave. */
export interface Transport {
  readonly way: 'smtp' | 'file' | 'no'
  /** @throws Error when it could not be handed over */
  readonly send: (letter: Letter) => Promise<void>
}

const shaped = (from: string, letter: Letter) => ({
  // The same letter sent twice is the same letter for who receives it.
  messageId: `<${letter.id}@motor-round>`,
  from,
  to: letter.to,
  subject: letter.subject,
  text: letter.body,
  attachments: letter.attachments.map((a) => ({ filename: a.name, content: a.base64, encoding: 'base64' })),
})

/** Every e-mail a file of its own, named by its id: sent twice it is one file. */
function toFolder(folder: string, from: string): Transport {
  const shape = createTransport({ streamTransport: true, buffer: true, newline: 'unix' })
  return {
    way: 'file',
    send: async (letter) => {
      const { message } = await shape.sendMail(shaped(from, letter))
      if (!Buffer.isBuffer(message)) throw new Error('the e-mail could not be written')
      await mkdir(folder, { recursive: true })
      const name = join(folder, `${letter.id}.eml`)
      await writeFile(`${name}.part`, message, { mode: 0o600 })
      await rename(`${name}.part`, name)
    },
  }
}

/** The transport of the settings: a mail server, a folder, or none. */
export function transportOf({ SMTP_URL, MAIL_DIR, MAIL_FROM }: Config): Transport {
  if (SMTP_URL !== undefined) {
    const smtp = createTransport({ url: SMTP_URL, connectionTimeout: 10_000, socketTimeout: 20_000 })
    return {
      way: 'smtp',
      send: async (letter) => {
        await smtp.sendMail(shaped(MAIL_FROM, letter))
      },
    }
  }
  if (MAIL_DIR !== undefined) return toFolder(MAIL_DIR, MAIL_FROM)
  return { way: 'no', send: () => Promise.reject(new Error('e-mail is not set up on this server')) }
}
