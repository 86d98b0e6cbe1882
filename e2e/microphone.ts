import { rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { launchOptions } from '../scripts/lib/browser.mjs'
import { fixedNow, phone, signIn } from './world.ts'

/** A technician's phone whose microphone hears this sound, again and again. @param wav the bytes of a WAV file */
export async function hearing(
  wav: Uint8Array,
  baseURL: string | undefined,
  walk: (page: Page) => Promise<void>,
): Promise<void> {
  const file = join(tmpdir(), `motor-round-sound-${process.pid}-${Date.now()}.wav`)
  writeFileSync(file, wav)
  const browser = await chromium.launch({
    ...launchOptions,
    args: [
      ...(launchOptions.args ?? []),
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${file}`,
    ],
  })
  try {
    const context = await browser.newContext({ viewport: phone, ...(baseURL ? { baseURL } : {}) })
    const page = await context.newPage()
    await page.clock.setFixedTime(fixedNow)
    await signIn(page, 'okonjo')
    await walk(page)
  } finally {
    await browser.close()
    rmSync(file, { force: true })
  }
}
