// Draws presentations with LibreOffice, where it is installed: in a home of its own for each call, in which no macro runs and
// nothing that a presentation names elsewhere is fetched; argument arrays, never a shell; limits of time and memory.
import { spawn } from 'node:child_process'
import { access, constants, mkdir, readFile, writeFile } from 'node:fs/promises'
import { delimiter, join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { unzip, type Unzipped } from 'fflate'
import { isForNotes, LONGEST_SLIDE_XML, notesOf } from '@fernbrake/core/formats'

const LONGEST_CALL_MS = 4 * 60_000
const MOST_MEMORY_BYTES = 6 * 1024 ** 3
/** All files of a package that are read for its notes, unpacked. */
const MOST_XML_BYTES = 60_000_000

export class OfficeError extends Error {}

/** Where LibreOffice is: at `named`, or where programs are; null where it is not installed. */
export async function findOffice(named: string | null): Promise<string | null> {
  const places = (process.env.PATH ?? '').split(delimiter).filter(Boolean)
  for (const path of named === null ? places.map((place) => join(place, 'soffice')) : [named]) {
    const isThere = await access(path, constants.X_OK).then(
      () => true,
      () => false,
    )
    if (isThere) return path
  }
  return null
}

const setting = (path: string, name: string, value: string) =>
  `<item oor:path="/org.openoffice.Office.Common/${path}"><prop oor:name="${name}" oor:op="fuse"><value>${value}</value></prop></item>`
/** Of the program's own settings, those that keep it from doing anything but drawing. */
const SETTINGS = `<?xml version="1.0" encoding="UTF-8"?>
<oor:items xmlns:oor="http://openoffice.org/2001/registry">
${setting('Security/Scripting', 'DisableMacrosExecution', 'true')}
${setting('Security/Scripting', 'MacroSecurityLevel', '3')}
${setting('Security/Scripting', 'BlockUntrustedRefererLinks', 'true')}
${setting('Security/Scripting', 'DisableActiveContent', 'true')}
</oor:items>
`
/** Whatever asks for something elsewhere all the same, asks nobody. */
const NO_WAY_OUT = 'http://127.0.0.1:9'

/** Writes the slides of a presentation that are shown as a PDF into `folder`; answers with its path. */
export async function slidesToPdf(office: string, input: string, folder: string): Promise<string> {
  const [home, output] = [join(folder, 'office'), join(folder, 'slides')]
  await mkdir(join(home, 'user'), { recursive: true })
  await writeFile(join(home, 'user', 'registrymodifications.xcu'), SETTINGS)
  const limits = [`--as=${MOST_MEMORY_BYTES}`, '--core=0', office]
  const own = [`-env:UserInstallation=${pathToFileURL(home).href}`, '--headless', '--norestore']
  const wanted = ['--convert-to', 'pdf:impress_pdf_Export', '--outdir', output, input]
  await call('prlimit', limits.concat(own, wanted), home)
  const name = input
    .split('/')
    .at(-1)!
    .replace(/\.[^.]*$/, '')
  const path = join(output, `${name}.pdf`)
  await access(path).catch(() => {
    throw new OfficeError('No PDF came of it')
  })
  return path
}

function call(program: string, args: string[], home: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const proxies = { http_proxy: NO_WAY_OUT, https_proxy: NO_WAY_OUT, ftp_proxy: NO_WAY_OUT }
    const child = spawn(program, args, {
      stdio: ['ignore', 'ignore', 'pipe'],
      // It begins programs of its own, which end with it.
      detached: true,
      env: { PATH: process.env.PATH, HOME: home, LANG: 'C.UTF-8', ...proxies },
    })
    const end = () => {
      try {
        process.kill(-child.pid!, 'SIGKILL')
      } catch {
        // It is gone already.
      }
    }
    const limit = setTimeout(end, LONGEST_CALL_MS)
    process.once('exit', end)
    let complaint = ''
    child.stderr.on('data', (chunk: Buffer) => {
      complaint = (complaint + chunk.toString()).slice(-2000)
    })
    child.on('error', reject)
    child.on('close', (code) => {
      clearTimeout(limit)
      process.off('exit', end)
      end()
      if (code === 0) resolve()
      else reject(new OfficeError(`It ended with ${code}: ${complaint}`))
    })
  })
}

/** The notes of each slide that is shown; null where they cannot be read. */
export async function readNotes(path: string): Promise<string[] | null> {
  const packed = await readFile(path)
  let left = MOST_XML_BYTES
  const files = await new Promise<Unzipped>((resolve, reject) => {
    const filter = ({ name, originalSize }: { name: string; originalSize: number }) =>
      isForNotes(name) && originalSize <= LONGEST_SLIDE_XML && (left -= originalSize) >= 0
    unzip(packed, { filter }, (error, unpacked) => (error ? reject(error) : resolve(unpacked)))
  }).catch(() => null)
  if (!files) return null
  const decoder = new TextDecoder()
  return notesOf(new Map(Object.entries(files).map(([name, of]) => [name, decoder.decode(of)])))
}
