import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isForNotes, notesOf } from './index.ts'

const relation = (id: string, type: string, target: string) =>
  `<Relationship Id="${id}" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/${type}" Target="${target}"/>`
const relations = (...all: string[]) => `<Relationships>${all.join('')}</Relationships>`
const notes = (paragraphs: string) => `<p:notes><p:cSld><p:spTree>
  <p:sp><p:nvSpPr><p:nvPr><p:ph type="sldNum"/></p:nvPr></p:nvSpPr><p:txBody><a:p><a:r><a:t>7</a:t></a:r></a:p></p:txBody></p:sp>
  <p:sp><p:nvSpPr><p:nvPr><p:ph type="body" idx="1"/></p:nvPr></p:nvSpPr><p:txBody>${paragraphs}</p:txBody></p:sp>
  </p:spTree></p:cSld></p:notes>`

const PRESENTATION = new Map([
  [
    'ppt/presentation.xml',
    '<p:presentation><p:sldIdLst><p:sldId id="258" r:id="rId4"/><p:sldId id="256" r:id="rId2"/><p:sldId id="257" r:id="rId3"/></p:sldIdLst></p:presentation>',
  ],
  [
    'ppt/_rels/presentation.xml.rels',
    relations(
      relation('rId2', 'slide', 'slides/slide1.xml'),
      relation('rId3', 'slide', '/ppt/slides/slide2.xml'),
      relation('rId4', 'slide', 'slides/slide3.xml'),
    ),
  ],
  ['ppt/slides/slide1.xml', '<p:sld><p:cSld/></p:sld>'],
  ['ppt/slides/slide2.xml', '<p:sld show="0"><p:cSld/></p:sld>'],
  ['ppt/slides/slide3.xml', '<p:sld show="1"><p:cSld/></p:sld>'],
  [
    'ppt/slides/_rels/slide3.xml.rels',
    relations(relation('rId1', 'notesSlide', '../notesSlides/notesSlide9.xml')),
  ],
  [
    'ppt/notesSlides/notesSlide9.xml',
    notes(
      '<a:p><a:r><a:t>Say </a:t></a:r><a:r><a:rPr b="1"/><a:t>slowly &amp; twice</a:t></a:r><a:br/><a:r><a:t>that</a:t></a:r></a:p><a:p><a:r><a:t>Then wait.</a:t></a:r></a:p>',
    ),
  ],
])

const page = (style: string, inside: string) =>
  `<draw:page draw:name="p" draw:style-name="${style}"><draw:frame presentation:class="title"><draw:text-box><text:p>Title</text:p></draw:text-box></draw:frame>${inside}</draw:page>`
const own = (words: string, more = '') =>
  `<presentation:notes><draw:page-thumbnail/><draw:frame presentation:class="notes" ${more}><draw:text-box>${words}</draw:text-box></draw:frame></presentation:notes>`
const OPEN = `<office:document-content><office:automatic-styles>
  <style:style style:name="dp1"><style:drawing-page-properties presentation:visibility="visible"/></style:style>
  <style:style style:name="dp2"><style:drawing-page-properties presentation:visibility="hidden"/></style:style>
  </office:automatic-styles><office:body><office:presentation>
  ${page('dp1', own('<text:p>One<text:line-break/>two<text:s text:c="2"/>three</text:p><text:p><text:span>four</text:span></text:p>'))}
  ${page('dp2', own('<text:p>Hidden</text:p>'))}
  ${page('dp1', own('<text:p>Click here</text:p>', 'presentation:placeholder="true"'))}
  </office:presentation></office:body></office:document-content>`

describe('notes of a presentation', () => {
  it('are read from PresentationML, in the order of the slides, without hidden ones', () => {
    expect(notesOf(PRESENTATION)).toEqual(['Say slowly & twice\nthat\nThen wait.', ''])
    expect([...PRESENTATION.keys()].every(isForNotes)).toBe(true)
  })

  it('are read from OpenDocument', () => {
    expect(notesOf(new Map([['content.xml', OPEN]]))).toEqual(['One\ntwo  three\nfour', ''])
  })

  it('are none where it is no presentation, or brings a document type', () => {
    expect(notesOf(new Map())).toBeNull()
    expect(notesOf(new Map([['content.xml', '<office:document-content/>']]))).toBeNull()
    const bomb = `<!DOCTYPE x [<!ENTITY a "b">]>${OPEN}`
    expect(notesOf(new Map([['content.xml', bomb]]))).toBeNull()
    const broken = new Map(PRESENTATION).set('ppt/notesSlides/notesSlide9.xml', '<p:notes><p:sp>')
    expect(notesOf(broken)).toHaveLength(2)
    for (const other of [
      '../content.xml',
      'ppt/media/a.png',
      'ppt/slides/../x.xml',
      'word/document.xml',
    ])
      expect(isForNotes(other)).toBe(false)
  })

  it('never throws, whatever is cut out of them', () => {
    const files = [...PRESENTATION.entries(), ['content.xml', OPEN] as [string, string]]
    fc.assert(
      fc.property(fc.nat(files.length - 1), fc.nat(4000), fc.nat(200), (at, from, length) => {
        const cut = files.map(([name, xml], index): [string, string] => [
          name,
          index === at ? xml.slice(0, from) + xml.slice(from + length) : xml,
        ])
        notesOf(new Map(cut))
        notesOf(new Map(cut.filter(([name]) => name === 'content.xml')))
      }),
    )
  })
})
