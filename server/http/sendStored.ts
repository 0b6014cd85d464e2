// Answers a request with what lies in the store of media.
import type { Response } from 'express'

/** Sends the bytes under a key, ranges included. */
export const sendStored = (
  store: { pathTo(key: string): string },
  { storageKey, contentType }: { storageKey: string; contentType: string },
  response: Response,
): Promise<void> => sendFile(store.pathTo(storageKey), contentType, response)

function sendFile(path: string, contentType: string, response: Response): Promise<void> {
  return new Promise((resolveSent, reject) => {
    const headers = {
      'Content-Type': contentType,
      'Cache-Control': 'private, max-age=31536000, immutable',
    }
    response.sendFile(path, { headers, dotfiles: 'allow', cacheControl: false }, (error) => {
      // A viewer who seeks or leaves ends the transfer early; that is not a fault.
      const code = (error as NodeJS.ErrnoException | undefined)?.code
      const isUnfit = (error as { status?: number } | undefined)?.status === 416
      if (!error || code === 'ECONNABORTED' || code === 'EPIPE') resolveSent()
      else if (isUnfit && !response.headersSent) resolveSent(void response.status(416).end())
      else reject(error)
    })
  })
}
