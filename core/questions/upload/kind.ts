// What a question that asks for files can do.
import { issueAt, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { waitingForPerson } from '../mark.ts'
import type { UploadAnswer, UploadQuestion } from './schema.ts'
import { FILE_SORTS, type FileSort } from './sorts.ts'

export const BYTES_A_MEGABYTE = 1_000_000

/** The sorts of file that a question takes. */
export const sortsTaken = ({ takes }: Pick<UploadQuestion, 'takes'>): FileSort[] =>
  FILE_SORTS.filter((sort) => takes[sort])

/** A file's name by its place, 1 for the first; what it was called may say whose it is. Only its ending stays. */
export const plainFileName = (name: string, place: number): string =>
  `${place}${/\.[a-z0-9]{1,8}$/i.exec(name)?.[0] ?? ''}`

export const upload: QuestionKind<UploadQuestion, UploadAnswer> = {
  graded: true,
  byPerson: true,
  mended: true,
  mark: waitingForPerson,
  fits({ mostFiles, mostMegabytes }, { files }) {
    const most = mostMegabytes * BYTES_A_MEGABYTE
    const isTwice = new Set(files.map(({ id }) => id)).size < files.length
    return files.length > 0 && files.length <= mostFiles && !isTwice
      ? files.every(({ bytes }) => bytes <= most)
      : false
  },
  readable: (_question, { files }) => files.map(({ name }) => name).join(', '),
  filesAsked: (question) => ({
    sorts: sortsTaken(question),
    mostBytes: question.mostMegabytes * BYTES_A_MEGABYTE,
  }),
  filesOf: ({ files }) => files.map(({ id }) => id),
  texts: () => [],
  media: () => [],
}

export const uploadMaking: QuestionMaking<UploadQuestion, UploadAnswer> = {
  blank: (base) => ({
    ...base,
    tries: 1,
    kind: 'upload',
    takes: { picture: true, document: true, sound: false, film: false },
    mostFiles: 1,
    mostMegabytes: 20,
  }),
  findWhatCannotBeAsked: (question) =>
    sortsTaken(question).length === 0
      ? [issueAt('takes', 'question.noFileSort', 'No sort of file is taken.')]
      : [],
  cut: ({ rubric: _, ...question }) => question,
  draw: () => ({ kind: 'upload', files: [{ id: 'sketch', name: 'Sketch.png', bytes: 24_000 }] }),
  withoutNames: (answer) => ({
    ...answer,
    files: answer.files.map((file, index) => ({
      ...file,
      name: plainFileName(file.name, index + 1),
    })),
  }),
}
