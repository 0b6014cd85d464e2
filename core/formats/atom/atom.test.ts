import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { LONGEST_FEED, MOST_IN_FEED, readAtom, searchAddress } from './index.ts'

const HERE = 'https://archive.harrowmere.example/search?words=gate'
const feedOf = (entries: string, more = '') => `<?xml version="1.0" encoding="utf-8"?>
<feed xmlns="http://www.w3.org/2005/Atom" xmlns:dc="http://purl.org/dc/elements/1.1/"
      xmlns:opensearch="http://a9.com/-/spec/opensearch/1.1/">
  <title>Archive of the Navigation</title><link href="/" />${more}${entries}</feed>`
const GATE = `<entry>
  <title>Gate &amp; sill, shut</title>
  <author><name>Odile Harcastle</name></author><author><name>Perrin Askew</name></author>
  <summary type="html">&lt;p&gt;Two &lt;b&gt;leaves&lt;/b&gt;
    meet.&lt;/p&gt;</summary>
  <rights>CC BY 4.0</rights>
  <link rel="license" href="https://creativecommons.org/licenses/by/4.0/" />
  <link rel="alternate" href="/pictures/gate" />
  <link rel="preview" href="small/gate.jpg" />
  <link rel="enclosure" type="image/webp" href="/files/gate.webp" length="1200" />
</entry>`

describe('reading a feed', () => {
  it('takes what an entry says of itself, with whole addresses', () => {
    const read = readAtom(
      feedOf(GATE, '<opensearch:totalResults>7</opensearch:totalResults>'),
      HERE,
    )
    expect(read).toEqual({
      title: 'Archive of the Navigation',
      home: 'https://archive.harrowmere.example/',
      total: 7,
      things: [
        {
          kind: 'picture',
          title: 'Gate & sill, shut',
          maker: 'Odile Harcastle, Perrin Askew',
          summary: 'Two leaves meet.',
          licence: 'CC BY 4.0',
          licenceAddress: 'https://creativecommons.org/licenses/by/4.0/',
          page: 'https://archive.harrowmere.example/pictures/gate',
          file: 'https://archive.harrowmere.example/files/gate.webp',
          preview: 'https://archive.harrowmere.example/small/gate.jpg',
        },
      ],
    })
  })

  it('knows kinds by the vocabulary before the type of the file', () => {
    const entry = (inside: string) => `<entry><title>T</title><link href="/t" />${inside}</entry>`
    const kindOf = (inside: string) => readAtom(feedOf(entry(inside)), HERE)?.things[0]?.kind
    expect(kindOf('<dc:type>MovingImage</dc:type>')).toBe('film')
    expect(kindOf('<dc:type>http://purl.org/dc/dcmitype/StillImage</dc:type>')).toBe('picture')
    expect(kindOf('<dc:type>Sound</dc:type>')).toBe('sound')
    expect(kindOf('<dc:type>Text</dc:type>')).toBe('document')
    expect(kindOf('<link rel="enclosure" type="audio/mpeg" href="/a" />')).toBe('sound')
    expect(kindOf('<link rel="enclosure" type="application/pdf" href="/a" />')).toBe('document')
    expect(
      kindOf('<dc:type>Sound</dc:type><link rel="enclosure" type="video/mp4" href="/a" />'),
    ).toBe('sound')
    expect(kindOf('<link rel="enclosure" type="application/zip" href="/a" />')).toBeUndefined()
    expect(kindOf('')).toBeUndefined()
  })

  it('passes over what has no title, or nowhere to be found, and keeps the rest', () => {
    const lost =
      '<entry><title> </title><dc:type>Sound</dc:type><link href="/t" /></entry>' +
      '<entry><title>Nowhere</title><dc:type>Sound</dc:type></entry>' +
      '<entry><title>Elsewhere</title><dc:type>Sound</dc:type><link href="javascript:alert(1)" /></entry>'
    expect(readAtom(feedOf(lost + GATE), HERE)?.things.map(({ title }) => title)).toEqual([
      'Gate & sill, shut',
    ])
  })

  it('is not led by numbers that cannot be, nor by very many entries', () => {
    const total = (said: string) =>
      readAtom(feedOf(GATE, `<opensearch:totalResults>${said}</opensearch:totalResults>`), HERE)!
        .total
    expect(total('0')).toBe(1)
    expect(total('-3')).toBe(1)
    expect(total('1e999')).toBe(1)
    expect(total('many')).toBe(1)
    expect(readAtom(feedOf(GATE.repeat(150)), HERE)!.things).toHaveLength(MOST_IN_FEED)
  })

  it('refuses document types, what is too long, and what is no feed', () => {
    const bomb = '<!DOCTYPE feed [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;">]>'
    expect(readAtom(feedOf(GATE).replace('<feed', `${bomb}<feed`), HERE)).toBeNull()
    expect(readAtom(feedOf(GATE) + ' '.repeat(LONGEST_FEED), HERE)).toBeNull()
    expect(readAtom('<rss><channel /></rss>', HERE)).toBeNull()
    expect(readAtom('{"feed": []}', HERE)).toBeNull()
    expect(readAtom('', HERE)).toBeNull()
    expect(readAtom('<feed><entry>', HERE)).toSatisfy(
      (feed: unknown) => feed === null || (feed as { things: unknown[] }).things.length === 0,
    )
  })

  it('never throws, whatever stands in it', () => {
    const pieces = fc.constantFrom(
      '<entry>',
      '</entry>',
      '<title>',
      '<link href="',
      '"/>',
      '&amp;',
      '&#0;',
      '__proto__',
      '<author><name/></author>',
      '<dc:type>Sound</dc:type>',
      '<!--',
      '<![CDATA[',
      'x',
    )
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 40 }), (said) => {
        readAtom(feedOf(said.join('')), HERE)
      }),
    )
  })
})

describe('asking by a template', () => {
  it('puts the words in, safe for an address, and leaves out what need not be', () => {
    const template = 'https://a.example/find?q={searchTerms}&n={count?}&x={custom?}'
    expect(searchAddress(template, 'gate & sill')).toBe(
      'https://a.example/find?q=gate%20%26%20sill&n=100&x=',
    )
    expect(searchAddress('https://a.example/find?q={searchTerms}&x={custom}', 'a')).toBeNull()
    expect(searchAddress('https://a.example/find', 'a')).toBeNull()
    expect(searchAddress('https://a.example/{searchTerms}/{toString?}', '{count}')).toBe(
      'https://a.example/%7Bcount%7D/',
    )
  })
})
