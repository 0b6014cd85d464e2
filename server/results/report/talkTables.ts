// What a class said about a lesson, as a report: who has posted what, and all of it in the order of the lesson.
import type { TalkReport } from '@fernbrake/core/contract'
import type { Cell } from '@fernbrake/core/formats'
import { clockTime } from '@fernbrake/core/media'
import {
  partsTalkedAbout,
  postsIn,
  threadsOf,
  waitsForTeacher,
  type Post,
} from '@fernbrake/core/talk'
import type { ServerWords } from '../../locales/words.ts'
import { number, text, type ReportDocument } from './document.ts'

export function talkDocument(
  words: ServerWords,
  { title, classTitle, parts, people }: TalkReport & { classTitle: string | null },
  posts: readonly Post[],
): ReportDocument {
  const { heads, names, talk } = words.report
  const threads = threadsOf(
    posts,
    partsTalkedAbout(
      parts.map(({ id }) => id),
      posts,
    ),
  )
  const partOf = new Map(parts.map((part) => [part.id, part.title]))
  const meant = people.filter(({ hasLeft }) => !hasLeft)
  const spoke = meant.filter((one) => postsIn(one) > 0).length
  const waiting = threads.filter(waitsForTeacher).length
  const row = (post: Post, answers: string | null): Cell[] => [
    partOf.get(post.partId) ?? talk.partGone,
    post.place.on === 'moment' ? clockTime(post.place.atMs) : '',
    post.author?.name ?? '',
    talk.sorts[post.sort],
    post.isGone ? talk.gone : post.words,
    post.number,
    answers,
    post.saidAt,
    post.isHidden ? words.report.yes : '',
  ]
  return {
    language: words.language,
    title,
    about: [classTitle, names.talk].filter((word) => word !== null).join(' · '),
    sentences: [
      classTitle === null ? talk.saidByLink(spoke) : talk.said(spoke, meant.length),
      ...(waiting > 0 ? [talk.waiting(waiting)] : []),
    ],
    tables: [
      {
        title: words.report.learnersTitle,
        columns: [
          text(heads.name),
          number(talk.heads.comments),
          number(talk.heads.enquiries),
          number(talk.heads.replies),
          number(talk.heads.answers),
          text(talk.heads.last),
        ],
        rows: people.map(({ name, comments, enquiries, replies, answers, lastAt }) => [
          name,
          comments,
          enquiries,
          replies,
          answers,
          lastAt,
        ]),
      },
      {
        title: talk.posts,
        columns: [
          text(heads.part),
          text(heads.at),
          text(heads.name),
          text(heads.kind),
          text(talk.heads.words),
          number(talk.heads.number),
          text(talk.heads.replyTo),
          text(talk.heads.said),
          text(talk.heads.hidden),
        ],
        rows: threads.flatMap(({ head, replies }) => [
          row(head, null),
          ...replies.map((reply) => row(reply, head.author?.name ?? '')),
        ]),
      },
    ],
  }
}
