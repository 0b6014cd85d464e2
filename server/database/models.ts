// The rows that code handles one by one. Wherever a question spans many rows, a queries/ folder asks it in SQL.
import { randomUUID } from 'node:crypto'
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
} from 'sequelize'
import type {
  LessonRoleName,
  Media,
  MediaFileKind,
  PageFile,
  MediaJob,
  Role,
  SeenBy,
} from '@fernbrake/core/contract'
import type { ClockState } from '@fernbrake/core/watching'
import type { Change, Lesson } from '@fernbrake/core/lesson'
import type { Answer, Question, Verdict } from '@fernbrake/core/questions'
import type { Database } from './connect.ts'

export class PersonRow extends Model<
  InferAttributes<PersonRow>,
  InferCreationAttributes<PersonRow>
> {
  declare id: string
  declare name: string
  declare email: string | null
  declare role: Role
  declare passwordHash: string | null
  /** What somebody without an email address signs in by. */
  declare signIn: CreationOptional<string | null>
  /** A pass phrase that was not used yet, sealed. */
  declare card: CreationOptional<Buffer | null>
  /** The class that made the account. */
  declare homeClass: CreationOptional<string | null>
  /** In which they were here last; see core/words. */
  declare language: CreationOptional<string | null>
  declare demo: CreationOptional<boolean>
  declare createdAt: CreationOptional<Date>
}

export class LessonRow extends Model<
  InferAttributes<LessonRow>,
  InferCreationAttributes<LessonRow>
> {
  declare id: string
  declare draft: Lesson
  declare revision: number
  declare linkCode: CreationOptional<string | null>
  declare seenBy: CreationOptional<SeenBy>
  declare createdAt: CreationOptional<Date>
  declare updatedAt: CreationOptional<Date>
}

export class LessonRoleRow extends Model<
  InferAttributes<LessonRoleRow>,
  InferCreationAttributes<LessonRoleRow>
> {
  declare lessonId: string
  declare personId: string
  declare role: LessonRoleName
}

export class EditionRow extends Model<
  InferAttributes<EditionRow>,
  InferCreationAttributes<EditionRow>
> {
  declare lessonId: string
  declare number: number
  declare document: Lesson
  declare revision: number
  declare publishedAt: CreationOptional<Date>
  declare personId: string | null
  declare note: CreationOptional<string>
  declare changes: CreationOptional<Change[]>
}

export class MediaRow extends Model<InferAttributes<MediaRow>, InferCreationAttributes<MediaRow>> {
  declare id: string
  declare ownerId: string
  declare title: string
  declare state: Media['state']
  declare fault: CreationOptional<Media['fault']>
  declare bytes: number
  declare durationMs: CreationOptional<number | null>
  declare frameRate: CreationOptional<Media['frameRate']>
  declare width: CreationOptional<number | null>
  declare height: CreationOptional<number | null>
  declare hasSound: CreationOptional<boolean | null>
  declare soundTracks: CreationOptional<Media['soundTracks']>
  declare soundTrack: CreationOptional<number | null>
  declare soundFrom: CreationOptional<string | null>
  declare kind: CreationOptional<Media['kind']>
  declare description: CreationOptional<string>
  declare alternative: CreationOptional<string>
  declare credit: CreationOptional<string>
  declare licence: CreationOptional<string>
  declare source: CreationOptional<string>
  declare sourceNote: CreationOptional<string>
  /** Where it was fetched from. */
  declare address: CreationOptional<string | null>
  declare hosted: CreationOptional<Media['hosted']>
  declare tags: CreationOptional<string[]>
  declare cut: CreationOptional<Media['cut']>
  declare cutFrom: CreationOptional<string | null>
  declare pageCount: CreationOptional<number | null>
  declare createdAt: CreationOptional<Date>
}

export class MediaFileRow extends Model<
  InferAttributes<MediaFileRow>,
  InferCreationAttributes<MediaFileRow>
> {
  declare mediaId: string
  declare kind: MediaFileKind | PageFile
  declare storageKey: string
  declare contentType: string
  declare bytes: number
}

export class MediaJobRow extends Model<
  InferAttributes<MediaJobRow>,
  InferCreationAttributes<MediaJobRow>
> {
  declare mediaId: string
  declare kind: MediaJob['kind']
  declare state: MediaJob['state']
  declare progress: CreationOptional<number>
}

export class AttemptRow extends Model<
  InferAttributes<AttemptRow>,
  InferCreationAttributes<AttemptRow>
> {
  declare id: string
  declare lessonId: string
  declare edition: number
  declare personId: string
  declare openedAt: CreationOptional<Date>
  declare lastSeenAt: CreationOptional<Date>
  declare finishedAt: CreationOptional<Date | null>
  declare placePart: CreationOptional<string | null>
  declare placeMs: CreationOptional<number>
  declare placeAt: CreationOptional<Date | null>
  declare released: CreationOptional<string[]>
  /** For which it was begun; null for one begun by a link. */
  declare assignmentId: CreationOptional<string | null>
  /** Which of the learner's attempts at the assignment this is, from 1. */
  declare number: CreationOptional<number>
  declare confirmedAt: CreationOptional<Date | null>
  declare clock: CreationOptional<ClockState | null>
  declare clockRev: CreationOptional<number>
  /** What the mixing of questions that are held back follows from; the learner is never told it. */
  declare mix: CreationOptional<string>
  declare timesOpened: CreationOptional<number>
}

export class ResponseRow extends Model<
  InferAttributes<ResponseRow>,
  InferCreationAttributes<ResponseRow>
> {
  declare attemptId: string
  declare id: string
  declare cueId: string
  declare questionId: string
  declare tryNumber: number
  declare answer: Answer
  declare verdict: Verdict
  declare points: number
  declare answeredAt: Date
  declare seenShare: CreationOptional<number | null>
  declare tookMs: CreationOptional<number | null>
  declare receivedAt: CreationOptional<Date>
  /** When it was given could not be believed. */
  declare isDoubtful: CreationOptional<boolean>
}

/** A file that a learner handed in with an answer. */
export class HandedFileRow extends Model<
  InferAttributes<HandedFileRow>,
  InferCreationAttributes<HandedFileRow>
> {
  declare attemptId: string
  declare id: string
  declare questionId: string
  declare name: string
  declare contentType: string
  declare bytes: number
  declare storageKey: string
  declare handedAt: CreationOptional<Date>
}

/** A question on the question shelf. */
export class KeptQuestionRow extends Model<
  InferAttributes<KeptQuestionRow>,
  InferCreationAttributes<KeptQuestionRow>
> {
  declare id: string
  declare ownerId: string
  declare question: Question
  declare keptAt: CreationOptional<Date>
}

export class ClassTeacherRow extends Model<
  InferAttributes<ClassTeacherRow>,
  InferCreationAttributes<ClassTeacherRow>
> {
  declare classId: string
  declare personId: string
}

const { ARRAY, BIGINT, BLOB, BOOLEAN, DATE, INTEGER, JSONB, NOW, REAL, TEXT } = DataTypes
// Functions, because Sequelize writes column names into the objects it is given.
const key = () => ({ type: TEXT, primaryKey: true })
const now = () => ({ type: DATE, defaultValue: NOW })
const words = () => ({ type: TEXT, defaultValue: '' })

type As = (tableName: string) => { sequelize: Database; tableName: string }

function definePeople(as: As): void {
  PersonRow.init(
    {
      id: key(),
      name: TEXT,
      email: TEXT,
      role: TEXT,
      passwordHash: TEXT,
      signIn: TEXT,
      card: BLOB,
      homeClass: TEXT,
      language: TEXT,
      demo: { type: BOOLEAN, defaultValue: false },
      createdAt: now(),
    },
    as('people'),
  )
}

const attemptColumns = () => ({
  id: key(),
  lessonId: TEXT,
  edition: INTEGER,
  personId: TEXT,
  openedAt: now(),
  lastSeenAt: now(),
  finishedAt: DATE,
  placePart: TEXT,
  placeMs: { type: INTEGER, defaultValue: 0 },
  placeAt: DATE,
  released: { type: ARRAY(TEXT), defaultValue: [] },
  assignmentId: TEXT,
  number: { type: INTEGER, defaultValue: 1 },
  confirmedAt: DATE,
  clock: JSONB,
  clockRev: { type: INTEGER, defaultValue: 0 },
  mix: { type: TEXT, defaultValue: () => randomUUID() },
  timesOpened: { type: INTEGER, defaultValue: 1 },
})

/** Ties the models to a database. */
export function defineModels(sequelize: Database): void {
  const as: As = (tableName) => ({ sequelize, tableName })
  definePeople(as)
  LessonRow.init(
    {
      id: key(),
      draft: JSONB,
      revision: INTEGER,
      linkCode: TEXT,
      seenBy: { type: TEXT, defaultValue: 'link' },
      createdAt: now(),
      updatedAt: now(),
    },
    as('lessons'),
  )
  LessonRoleRow.init({ lessonId: key(), personId: key(), role: TEXT }, as('lesson_roles'))
  EditionRow.init(
    {
      lessonId: key(),
      number: { type: INTEGER, primaryKey: true },
      document: JSONB,
      revision: INTEGER,
      publishedAt: now(),
      personId: TEXT,
      note: { type: TEXT, defaultValue: '' },
      changes: { type: JSONB, defaultValue: [] },
    },
    as('editions'),
  )
  defineMediaModels(as)
  AttemptRow.init(attemptColumns(), as('attempts'))
  ResponseRow.init(
    {
      attemptId: key(),
      id: key(),
      cueId: TEXT,
      questionId: TEXT,
      tryNumber: INTEGER,
      answer: JSONB,
      verdict: TEXT,
      points: REAL,
      answeredAt: DATE,
      seenShare: REAL,
      tookMs: INTEGER,
      receivedAt: now(),
      isDoubtful: { type: BOOLEAN, defaultValue: false },
    },
    as('responses'),
  )
  ClassTeacherRow.init({ classId: key(), personId: key() }, as('class_teachers'))
  KeptQuestionRow.init(
    { id: key(), ownerId: TEXT, question: JSONB, keptAt: now() },
    as('kept_questions'),
  )
  HandedFileRow.init(
    {
      attemptId: key(),
      id: key(),
      questionId: TEXT,
      name: TEXT,
      contentType: TEXT,
      bytes: bytes(),
      storageKey: TEXT,
      handedAt: now(),
    },
    as('handed_files'),
  )
}

const bytes = () => ({
  type: BIGINT,
  // PostgreSQL tells bigints as text; sizes of files fit a double exactly.
  get(this: Model): number {
    return Number(this.getDataValue('bytes'))
  },
})

function defineMediaModels(
  as: (tableName: string) => { sequelize: Database; tableName: string },
): void {
  MediaRow.init(
    {
      id: key(),
      ownerId: TEXT,
      title: TEXT,
      state: TEXT,
      fault: TEXT,
      bytes: bytes(),
      durationMs: INTEGER,
      frameRate: TEXT,
      width: INTEGER,
      height: INTEGER,
      hasSound: BOOLEAN,
      soundTracks: { type: JSONB, defaultValue: [] },
      soundTrack: INTEGER,
      soundFrom: TEXT,
      kind: { type: TEXT, defaultValue: 'film' },
      description: words(),
      alternative: words(),
      credit: words(),
      licence: words(),
      source: words(),
      sourceNote: words(),
      address: TEXT,
      hosted: JSONB,
      tags: { type: ARRAY(TEXT), defaultValue: [] },
      cut: JSONB,
      cutFrom: TEXT,
      pageCount: INTEGER,
      createdAt: now(),
    },
    as('media'),
  )
  MediaFileRow.init(
    { mediaId: key(), kind: key(), storageKey: TEXT, contentType: TEXT, bytes: bytes() },
    as('media_files'),
  )
  MediaJobRow.init(
    { mediaId: key(), kind: key(), state: TEXT, progress: { type: REAL, defaultValue: 0 } },
    as('media_jobs'),
  )
}
