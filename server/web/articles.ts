// The main text of a page of the web, for a page of a lesson.
import type { ArticleFound, contract, ReplyOf } from '@fernbrake/core/contract'
import { decodeText } from '@fernbrake/core/fields'
import type { Context } from '../context.ts'
import { createThread, TookTooLong } from '../threads/threads.ts'
import type { ArticleWish } from './article.worker.ts'
import { PrivateAddress } from './askPublic.ts'
import { readPublic } from './readPublic.ts'

const MOST_BYTES = 5_000_000
const LIMIT_MS = 15_000
/** So long a page may be thought about, from when its turn has come. */
const THINKING_LIMIT_MS = 20_000

const readInThread = createThread<ArticleWish, ArticleFound | null>(
  new URL('./article.worker.ts', import.meta.url),
  THINKING_LIMIT_MS,
)

/** What can be read at an address; never throws for what is there. */
export async function readArticleAt(
  { mayAskAddress, log }: Pick<Context, 'mayAskAddress' | 'log'>,
  address: string,
): Promise<ReplyOf<(typeof contract)['readArticle']>> {
  const reading = { mayAsk: mayAskAddress, mostBytes: MOST_BYTES, limitMs: LIMIT_MS }
  const found = await readPublic(address, { ...reading, accept: 'text/html' }).catch(
    (error: unknown) => (error instanceof PrivateAddress ? 'private' : 'away'),
  )
  if (typeof found === 'string') return { finding: found as 'private' | 'away', article: null }
  const html = htmlOf(found)
  if (html === null) return { finding: 'noText', article: null }
  try {
    const article = await readInThread({ html, address: found.address })
    return article ? { finding: 'found', article } : { finding: 'noText', article: null }
  } catch (error) {
    log.warn({ err: error as Error }, 'a page could not be read')
    return { finding: error instanceof TookTooLong ? 'tooLong' : 'noText', article: null }
  }
}

/** The page as text, in the encoding that it says it is in; null for what is none. */
function htmlOf({ bytes, contentType }: { bytes: Buffer; contentType: string }): string | null {
  if (!/^\s*(text\/html|application\/xhtml|$)/i.test(contentType)) return null
  const start = bytes.subarray(0, 4096).toString('latin1')
  const [, said] = /charset=["']?([\w-]+)/i.exec(`${contentType} ${start}`) ?? []
  try {
    return said ? new TextDecoder(said).decode(bytes) : decodeText(bytes)
  } catch {
    return decodeText(bytes)
  }
}
