// Debian packages that Fernbrake needs: found by the program they bring, installed when they are missing.
import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, readdirSync } from 'node:fs'
import { giveUp, say } from './say.mjs'

const POSTGRES_HOME = '/usr/lib/postgresql'

/** The newest installed PostgreSQL's folder of programs, or null. */
export function postgresPrograms() {
  if (!existsSync(POSTGRES_HOME)) return null
  const versions = readdirSync(POSTGRES_HOME)
    .filter((version) => existsSync(`${POSTGRES_HOME}/${version}/bin/postgres`))
    .sort((a, b) => Number(b) - Number(a))
  return versions.length > 0 ? `${POSTGRES_HOME}/${versions[0]}/bin` : null
}

const NEEDED = {
  postgresql: () => postgresPrograms() !== null,
  ffmpeg: () => existsSync('/usr/bin/ffmpeg') && existsSync('/usr/bin/ffprobe'),
  'fonts-dejavu-core': () => existsSync('/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf'),
  'poppler-utils': () => existsSync('/usr/bin/pdftoppm') && existsSync('/usr/bin/pdfinfo'),
  chromium: () => existsSync('/usr/bin/chromium'),
  'chromium-headless-shell': () => existsSync('/usr/bin/chromium-headless-shell'),
}

/** Installs what is missing, as root or through sudo; otherwise says exactly what to install, and stops. */
export function needPackages(names) {
  const missing = names.filter((name) => !NEEDED[name]())
  if (missing.length === 0) return
  const prefix = asRoot()
  if (prefix === null)
    giveUp(
      `Fernbrake needs these Debian packages: ${missing.join(', ')}.\nInstall them as root: apt-get install ${missing.join(' ')}`,
    )
  say(`Installing Debian packages: ${missing.join(', ')}`)
  const run = (args) =>
    spawnSync([...prefix, 'apt-get', ...args][0], [...prefix, 'apt-get', ...args].slice(1), {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    }).status === 0
  run(['update', '-q'])
  if (!run(['install', '-y', '-q', '--no-install-recommends', ...missing]))
    giveUp(`The Debian packages could not be installed. Install them by hand: ${missing.join(' ')}`)
}

function asRoot() {
  if (process.getuid() === 0) return []
  try {
    execFileSync('sudo', ['-n', 'true'], { stdio: 'ignore' })
    return ['sudo', '-n', '--preserve-env=DEBIAN_FRONTEND']
  } catch {
    return null
  }
}
