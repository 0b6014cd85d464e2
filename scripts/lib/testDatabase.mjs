// The database of the tests and benches: a cluster of its own in a temporary folder, gone afterwards.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { discardCluster } from './cluster.mjs'
import { startPostgres } from './postgres.mjs'

/** `durable: false` trades safety of the data for speed; benches keep it safe, so that figures are honest. */
export async function withTestDatabase(work, { durable = false } = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'fernbrake-tests-'))
  const fast = durable ? [] : ['fsync=off', 'synchronous_commit=off', 'full_page_writes=off']
  const postgres = await startPostgres(folder, fast)
  // A bench kills it on the way.
  if (durable) await postgres.keepRunning(() => undefined)
  const env = { FERNBRAKE_TEST_DATABASE_URL: postgres.url('postgres') }
  try {
    return await work(env)
  } finally {
    await postgres.stop()
    discardCluster(postgres.folder)
    rmSync(folder, { recursive: true, force: true })
  }
}
