import { chromium as type } from '@playwright/test'
import { chromium } from './packages.mjs'

/** How Debian's Chromium is started for tests, pictures and measurements: alone, and quiet on the network. */
export const launchOptions = {
  // Looked up when one is started: it may have been installed since this file was read.
  get executablePath() {
    return process.env.CHROMIUM ?? chromium() ?? '/usr/bin/chromium'
  },
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
