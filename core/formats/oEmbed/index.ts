// oEmbed 1.0 (oembed.com): how a page of a video host says by which address its film plays inside other pages.
import { z } from 'zod'
import { addressMeant, addressSchema, cutText, webAddress } from '../../fields/index.ts'

/** So much of a page is looked through for its link, in characters. */
const LOOKED_THROUGH = 500_000

/** A film that stays with its host, as the host describes it. Texts are cleaned, addresses are whole. */
export interface HostedFilm {
  /** The page that plays it in a frame. */
  player: string
  title: string
  author: string
  host: string
  width: number
  height: number
  /** A still of it; null where there is none. */
  picture: string | null
}

const size = z.coerce.number().int().min(16).max(20_000)
/** Hosts add to it what they like, so unknown keys are passed over here. */
const replySchema = z.object({
  type: z.literal('video'),
  html: z.string().max(20_000),
  width: size.catch(960),
  height: size.catch(540),
  title: z.string().catch(''),
  author_name: z.string().catch(''),
  provider_name: z.string().catch(''),
  thumbnail_url: z.string().nullable().catch(null),
})

/** Where a page says that its description lies; null where it says nothing. */
export function oEmbedAddress(html: string, pageAddress: string): string | null {
  for (const [tag] of html.slice(0, LOOKED_THROUGH).matchAll(/<link\b[^>]{0,4000}>/gi)) {
    const read = (name: string) => {
      const found = new RegExp(`\\s${name}\\s*=\\s*(?:"([^"]*)"|'([^']*)'|([^\\s"'>]+))`, 'i').exec(
        tag,
      )
      return found ? (found[1] ?? found[2] ?? found[3]!) : ''
    }
    const rel = read('rel').toLowerCase().split(/\s+/)
    if (!rel.includes('alternate') || read('type').toLowerCase() !== 'application/json+oembed')
      continue
    return webAddress(read('href').replaceAll('&amp;', '&'), pageAddress)
  }
  return null
}

/** Reads a host's description, which was found at `address`; null where it describes no film in a frame. */
export function readOEmbed(json: string, address: string): HostedFilm | null {
  const reply = replySchema.safeParse(parsed(json))
  if (!reply.success) return null
  const { html, width, height, title, author_name, provider_name, thumbnail_url } = reply.data
  const player = webAddress(addressMeant(html), address)
  if (!player || !addressSchema.safeParse(player).success || !/<iframe\b/i.test(html)) return null
  const short = (words: string) => cutText(words.trim(), 200)
  return {
    player,
    width,
    height,
    title: short(title),
    author: short(author_name),
    host: short(provider_name),
    picture: thumbnail_url === null ? null : webAddress(thumbnail_url, address),
  }
}

function parsed(json: string): unknown {
  try {
    return JSON.parse(json)
  } catch {
    return null
  }
}
