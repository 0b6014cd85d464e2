// A page with nothing but a <video> of the demo's lecture, served as if by the server itself: what a page of ours is compared with.
import { once } from 'node:events'
import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { LECTURE_LINK } from '@fernbrake/demo'

const FILM = '/api/media/water-budget-film/files/playable'
export const BARE = '/bare-video-page'

/**
 * The headers that the server gives its pages. Some of them have the browser begin a new process when it comes from a page
 * without them, whatever the page; so the bare page gets them too, or that would be counted as ours.
 */
async function pageHeaders(target: string): Promise<[string, string][]> {
  const { headers } = await fetch(`${target}/open/${LECTURE_LINK}`)
  const ofTheBody = /^(content-length|content-encoding|transfer-encoding|connection|keep-alive)$/
  return [...headers].filter(([name]) => !ofTheBody.test(name))
}

/** Passes everything on to the server, but answers the bare page itself, so that both pages travel the same way. */
export async function startFront(target: string): Promise<{ url: string; close(): void }> {
  const bareHeaders = new Map(await pageHeaders(target))
  const front = createServer((incoming, outgoing) => {
    if (incoming.url === BARE)
      return void outgoing
        .setHeaders(bareHeaders)
        .end(`<!doctype html><video src="${FILM}" preload="auto" muted></video>`)
    const { method, headers } = incoming
    const onward = request(target + incoming.url, { method, headers }, (answer) => {
      outgoing.writeHead(answer.statusCode!, answer.headers)
      answer.pipe(outgoing)
    })
    onward.on('error', () => outgoing.destroy())
    outgoing.on('close', () => onward.destroy())
    incoming.pipe(onward)
  }).listen(0, '127.0.0.1')
  await once(front, 'listening')
  const close = () => void front.close()
  return { url: `http://127.0.0.1:${(front.address() as AddressInfo).port}`, close }
}
