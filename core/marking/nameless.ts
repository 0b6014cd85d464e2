// Answers of learners whose names are hidden: what a file is called may say whose it is.
import type { Answer } from '../questions/index.ts'

/** A file's name by its place, 1 for the first; only its ending stays. */
export const plainFileName = (name: string, place: number): string =>
  `${place}${/\.[a-z0-9]{1,8}$/i.exec(name)?.[0] ?? ''}`

/** An answer as those may see it who are not to know whose it is. */
export const withoutFileNames = (answer: Answer): Answer =>
  answer.kind === 'upload'
    ? {
        ...answer,
        files: answer.files.map((file, index) => ({
          ...file,
          name: plainFileName(file.name, index + 1),
        })),
      }
    : answer
