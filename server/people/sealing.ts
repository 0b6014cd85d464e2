// What has to be read again, but not by whoever gets hold of the database alone: sealed with the server's own secret.
import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto'
import type { Sealing } from '../context.ts'

const NONCE_BYTES = 12
const TAG_BYTES = 16

/** AES-256-GCM under a key made from the secret for this purpose alone (HKDF, RFC 5869). */
export function createSealing(secret: string): Sealing {
  const key = Buffer.from(hkdfSync('sha256', secret, '', 'fernbrake sign-in cards', 32))
  return {
    seal(text) {
      const nonce = randomBytes(NONCE_BYTES)
      const cipher = createCipheriv('aes-256-gcm', key, nonce)
      const body = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()])
      return Buffer.concat([nonce, cipher.getAuthTag(), body])
    },
    open(sealed) {
      try {
        const decipher = createDecipheriv('aes-256-gcm', key, sealed.subarray(0, NONCE_BYTES))
        decipher.setAuthTag(sealed.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES))
        const body = decipher.update(sealed.subarray(NONCE_BYTES + TAG_BYTES))
        return Buffer.concat([body, decipher.final()]).toString('utf8')
      } catch {
        return null
      }
    },
  }
}
