// A program for tests: keeps its thread busy for as long as is wished, in ms, and says so.
import { serveThread } from './threads.ts'

serveThread((ms: number) => {
  const end = performance.now() + ms
  while (performance.now() < end);
  return Promise.resolve(`busy for ${ms}`)
})
