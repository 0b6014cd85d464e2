// What all processes of one run of the browser tests share.
import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

// The first process names the run; its workers find the name in their environment.
process.env.FERNBRAKE_E2E_RUN ??= `${process.pid}_${Date.now()}`

/** Where the demo lies once it is loaded: its database, its folder, and the file that says that all of it is there. */
export function demoOfRun(): { name: string; dataFolder: string; whole: string } {
  const run = process.env.FERNBRAKE_E2E_RUN!
  const dataFolder = join(tmpdir(), `fernbrake-e2e-demo-${run}`)
  return { name: `e2e_demo_${run}`, dataFolder, whole: join(dataFolder, 'whole') }
}

/** At the end of a run. The databases go with their server. */
export default function clearAway(): void {
  rmSync(demoOfRun().dataFolder, { recursive: true, force: true })
}
