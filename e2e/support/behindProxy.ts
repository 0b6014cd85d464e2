import { createServer, request, type Server } from 'node:http'
import { once } from 'node:events'
import type { AddressInfo } from 'node:net'

/**
 * The application as it stands behind a proxy. With `secure` the proxy says that people reach it by HTTPS, which is
 * what cookies hang on; browsers take a loopback address for as safe. Answers with the proxy and its origin.
 */
export async function behindProxy(
  url: string,
  secure: boolean,
): Promise<{ origin: string; proxy: Server }> {
  const { hostname, port } = new URL(url)
  const proxy = createServer((asked, answer) => {
    const headers = {
      ...asked.headers,
      'x-forwarded-host': asked.headers.host,
      'x-forwarded-proto': secure ? 'https' : 'http',
    }
    const { method, url: path } = asked
    const onward = request({ hostname, port, path, method, headers }, (got) => {
      answer.writeHead(got.statusCode!, got.headers)
      got.pipe(answer)
    })
    onward.on('error', () => answer.destroy())
    asked.pipe(onward)
  }).listen(0, '127.0.0.1')
  await once(proxy, 'listening')
  return { origin: `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`, proxy }
}
