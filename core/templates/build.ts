// Builds a lesson from a template, by the same edits that the bench makes.
import {
  edits,
  emptyLesson,
  MOST_NEW_IDS,
  runEdit,
  USUAL_PIN,
  type Edit,
  type Lesson,
  type NewThing,
  type PageBlock,
  type Target,
} from '../lesson/index.ts'
import type { QuestionKindName } from '../questions/index.ts'
import type {
  AskSpec,
  BlockSpec,
  CueSpec,
  PartSpec,
  PinSpec,
  TemplateSpec,
  WaySpec,
} from './spec.ts'

interface Making {
  edit: <A>(kind: Edit<A>, args: A) => void
  newId: () => string
  /** The id of the part with this key. */
  partOf: (key: string) => string
}

/** A lesson as the template begins it; `newId` makes ids. Its films and pictures are still to be chosen. */
export function buildTemplate(
  spec: TemplateSpec,
  { title, language, newId }: { title: string; language: string; newId: () => string },
): Lesson {
  let lesson = emptyLesson(title, language)
  const partIds = new Map(spec.parts.map(({ key }) => [key, newId()]))
  const making: Making = {
    newId,
    partOf: (key) => partIds.get(key)!,
    edit(kind, args) {
      const outcome = runEdit(lesson, kind, args)
      // Templates are ours, and a test builds each: this is no fault of the person's.
      if (!outcome.ok) throw new Error(`${kind.name}: ${JSON.stringify(outcome.issues)}`)
      lesson = outcome.lesson
    },
  }
  tellAbout(making, spec)
  for (const part of spec.parts) addPart(making, part)
  for (const part of spec.parts) addWays(making, part)
  return lesson
}

function tellAbout({ edit }: Making, { summary, objectives, ending }: TemplateSpec): void {
  edit(edits.setLessonText, { field: 'summary', text: summary })
  edit(edits.setLessonText, { field: 'objectives', text: objectives.join('\n') })
  edit(edits.setEnding, { message: ending })
}

function addPart(making: Making, part: PartSpec): void {
  const { edit, newId, partOf } = making
  const { kind, title } = part
  const id = partOf(part.key)
  const thingId = newId()
  edit(edits.addPart, { id, kind, title, thingId })
  switch (part.kind) {
    case 'page':
      return addBlocks(making, id, part.blocks)
    case 'still':
      return addPins(making, id, part.pins)
    case 'quiz':
      for (const asked of part.asks) askInQuiz(making, id, thingId, asked)
      return
    case 'deck':
    case 'film':
      // Pictures are still to be chosen, and cues may lead to parts that come later.
      return
  }
}

function addPins({ edit, newId }: Making, partId: string, pins: readonly PinSpec[]): void {
  const things = pins.map(({ text, ...pin }) => {
    const opens = { what: 'text' as const, text }
    return { id: newId(), ...USUAL_PIN, ...pin, opens }
  })
  edit(edits.addThings, { partId, map: 'pins', things })
}

/** What leads to other parts, once all of them are there. */
function addWays(making: Making, part: PartSpec): void {
  const { edit, newId, partOf } = making
  const partId = partOf(part.key)
  for (const cue of 'cues' in part ? part.cues : []) addCue(making, partId, cue)
  for (const way of part.ways ?? []) {
    const id = newId()
    edit(edits.addRoute, { id, fromId: partId, target: targetOf(making, way) })
    if (way.words) edit(edits.setRoute, { routeId: id, change: { words: way.words } })
  }
}

const targetOf = ({ partOf }: Making, way: WaySpec): Target =>
  'to' in way ? { to: 'part', partId: partOf(way.to) } : { to: 'ending', message: way.ending }

function addCue(making: Making, partId: string, cue: CueSpec): void {
  const { edit, newId } = making
  const { atMs } = cue
  const cueId = newId()
  if ('bookmark' in cue)
    return edit(edits.addBookmark, { cueId, partId, atMs, title: cue.bookmark })
  if ('note' in cue) {
    edit(edits.addNote, { cueId, partId, atMs })
    return edit(edits.setNoteText, { cueId, text: cue.note })
  }
  if ('fork' in cue) return addFork(making, { cueId, partId, atMs }, cue)
  const { questionId, kind, ids } = newQuestion(making, cue.ask)
  const about = { cueId, questionId, partId, atMs, evidence: null }
  edit(edits.addQuestion, { ...about, kind, optionIds: ids })
  write(making, questionId, ids, cue.ask)
}

function addFork(
  making: Making,
  place: { cueId: string; partId: string; atMs: number },
  { fork, ways }: Extract<CueSpec, { fork: string }>,
): void {
  const { edit, newId } = making
  const { cueId } = place
  const ids = ways.map(() => newId())
  edit(edits.addFork, { ...place, choiceIds: [ids[0]!, ids[1]!] })
  for (const choiceId of ids.slice(2)) edit(edits.addChoice, { cueId, choiceId })
  edit(edits.setForkPrompt, { cueId, prompt: fork })
  ways.forEach((way, index) => {
    const change = { text: way.words, target: targetOf(making, way) }
    edit(edits.setChoice, { cueId, choiceId: ids[index]!, change })
  })
}

const kindOf = ({ options }: AskSpec): QuestionKindName => (options ? 'choice' : 'longText')

const newQuestion = ({ newId }: Making, asked: AskSpec) => ({
  questionId: newId(),
  kind: kindOf(asked),
  ids: Array.from({ length: MOST_NEW_IDS }, newId),
})

function askInQuiz(making: Making, partId: string, sectionId: string, asked: AskSpec): void {
  const { questionId, kind, ids } = newQuestion(making, asked)
  const place = { partId, sectionId, itemId: making.newId(), questionId }
  making.edit(edits.askInQuiz, { ...place, kind, ids })
  write(making, questionId, ids, asked)
}

/** Puts the words into a question that has just been made with these ids. */
function write({ edit, newId }: Making, questionId: string, gone: string[], asked: AskSpec): void {
  edit(edits.setQuestionText, { questionId, field: 'stem', text: asked.stem })
  if (!asked.options) return
  edit(edits.replaceEntries, {
    questionId,
    path: ['options'],
    gone,
    alone: 'right',
    entries: asked.options.map((text, index) => ({
      id: newId(),
      text,
      right: index === 0,
      feedback: '',
    })),
  })
}

/** Blocks that name a side stand in two columns, the others on the page itself. */
function addBlocks(making: Making, partId: string, blocks: readonly BlockSpec[]): void {
  const { edit, newId } = making
  const columnsId = newId()
  const put = (
    thing: NewThing<PageBlock>,
    asks?: { questionId: string; kind: QuestionKindName; ids: string[] },
  ) => edit(edits.addThings, { partId, map: 'blocks', things: [thing], ...(asks ? { asks } : {}) })
  if (blocks.some(({ side }) => side))
    put({ id: columnsId, kind: 'columns', split: 'halves', stays: true })
  for (const block of blocks) {
    const inside = block.side ? { inside: { columnsId, side: block.side } } : {}
    if ('ask' in block) {
      const asks = newQuestion(making, block.ask)
      put({ id: newId(), kind: 'question', questionId: asks.questionId, ...inside }, asks)
      write(making, asks.questionId, asks.ids, block.ask)
    } else put({ id: newId(), ...contentOf(block), ...inside })
  }
}

type Told = Exclude<BlockSpec, { ask: AskSpec }>
type Content =
  NewThing<PageBlock> extends infer T ? (T extends unknown ? Omit<T, 'id'> : never) : never

function contentOf(block: Told): Content {
  if ('heading' in block) return { kind: 'heading', words: block.heading, level: 2 }
  if ('fact' in block) return { kind: 'fact', title: block.title, text: block.fact }
  // Which stretch it is can only be said once there is a film.
  if ('film' in block) return { kind: 'stretch', stretch: null }
  return { kind: 'text', text: block.text, ...(block.note ? { note: block.note } : {}) }
}
