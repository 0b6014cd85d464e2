// Whether a page of the web lets itself be shown inside a lesson, from what its answer says.
// Sources: RFC 7034 (X-Frame-Options), Content Security Policy Level 3, 6.4.2 (frame-ancestors).
import { cutText } from '../fields/index.ts'

export interface PageAnswer {
  /** Where the answer came from in the end, after all redirections. */
  address: string
  /** Header names in lower case; a header that was sent several times has its values in a list. */
  headers: Readonly<Record<string, string | readonly string[] | undefined>>
}

/** What a sandboxed frame shows by itself; anything else would be a download or a grey box. */
const SHOWN_TYPES = /^(text\/(html|plain)|application\/xhtml\+xml|image\/)/i

/** Whether a lesson at `lessonOrigin`, such as `https://lessons.example`, can show this page in a frame. */
export function canBeFramed({ address, headers }: PageAnswer, lessonOrigin: string): boolean {
  const page = partsOf(address)
  const lesson = partsOf(lessonOrigin)
  // A page without encryption is not shown within one that is encrypted.
  if (lesson.protocol === 'https:' && page.protocol !== 'https:') return false
  if (!SHOWN_TYPES.test(valuesOf(headers['content-type'])[0] ?? 'text/html')) return false
  const ancestors = ancestorsOf(valuesOf(headers['content-security-policy']))
  // Where a policy names who may frame a page, browsers do not heed the older header.
  if (ancestors.length > 0)
    return ancestors.every((sources) => sources.some((source) => allows(source, lesson, page)))
  const older = valuesOf(headers['x-frame-options']).join(',').toLowerCase()
  if (older.includes('deny')) return false
  return !older.includes('sameorigin') || lesson.origin === page.origin
}

interface Origin {
  protocol: string
  hostname: string
  port: string
  /** All three in one, to be compared. */
  origin: string
}

const USUAL_PORT: Readonly<Record<string, string>> = { 'https:': '443', 'http:': '80' }

/** The origin of an http or https address. Core has no URL of the browser's or Node's. */
function partsOf(address: string): Origin {
  const match = /^([a-z]+:)\/\/(?:[^/?#@]*@)?(\[[^\]]+\]|[^/?#:]*)(?::(\d+))?/i.exec(address)
  const protocol = (match?.[1] ?? '').toLowerCase()
  const hostname = (match?.[2] ?? '').toLowerCase()
  const port = match?.[3] ?? USUAL_PORT[protocol] ?? ''
  return { protocol, hostname, port, origin: `${protocol}//${hostname}:${port}` }
}

const valuesOf = (value: string | readonly string[] | undefined) =>
  value === undefined ? [] : typeof value === 'string' ? [value] : [...value]

/** The sources of every frame-ancestors directive; several policies must all allow. */
function ancestorsOf(policies: readonly string[]): string[][] {
  return policies
    .flatMap((policy) => policy.split(','))
    .flatMap((policy) => {
      const directive = policy
        .split(';')
        .map((part) => part.trim().split(/\s+/))
        .find(([name]) => name?.toLowerCase() === 'frame-ancestors')
      return directive ? [directive.slice(1)] : []
    })
}

function allows(source: string, lesson: Origin, page: Origin): boolean {
  const wanted = source.toLowerCase()
  if (wanted === '*') return lesson.protocol === 'https:' || lesson.protocol === page.protocol
  if (wanted === "'self'") return lesson.origin === page.origin
  if (/^[a-z][a-z0-9+.-]*:$/.test(wanted)) return covers(wanted, lesson.protocol)
  const match = /^(?:([a-z][a-z0-9+.-]*:)\/\/)?(\*\.)?([^/:*]+)(?::(\d+|\*))?(?:\/.*)?$/.exec(
    wanted,
  )
  if (!match) return false
  const [, scheme, anySub, host, port] = match
  if (!covers(scheme ?? page.protocol, lesson.protocol)) return false
  if (anySub ? !lesson.hostname.endsWith(`.${host}`) : lesson.hostname !== host) return false
  return port === '*' || (port ?? USUAL_PORT[lesson.protocol]) === lesson.port
}

/** `http:` in a policy covers `https:` too. */
const covers = (scheme: string, actual: string) =>
  scheme === actual || (scheme === 'http:' && actual === 'https:')

/** The words of a page's title element, without tags and line ends; '' where there is none. */
export function titleOf(html: string): string {
  const found = /<title[^>]*>([^<]{0,500})/i.exec(html)?.[1] ?? ''
  return cutText(found.replace(/\s+/g, ' ').trim(), 200)
}
