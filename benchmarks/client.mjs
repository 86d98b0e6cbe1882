import { signInAs } from '../scripts/lib/sign-in.mjs'

/** A signed-in lead on a running server, on fetch. */
export async function lead(base) {
  const { cookie, csrf } = await signInAs(base, 'vale')
  const call = async (method, path, body, type = 'application/octet-stream') => {
    const r = await fetch(`${base}/api/v1${path}`, {
      method,
      headers: { cookie, 'x-csrf-token': csrf, ...(body === undefined ? {} : { 'content-type': type }) },
      ...(body === undefined ? {} : { body, duplex: 'half' }),
    })
    const json = await r.json()
    if (!r.ok) throw new Error(`${method} ${path}: ${JSON.stringify(json)}`)
    return json
  }
  return { call, cookie }
}

/** The value below which a share of the list lies. */
export const quantile = (list, share) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))]

/** A page of that lead in a browser. */
export async function openPage(browser, base, cookie, viewport) {
  const context = await browser.newContext({ viewport })
  const [name, value] = cookie.split('=')
  await context.addCookies([{ name, value, url: base }])
  return context.newPage()
}
