// The beginning of a thread: what reads TypeScript in the process does not reach into its threads.
import { workerData } from 'node:worker_threads'
import { register } from 'tsx/esm/api'

register()
await import(workerData.program)
