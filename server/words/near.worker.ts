// Looks through the words of a language once, and ends.
import { readFile } from 'node:fs/promises'
import { parentPort, workerData } from 'node:worker_threads'
import { nearWords, wordsOf } from '@fernbrake/core/questions'
import type { NearWish } from './wordsNear.ts'

const { file, listed } = workerData as NearWish
const words = JSON.parse(await readFile(new URL(file), 'utf8')) as string[]
/** Accents are taken off only where there are any: that takes time, and most words have none. */
const compared = words.flatMap((word) => (/^[a-z]+$/.test(word) ? word : [...wordsOf([word])]))
parentPort!.postMessage(nearWords(new Set(listed), compared))
