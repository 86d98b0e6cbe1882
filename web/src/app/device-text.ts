/**
 * Keep a text in this device's own storage.
 * @returns false where the device refuses: it is full, or its browser keeps nothing. What is on the page is still there.
 */
export function keepOnDevice(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text)
    return true
  } catch {
    return false // told by whoever asked, beside what could not be kept
  }
}

/** What to tell where a device refuses to keep what is typed. */
export const notKeptWords =
  'This device is full: what you type is not kept. Save now, or free up space before you close this page.'
