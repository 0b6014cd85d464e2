// How long a caption file of the most lines takes to be read, in a thread of its own as the bench has it.
import { Worker } from 'node:worker_threads'
import { ROUNDS, type Figure } from './stating/figure.ts'

const CUES = 50_000

/** Reads the file that it is sent, again and again, and tells the ms of each round; the first is thrown away. */
const READING = `
  const { parentPort } = require('node:worker_threads')
  require('tsx/cjs')
  const { readCaptions } = require(${JSON.stringify(new URL('../../core/formats/index.ts', import.meta.url).pathname)})
  parentPort.on('message', (text) => {
    const times = Array.from({ length: ${ROUNDS} + 1 }, () => {
      const began = performance.now()
      const read = readCaptions(text)
      if (!read.ok || read.lines.length !== ${CUES}) throw new Error('not read')
      return performance.now() - began
    })
    parentPort.postMessage(times.slice(1))
  })
`
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 23)

function fileOfMany(): string {
  const cues = Array.from(
    { length: CUES },
    (_, at) =>
      `${at + 1}\n${clock(at * 1500)} --> ${clock(at * 1500 + 1400)}\nThe <i>upper</i> paddle &amp; gate, number ${at}\n`,
  )
  return `WEBVTT\n\n${cues.join('\n')}`
}

export async function measureCaptions(): Promise<Figure[]> {
  const text = fileOfMany()
  const worker = new Worker(READING, { eval: true })
  const rounds = await new Promise<number[]>((resolve, reject) => {
    worker.on('message', resolve).on('error', reject)
    worker.postMessage(text)
  })
  await worker.terminate()
  const began = performance.now()
  text.split('\n')
  const parted = performance.now() - began
  return [
    {
      id: 'captions.read',
      what: `A caption file of ${CUES} captions read, in a thread of its own`,
      unit: 'ms',
      rounds,
      aim: { most: 700 },
      limit: 'parting it into lines',
      isWork: true,
      reference: `parting it into lines ${parted.toFixed(0)} ms`,
    },
  ]
}
