// A presentation (OpenDocument) for tests, and a stand-in for the program that draws one.
import { chmodSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { strToU8, zipSync } from 'fflate'
import { makePdf } from './pdf.ts'

export interface SlideWish {
  words: string
  notes?: string
  isHidden?: boolean
}

const MIME = 'application/vnd.oasis.opendocument.presentation'
const NAMES = [
  'office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"',
  'draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0"',
  'text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"',
  'style="urn:oasis:names:tc:opendocument:xmlns:style:1.0"',
  'presentation="urn:oasis:names:tc:opendocument:xmlns:presentation:1.0"',
  'svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0"',
  'manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0"',
  'xlink="http://www.w3.org/1999/xlink"',
]
  .map((name) => `xmlns:${name}`)
  .join(' ')

/** `more` is drawn on the first slide besides its words. */
export function makePresentation(slides: readonly SlideWish[], more = ''): Buffer {
  const pages = slides.map(
    ({ words, notes, isHidden }, index) => `<draw:page draw:name="page${index}"
      draw:style-name="${isHidden ? 'hidden' : 'shown'}"><draw:frame svg:x="2cm" svg:y="2cm" svg:width="20cm"
      svg:height="3cm"><draw:text-box><text:p>${words}</text:p></draw:text-box></draw:frame>${index === 0 ? more : ''}
      ${notes ? `<presentation:notes><draw:frame presentation:class="notes" svg:x="2cm" svg:y="14cm" svg:width="16cm" svg:height="10cm"><draw:text-box><text:p>${notes}</text:p></draw:text-box></draw:frame></presentation:notes>` : ''}
      </draw:page>`,
  )
  const style = (name: string, visibility: string) =>
    `<style:style style:name="${name}" style:family="drawing-page"><style:drawing-page-properties presentation:visibility="${visibility}"/></style:style>`
  const content = `<?xml version="1.0" encoding="UTF-8"?><office:document-content ${NAMES} office:version="1.3">
    <office:automatic-styles>${style('shown', 'visible')}${style('hidden', 'hidden')}</office:automatic-styles>
    <office:body><office:presentation>${pages.join('')}</office:presentation></office:body></office:document-content>`
  const manifest = `<?xml version="1.0" encoding="UTF-8"?><manifest:manifest ${NAMES} manifest:version="1.3">
    <manifest:file-entry manifest:full-path="/" manifest:media-type="${MIME}"/>
    <manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/></manifest:manifest>`
  const packed = zipSync({
    // By the standard the first file, and not pressed together, so that anybody can tell what it is.
    mimetype: [strToU8(MIME), { level: 0 }],
    'content.xml': strToU8(content),
    'META-INF/manifest.xml': strToU8(manifest),
  })
  return Buffer.from(packed)
}

/** A program that answers as LibreOffice would, with a PDF of these pages whatever it is given; with none, it fails. */
export function writeOffice(folder: string, name: string, pages: readonly string[] | null): string {
  const pdf = join(folder, `${name}.pdf`)
  if (pages) writeFileSync(pdf, makePdf({ pages: [...pages] }))
  const script = pages
    ? `#!/bin/sh
while [ $# -gt 1 ]; do [ "$1" = --outdir ] && out="$2"; shift; done
mkdir -p "$out"; base=$(basename "$1"); cp '${pdf}' "$out/\${base%.*}.pdf"
`
    : '#!/bin/sh\necho "it fell over" >&2\nexit 1\n'
  const path = join(folder, name)
  writeFileSync(path, script)
  chmodSync(path, 0o755)
  return path
}
