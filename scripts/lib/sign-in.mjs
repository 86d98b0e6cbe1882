/**
 * Sign in someone of the demo, on fetch.
 * @param {string} base address of a running server
 * @param {string} login
 * @returns {Promise<{cookie: string, csrf: string}>} `cookie` as `name=value`
 */
export async function signInAs(base, login) {
  const answer = await fetch(`${base}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ login, password: `${login}-on-the-roof` }),
  })
  if (!answer.ok) throw new Error(`${login} cannot sign in: ${answer.status}`)
  const cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? ''
  const { csrf } = await answer.json()
  return { cookie, csrf }
}
