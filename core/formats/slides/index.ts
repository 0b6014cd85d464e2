// The notes of a presentation, slide by slide, without those that are hidden: Office Open XML (ECMA-376, PresentationML) and
// OpenDocument (ISO/IEC 26300). What is given are the XML files of the package, by their names.
import { XMLParser } from 'fast-xml-parser'
import { cleanText, cutText } from '../../fields/index.ts'

/** So many letters of the notes of one slide are kept. */
const MOST_LETTERS = 5000
/** Longer files are not read, in characters. */
export const LONGEST_SLIDE_XML = 5_000_000

/** Which files of a package are needed for its notes. */
export const isForNotes = (name: string): boolean =>
  name === 'content.xml' ||
  /^ppt\/(_rels\/)?presentation\.xml(\.rels)?$/.test(name) ||
  /^ppt\/(slides|notesSlides)\/(_rels\/)?[\w-]+\.xml(\.rels)?$/.test(name)

/** An element with its name and what is in it, in its order. */
interface Element {
  name: string
  attributes: Record<string, string>
  children: (Element | string)[]
}
type Raw = Record<string, unknown>

const createParser = () =>
  new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    parseTagValue: false,
    parseAttributeValue: false,
    trimValues: false,
  })

/** The elements of a file; none where it is too long, cannot be read, or brings a document type. */
function elementsOf(xml: string | undefined): Element[] {
  if (!xml || xml.length > LONGEST_SLIDE_XML || /<!doctype/i.test(xml)) return []
  try {
    return (createParser().parse(xml) as Raw[])
      .flatMap(elementOf)
      .filter((one) => typeof one !== 'string')
  } catch {
    return []
  }
}
function elementOf(raw: Raw): (Element | string)[] {
  if (typeof raw['#text'] === 'string') return [raw['#text']]
  const name = Object.keys(raw).find((key) => key !== ':@')
  if (!name || !Array.isArray(raw[name])) return []
  const attributes = (raw[':@'] ?? {}) as Record<string, string>
  return [{ name, attributes, children: (raw[name] as Raw[]).flatMap(elementOf) }]
}

const inside = ({ children }: Element): Element[] =>
  children.filter((one) => typeof one !== 'string')
/** All elements of a name, however deep. */
function allOf(elements: readonly Element[], name: string): Element[] {
  return elements.flatMap((one) => (one.name === name ? [one] : allOf(inside(one), name)))
}

type Files = ReadonlyMap<string, string>

/** The notes of each slide that is shown, '' where it has none; null where this is no presentation that can be read. */
export function notesOf(files: Files): string[] | null {
  if (files.has('ppt/presentation.xml')) return notesOfPresentationML(files)
  return files.has('content.xml') ? notesOfOpenDocument(files) : null
}

/** The targets of the relations of a part, by their ids, as names of files. */
function relationsOf(files: Files, name: string): Map<string, { type: string; target: string }> {
  const folder = name.slice(0, name.lastIndexOf('/') + 1)
  const own = `${folder}_rels/${name.slice(folder.length)}.rels`
  const found = allOf(elementsOf(files.get(own)), 'Relationship')
  return new Map(
    found.map(({ attributes }) => {
      const { Id = '', Type = '', Target = '' } = attributes
      return [Id, { type: Type, target: resolved(folder, Target) }]
    }),
  )
}

/** A name of a file from within a folder. */
function resolved(folder: string, target: string): string {
  if (target.startsWith('/')) return target.slice(1)
  const steps = folder.split('/').filter(Boolean)
  for (const step of target.split('/')) {
    if (step === '..') steps.pop()
    else if (step !== '.' && step !== '') steps.push(step)
  }
  return steps.join('/')
}

function notesOfPresentationML(files: Files): string[] | null {
  const relations = relationsOf(files, 'ppt/presentation.xml')
  const slides = allOf(elementsOf(files.get('ppt/presentation.xml')), 'p:sldId')
    .map(({ attributes }) => relations.get(attributes['r:id'] ?? '')?.target)
    .filter((name) => name !== undefined)
    .filter((name) =>
      elementsOf(files.get(name)).every(({ attributes }) => attributes.show !== '0'),
    )
  return slides.length === 0 ? null : slides.map((name) => notesOfSlide(files, name))
}

const NO_NOTES = new Set(['sldImg', 'sldNum', 'dt', 'hdr', 'ftr'])

function notesOfSlide(files: Files, slide: string): string {
  const notes = [...relationsOf(files, slide).values()].find(({ type }) =>
    type.endsWith('/notesSlide'),
  )
  const shapes = allOf(elementsOf(files.get(notes?.target ?? '')), 'p:sp')
  // What else stands on a page of notes: the slide itself, its number, a date, what is said above and below.
  const body = shapes.filter((shape) =>
    allOf([shape], 'p:ph').every(({ attributes }) => !NO_NOTES.has(attributes.type ?? '')),
  )
  return asNotes(allOf(body, 'a:p').map((paragraph) => wordsIn(paragraph, 'a:t', 'a:br')))
}

function notesOfOpenDocument(files: Files): string[] | null {
  const content = elementsOf(files.get('content.xml'))
  const hidden = new Set(
    allOf(content, 'style:style')
      .filter((style) =>
        inside(style).some(({ attributes }) => attributes['presentation:visibility'] === 'hidden'),
      )
      .map(({ attributes }) => attributes['style:name']),
  )
  const pages = allOf(content, 'draw:page').filter(
    ({ attributes }) => !hidden.has(attributes['draw:style-name']),
  )
  if (pages.length === 0) return null
  return pages.map((page) => {
    const frames = allOf(allOf([page], 'presentation:notes'), 'draw:frame')
    const written = frames.filter(
      ({ attributes }) =>
        attributes['presentation:class'] === 'notes' &&
        attributes['presentation:placeholder'] !== 'true',
    )
    return asNotes(allOf(written, 'text:p').map((one) => wordsIn(one, null, 'text:line-break')))
  })
}

/** The words of a paragraph: those in elements of this name, or all of them; with a line for each break. */
function wordsIn(element: Element, holder: string | null, lineBreak: string): string {
  return element.children
    .map((one) => {
      if (typeof one === 'string') return holder === null || element.name === holder ? one : ''
      if (one.name === lineBreak) return '\n'
      if (one.name === 'text:s')
        return ' '.repeat(Math.min(20, Number(one.attributes['text:c'] ?? 1)))
      return wordsIn(one, holder, lineBreak)
    })
    .join('')
}

const asNotes = (paragraphs: readonly string[]): string =>
  cutText(cleanText(paragraphs.join('\n')).trim(), MOST_LETTERS)
