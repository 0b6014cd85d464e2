// Working on the server as the demo's designer without a browser, for the benches.
import { UPLOADS_PATH, type Media } from '@fernbrake/core/contract'
import { DEMO_PASSWORD } from '@fernbrake/server'

const ASK_EVERY_MS = 100
const TUS = { 'Tus-Resumable': '1.0.0' }
const JSON_TYPE = { 'Content-Type': 'application/json' }

/** Signs in; answers with the cookie to send along. */
export async function signedInCookie(url: string): Promise<string> {
  const signedIn = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: JSON_TYPE,
    body: JSON.stringify({ email: 'designer@harrowmere.example', password: DEMO_PASSWORD }),
  })
  return signedIn.headers.get('set-cookie')!.split(';')[0]!
}

/** Sends JSON and wants it taken. */
export async function sendJson(
  cookie: string,
  method: 'POST' | 'PATCH',
  address: string,
  body: unknown,
): Promise<unknown> {
  const headers = { ...JSON_TYPE, Cookie: cookie }
  const reply = await fetch(address, { method, headers, body: JSON.stringify(body) })
  if (!reply.ok) throw new Error(`${method} ${address}: ${reply.status} ${await reply.text()}`)
  return reply.json()
}

/** Puts a film in and waits until nothing is under way; `preparedMs` counts from its last byte on. */
export async function putFilm(
  url: string,
  cookie: string,
  film: Buffer,
): Promise<{ media: Media; preparedMs: number }> {
  const begun = await fetch(`${url}${UPLOADS_PATH}`, {
    method: 'POST',
    headers: { ...TUS, Cookie: cookie, 'Upload-Length': String(film.length) },
  })
  const location = new URL(begun.headers.get('location')!, url)
  await fetch(location, {
    method: 'PATCH',
    headers: {
      ...TUS,
      Cookie: cookie,
      'Upload-Offset': '0',
      'Content-Type': 'application/offset+octet-stream',
    },
    body: new Uint8Array(film),
  })
  const began = performance.now()
  const address = `${url}/api/media/${location.pathname.split('/').at(-1)!}`
  for (;;) {
    const media = (await (await fetch(address, { headers: { Cookie: cookie } })).json()) as Media
    if (media.state === 'failed') throw new Error('The film could not be prepared')
    const isDone = media.jobs.length > 1 && media.jobs.every((job) => job.state === 'done')
    if (isDone) return { media, preparedMs: performance.now() - began }
    await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS))
  }
}
