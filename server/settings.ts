// What the server is told from outside: environment variables, read once.
import { randomBytes } from 'node:crypto'
import { isIP } from 'node:net'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { searchAddress } from '@fernbrake/core/formats'

export interface Settings {
  port: number
  /** The name or address to listen on; loopback unless said otherwise. */
  host: string
  databaseUrl: string
  /** So many connections to it are held at most, by each of two pools. */
  databaseConnections: number
  /** Where media, uploads and the session secret lie. */
  dataFolder: string
  sessionSecret: string
  /** Whether films are prepared in this process. */
  runsJobs: boolean
  logLevel: string
  /** Whether designers may have pages of the server's own network looked at, as a school's may be. */
  asksPrivateAddresses: boolean
  /**
   * The proxies in front of the server, whose word on who asks is taken: addresses and subnets, or `loopback`; or how many
   * stand in a row. None where nothing is said: then whoever connects is who asks.
   */
  trustedProxies: string[] | number
  /** So much the media of one person may take, in bytes. */
  mostOwnBytes: number
  /** Whether nothing new is stored, whatever room there is. */
  readOnly: boolean
  /** The loopback port of the stand-in film host, 0 for any that is free; null for none. */
  filmHostPort: number | null
  /** The loopback port of the stand-in archive, likewise. */
  archivePort: number | null
  /** Where LibreOffice is, which draws presentations: a path, `look` to look for it, or null for none. */
  office: string | null
  /** Archives that are asked for material, by templates of addresses (OpenSearch), besides the stand-ins. */
  archives: readonly string[]
}

/** Where stand-ins for pages of the web are served. */
export const STAND_IN_PAGES = '/stand-ins/pages'

export const REPOSITORY = resolve(dirname(fileURLToPath(import.meta.url)), '..')

/** Reads the settings; throws with a plain sentence where one is missing. */
export function readSettings(environment: NodeJS.ProcessEnv): Settings {
  const databaseUrl = environment.FERNBRAKE_DATABASE_URL
  if (!databaseUrl)
    throw new Error('FERNBRAKE_DATABASE_URL is not set; start Fernbrake with npm start.')
  const dataFolder = resolve(environment.FERNBRAKE_DATA ?? join(REPOSITORY, '.data'))
  mkdirSync(dataFolder, { recursive: true })
  return {
    port: Number(environment.FERNBRAKE_PORT ?? 4310),
    host: environment.FERNBRAKE_HOST ?? '127.0.0.1',
    databaseUrl,
    databaseConnections: 10,
    dataFolder,
    sessionSecret:
      environment.FERNBRAKE_SESSION_SECRET ?? keptSecret(join(dataFolder, 'session-secret')),
    runsJobs: environment.FERNBRAKE_JOBS !== 'elsewhere',
    logLevel: environment.FERNBRAKE_LOG ?? 'warn',
    asksPrivateAddresses: environment.FERNBRAKE_PRIVATE_PAGES === 'yes',
    trustedProxies: trustedProxies(environment.FERNBRAKE_TRUSTED_PROXIES ?? ''),
    mostOwnBytes: gigabytes(environment.FERNBRAKE_PERSON_GB ?? '200'),
    readOnly: environment.FERNBRAKE_READ_ONLY === 'yes',
    filmHostPort: standInPort(environment.FERNBRAKE_FILM_HOST, environment, 5),
    archivePort: standInPort(environment.FERNBRAKE_ARCHIVE, environment, 6),
    office: environment.FERNBRAKE_OFFICE === 'no' ? null : (environment.FERNBRAKE_OFFICE ?? 'look'),
    archives: archives(environment.FERNBRAKE_ARCHIVES ?? ''),
  }
}

function gigabytes(said: string): number {
  const number = Number(said)
  if (Number.isFinite(number) && number > 0) return number * 1024 ** 3
  throw new Error(`FERNBRAKE_PERSON_GB is “${said}”, which is no number of gigabytes.`)
}

const NAMED_SUBNETS = new Set(['loopback', 'linklocal', 'uniquelocal'])

/** Reads FERNBRAKE_TRUSTED_PROXIES; throws with a plain sentence where it names nothing that is an address. */
export function trustedProxies(said: string): string[] | number {
  if (/^\d{1,2}$/.test(said.trim())) return Number(said)
  const names = said.split(/[\s,]+/).filter((name) => name !== '')
  const wrong = names.find((name) => {
    const [address, bits, more] = name.split('/')
    const isSubnet = more === undefined && (bits === undefined || /^\d{1,3}$/.test(bits))
    return !NAMED_SUBNETS.has(name) && !(isSubnet && isIP(address!) !== 0)
  })
  if (wrong !== undefined)
    throw new Error(
      `FERNBRAKE_TRUSTED_PROXIES names “${wrong}”, which is no address, no subnet such as 10.0.0.0/8, not “loopback”, and no number of proxies.`,
    )
  return names
}

/** The port that is named, or the server's own and so many; null for none. */
function standInPort(
  named: string | undefined,
  { FERNBRAKE_PORT }: NodeJS.ProcessEnv,
  further: number,
): number | null {
  return named === 'no' ? null : Number(named ?? Number(FERNBRAKE_PORT ?? 4310) + further)
}

/** Reads FERNBRAKE_ARCHIVES; throws with a plain sentence where something in it cannot be asked. */
export function archives(said: string): string[] {
  const templates = said.split(/\s+/).filter((one) => one !== '')
  const wrong = templates.find(
    (one) => !/^https?:\/\//i.test(one) || searchAddress(one, 'words') === null,
  )
  if (wrong !== undefined)
    throw new Error(
      `FERNBRAKE_ARCHIVES names “${wrong}”, which is no address with {searchTerms} in it, or asks for something that is not known.`,
    )
  return templates
}

function keptSecret(path: string): string {
  if (!existsSync(path)) writeFileSync(path, randomBytes(32).toString('hex'), { mode: 0o600 })
  return readFileSync(path, 'utf8').trim()
}
