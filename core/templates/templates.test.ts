import { describe, expect, it } from 'vitest'
import {
  checkLesson,
  edits,
  findWhatBlocksPublishing,
  runEdit,
  type Lesson,
} from '../lesson/index.ts'
import { graphOf, surveyRoutes } from '../routes/index.ts'
import { buildTemplate, ENGLISH_TEMPLATES, TEMPLATES } from './index.ts'

function counting() {
  let count = 0
  return () => `id-${(count += 1)}`
}
const build = (name: (typeof TEMPLATES)[number]) =>
  buildTemplate(ENGLISH_TEMPLATES[name], { title: 'Mine', language: 'en', newId: counting() })

/** With a film, a picture and a stretch wherever the template leaves one to be chosen. */
function completed(lesson: Lesson): Lesson {
  const film = { mediaId: 'm', durationMs: 120_000, frameRate: '25' as const }
  return Object.values(lesson.parts).reduce((made, part) => {
    const run = <A>(edit: Parameters<typeof runEdit<A>>[1], args: A) => {
      const outcome = runEdit(made, edit, args)
      if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
      return outcome.lesson
    }
    if (part.kind === 'film') return run(edits.attachFilm, { partId: part.id, ...film })
    if (part.kind === 'still')
      return run(edits.setPart, { partId: part.id, change: { mediaId: 'p' } })
    if (part.kind === 'deck')
      return run(edits.addThings, {
        partId: part.id,
        map: 'slides' as const,
        things: [{ id: 'slide', mediaId: 'p', title: 'One', alternative: '', notes: '' }],
      })
    if (part.kind !== 'page') return made
    const stretch = Object.values(part.blocks).find(({ kind }) => kind === 'stretch')
    if (!stretch) return made
    const partId = Object.values(lesson.parts).find(({ kind }) => kind === 'film')!.id
    const change = { stretch: { partId, fromMs: 0, toMs: 1000 } }
    return run(edits.setThing, { partId: part.id, thingId: stretch.id, change: change as never })
  }, lesson)
}

describe.each(TEMPLATES)('%s', (name) => {
  const lesson = build(name)

  it('is a lesson, with a title, words about itself, and parts', () => {
    expect(checkLesson(lesson).ok).toBe(true)
    expect(lesson).toMatchObject({ title: 'Mine', language: 'en' })
    expect(lesson.summary).not.toBe('')
    expect(Object.keys(lesson.parts).length).toBeGreaterThan(0)
    expect(Object.keys(lesson.questions).length).toBeGreaterThan(0)
  })

  it('only waits for films and pictures; with them it can be published', () => {
    const left = findWhatBlocksPublishing(lesson).map(({ code }) => code)
    const waits = ['part.noFilm', 'still.noPicture', 'deck.empty', 'page.unfinished']
    expect(left.filter((code) => !waits.includes(code))).toEqual([])
    expect(findWhatBlocksPublishing(completed(lesson))).toEqual([])
  })

  it('leads to an end from wherever one is', () => {
    const found = surveyRoutes(completed(lesson))
    expect(found.findings).toEqual([])
    expect(graphOf(lesson).ways.length).toBeGreaterThan(0)
  })

  it('has ids of its own every time', () => {
    const again = buildTemplate(ENGLISH_TEMPLATES[name], {
      title: 'Mine',
      language: 'en',
      newId: () => `x-${Math.random().toString(36).slice(2)}`,
    })
    const shared = Object.keys(again.parts).filter((id) => lesson.parts[id])
    expect(shared).toEqual([])
  })
})
