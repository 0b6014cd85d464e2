// Looks through all words of a language in a thread of its own.
import { readFile } from 'node:fs/promises'
import { nearWords, wordsOf } from '@fernbrake/core/questions'
import { serveThread } from '../../threads/threads.ts'
import type { NearWish } from './wordsNear.ts'

/** Accents are taken off only where there are any: that takes time, and most words have none. */
const compared = (words: readonly string[]): string[] =>
  words.flatMap((word) => (/^[a-z]+$/.test(word) ? word : [...wordsOf([word])]))

serveThread(async ({ file, listed }: NearWish) => {
  const words = JSON.parse(await readFile(new URL(file), 'utf8')) as string[]
  return nearWords(new Set(listed), compared(words))
})
