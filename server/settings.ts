// What the server is told from outside: environment variables, read once.
import { randomBytes } from 'node:crypto'
import { isIP } from 'node:net'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

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
    filmHostPort: filmHostPort(environment),
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

function filmHostPort({ FERNBRAKE_PORT, FERNBRAKE_FILM_HOST }: NodeJS.ProcessEnv): number | null {
  if (FERNBRAKE_FILM_HOST === 'no') return null
  return Number(FERNBRAKE_FILM_HOST ?? Number(FERNBRAKE_PORT ?? 4310) + 5)
}

function keptSecret(path: string): string {
  if (!existsSync(path)) writeFileSync(path, randomBytes(32).toString('hex'), { mode: 0o600 })
  return readFileSync(path, 'utf8').trim()
}
