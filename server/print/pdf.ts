// PDF out of a description (pdfmake), in fonts that every installation has.
import { join } from 'node:path'
import type PdfPrinter from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js'

const FONTS = '/usr/share/fonts/truetype/dejavu'
const font = (file: string) => join(FONTS, `${file}.ttf`)

/** DejaVu covers more scripts than any other font that Debian installs with the program. */
const FACES = {
  Sans: { normal: font('DejaVuSans'), bold: font('DejaVuSans-Bold') },
  Serif: { normal: font('DejaVuSerif'), bold: font('DejaVuSerif-Bold') },
  Mono: { normal: font('DejaVuSansMono'), bold: font('DejaVuSansMono-Bold') },
}

let printer: PdfPrinter | null = null

/** What draws is read with the first page that is asked for: a server starts sooner without. */
async function needPrinter(): Promise<PdfPrinter> {
  const { default: Printer } = await import('pdfmake')
  return (printer ??= new Printer(FACES))
}

export const INK = '#17231C'
export const INK_2 = '#45534A'
export const LINE = '#D9D3C2'
export const FERN = '#24603F'

/** The bytes of a PDF. */
export async function drawPdf(description: TDocumentDefinitions): Promise<Buffer> {
  const document = (await needPrinter()).createPdfKitDocument({
    pageSize: 'A4',
    ...description,
    defaultStyle: { font: 'Sans', fontSize: 10, color: INK, ...description.defaultStyle },
  })
  const chunks: Buffer[] = []
  return new Promise((resolve, reject) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk))
    document.on('end', () => resolve(Buffer.concat(chunks)))
    document.on('error', reject)
    document.end()
  })
}
