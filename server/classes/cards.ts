// Sign-in cards, ten on a sheet: whose it is, where to go, what to type; or a square to point a phone at.
import type { Content, TableCell } from 'pdfmake/interfaces.js'
import { wordsIn, type ServerWords } from '../locales/words.ts'
import { drawPdf, FERN, INK_2, LINE } from '../print/pdf.ts'

export interface Card {
  name: string
  groups: string
  signIn: string
  phrase: string
}

/** A sheet of cards for one class; `origin` is where the server is reached. */
export interface CardSheet {
  /** In which their words are. */
  language: string
  title: string
  origin: string
  cards: readonly Card[]
}

const COLUMNS = 2
/** In points: ten cards fill a sheet of A4 within its margins. */
const CARD_HEIGHT = 148
const MARGIN = 28

/** The PDF of these cards, in their order. */
export function drawCards({ language, title, origin, cards }: CardSheet): Promise<Buffer> {
  const words = wordsIn(language).cards
  const rows: TableCell[][] = []
  for (let at = 0; at < cards.length; at += COLUMNS) {
    const row = cards
      .slice(at, at + COLUMNS)
      .map((card): TableCell => drawCard(words, title, origin, card))
    while (row.length < COLUMNS) row.push({ text: '' })
    rows.push(row)
  }
  return drawPdf({
    info: { title },
    pageMargins: MARGIN,
    content: [
      {
        table: { widths: ['50%', '50%'], heights: CARD_HEIGHT, body: rows, dontBreakRows: true },
        layout: {
          hLineWidth: () => 0.5,
          vLineWidth: () => 0.5,
          hLineColor: () => LINE,
          vLineColor: () => LINE,
          hLineStyle: () => ({ dash: { length: 3 } }),
          vLineStyle: () => ({ dash: { length: 3 } }),
          paddingLeft: () => 12,
          paddingRight: () => 12,
          paddingTop: () => 10,
          paddingBottom: () => 4,
        },
      },
    ],
  })
}

/** What stands behind # never reaches a server, so no log ever holds a phrase. */
const cardAddress = (origin: string, { signIn, phrase }: Card) =>
  `${origin}/sign-in#card=${encodeURIComponent(signIn)}:${phrase}`

function drawCard(words: ServerWords['cards'], title: string, origin: string, card: Card): Content {
  const word = (text: string): Content => ({
    text,
    fontSize: 8,
    color: INK_2,
    margin: [0, 6, 0, 1],
  })
  // A phrase may be long, and must not be broken: it has the whole width.
  return {
    stack: [
      {
        columns: [
          {
            width: '*',
            stack: [
              {
                text: [title, card.groups].filter(Boolean).join(' · '),
                fontSize: 8.5,
                color: FERN,
              },
              { text: card.name, font: 'Serif', bold: true, fontSize: 15, margin: [0, 3, 0, 0] },
              word(words.goTo),
              { text: `${origin.replace(/^https?:\/\//, '')}/sign-in`, fontSize: 10 },
              word(words.signIn),
              { text: card.signIn, font: 'Mono', fontSize: 10.5 },
            ],
          },
          { width: 92, qr: cardAddress(origin, card), fit: 92, eccLevel: 'M' },
        ],
        columnGap: 8,
      },
      word(words.phrase),
      { text: card.phrase, font: 'Mono', fontSize: 10.5, noWrap: true },
    ],
  }
}
