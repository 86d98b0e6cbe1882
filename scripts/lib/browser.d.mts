import type { Browser, LaunchOptions } from '@playwright/test'

export declare const launchOptions: LaunchOptions
export declare const openBrowser: () => Promise<Browser>
