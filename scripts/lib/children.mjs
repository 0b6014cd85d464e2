// Programs that the start command runs, and those that a killed start command left behind.
import { spawn } from 'node:child_process'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { once } from 'node:events'

/** Runs a TypeScript program to its end; rejects with what it said when it fails. */
export async function runProgram(root, file, args, env, { quiet = false } = {}) {
  const child = spawn(process.execPath, ['--import', 'tsx', file, ...args], {
    cwd: root,
    env: { ...process.env, ...env },
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
  })
  const [code] = await once(child, 'exit')
  if (code !== 0) throw new Error(`${file} ended with ${code}`)
}

/** Whether a child process is over, however it ended: one that was killed has no exit code. */
export const hasEnded = ({ exitCode, signalCode }) => exitCode !== null || signalCode !== null

/** Notes the process id of the running server, so that the next start can end it if this one is killed. */
export function notePid(path, pid) {
  writeFileSync(path, String(pid))
}

/** By what a server of ours is known: as it is built, and as it is run while somebody works on it. */
const SERVERS = ['server/dist/main.mjs', 'server/main.ts']

/** Ends the server that a killed start command left running; only if that process really is one of ours. */
export async function endLeftover(path) {
  if (!existsSync(path)) return
  const pid = Number(readFileSync(path, 'utf8'))
  rmSync(path)
  const isOurs = () => SERVERS.some((sign) => commandOf(pid).includes(sign))
  if (!pid || !isOurs()) return
  process.kill(pid, 'SIGTERM')
  for (let tries = 0; tries < 100 && isOurs(); tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 50))
  if (isOurs()) process.kill(pid, 'SIGKILL')
}

/** The process that already runs `sign` with this data folder, or null. */
export function runningProcess(path, sign) {
  const pid = existsSync(path) ? Number(readFileSync(path, 'utf8')) : 0
  return pid && pid !== process.pid && commandOf(pid).includes(sign) ? pid : null
}

function commandOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8')
  } catch {
    return ''
  }
}
