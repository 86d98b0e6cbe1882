import { chromium as type } from '@playwright/test'

/** How Debian's Chromium is started for tests, pictures and measurements: alone, and quiet on the network. */
export const launchOptions = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}

export const openBrowser = () => type.launch(launchOptions)
