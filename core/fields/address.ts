// Addresses of the web that a lesson may name.
import { z } from 'zod'

/** A web address that a learner may be sent to: http or https, or a page of this server from `/` on; nothing else. */
export const addressSchema = z
  .string()
  .max(2000)
  .regex(/^(https?:\/\/[^\s/?#@\\]+([/?#]\S*)?|\/([^\s/\\][^\s\\]*)?)$/i, 'is no web address')

/** An address of the web alone, not a page of this server's own. */
export const webAddressSchema = addressSchema.regex(/^https?:/i, 'must begin with https: or http:')
export const isWebAddress = (words: string): boolean => webAddressSchema.safeParse(words).success

const ENTITIES: Record<string, string> = { '&amp;': '&', '&quot;': '"', '&#39;': "'" }

/**
 * The address that somebody means who types or pastes this: a bare name is meant the usual way, and of the code that
 * other sites give for embedding a page only the page is taken, none of the code.
 */
export function addressMeant(words: string): string {
  const text = words.trim()
  const frame = /<iframe\b[^>]*?\bsrc\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))/i.exec(text)
  const source = frame ? (frame[1] ?? frame[2] ?? frame[3]!) : text
  const address = source.replace(/&(?:amp|quot|#39);/g, (entity) => ENTITIES[entity]!).trim()
  if (address.startsWith('//')) return `https:${address}`
  return address === '' || /^([a-z]+:|\/)/i.test(address) ? address : `https://${address}`
}

/** Where a page opens: in the lesson, or, where it does not let itself be shown there, in a tab of its own. */
export const opensSchema = z.enum(['inside', 'newTab'])

export type Opens = z.infer<typeof opensSchema>
