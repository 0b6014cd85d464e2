import fc from 'fast-check'
import { parseHTML } from 'linkedom'
import { describe, expect, it } from 'vitest'
import { plainOf, richText, type Block } from '../../fields/index.ts'
import { MOST_PIECES, readArticle, readPlainArticle, type Article, type HtmlNode } from './index.ts'

const BASE = 'https://trust.harrowmere.example/log/how.html'
const read = (html: string, base: string | null = BASE): Article => {
  const { document } = parseHTML(`<!doctype html><html><body>${html}</body></html>`)
  return readArticle(document as unknown as HtmlNode, base)
}
/** Each piece in a word or two. */
const told = (html: string) =>
  read(html).pieces.map((one) => {
    if (one.piece === 'heading') return `h${one.level} ${one.words}`
    if (one.piece === 'picture') return `picture ${one.address} ${one.alternative}|${one.caption}`
    const [block] = one.text.blocks
    return `${block!.block} ${plainOf(one.text).replace(/\n/g, '/')}`
  })
const blockOf = (html: string): Block => {
  const [piece] = read(html).pieces
  if (piece?.piece !== 'text') throw new Error('No text')
  return piece.text.blocks[0]!
}

describe('an article of the web', () => {
  it('becomes headings, paragraphs, lists, tables and pictures, in their order', () => {
    expect(
      told(`<h1>The log</h1><p>Write it <b>at once</b>.</p><ul><li>Time<li>Boat<ul><li>Length</ul></ul>
        <h4>By night</h4><div>Loose words<p>and more</p></div>
        <table><tr><th>Lock<th>Rise<tr><td>Six<td>2.4 m</table>
        <figure><img src="a.png" alt="A page"><figcaption>From <i>1840</i></figcaption></figure>`),
    ).toEqual([
      'h2 The log',
      'paragraph Write it at once.',
      'list Time/Boat/Length',
      'h3 By night',
      'paragraph Loose words',
      'paragraph and more',
      expect.stringMatching(/^table Lock.*Rise.*Six.*2\.4 m/),
      'picture https://trust.harrowmere.example/log/a.png A page|From 1840',
    ])
  })

  it('keeps marks, links and line breaks, and nothing else of how it looked', () => {
    expect(
      blockOf(`<p>See <a href="/rules" onclick="x()">the <em>rules</em></a>,
        <span style="font-weight:700;color:red">now</span>&nbsp;H<sub>2</sub>O</p>`),
    ).toEqual({
      block: 'paragraph',
      runs: [
        { text: 'See ' },
        { text: 'the ', address: 'https://trust.harrowmere.example/rules' },
        { text: 'rules', marks: ['italic'], address: 'https://trust.harrowmere.example/rules' },
        { text: ', ' },
        { text: 'now', marks: ['bold'] },
        { text: ' H' },
        { text: '2', marks: ['sub'] },
        { text: 'O' },
      ],
    })
    expect(told('<p>One<br>two</p>')).toEqual(['paragraph One/two'])
    expect(blockOf('<b style="font-weight:normal"><p>Not bold</p></b>')).toEqual({
      block: 'paragraph',
      runs: [{ text: 'Not bold' }],
    })
  })

  it('takes no scripts, forms or menus, and no address that is none of the web', () => {
    expect(
      told(`<script>alert(1)</script><nav><p>Home</p></nav><style>p{}</style><p hidden>Away</p>
        <form><p>Sign in</p></form><p style="display: none">Away</p><!-- note -->
        <p>Stays <a href="javascript:alert(1)">here</a></p><iframe src="x"></iframe>`),
    ).toEqual(['paragraph Stays here'])
    expect(JSON.stringify(read('<p><a href="javascript:alert(1)">x</a></p>'))).not.toContain('java')
  })

  it('knows tables that only put things side by side from those that say something', () => {
    expect(told('<table><tr><td><p>One</p><p>Two</p></td></tr></table>')).toEqual([
      'paragraph One',
      'paragraph Two',
    ])
    expect(blockOf('<table><tr><td>a<td>b<tr><td>c</table>')).toMatchObject({
      headed: false,
      rows: [
        [[{ text: 'a' }], [{ text: 'b' }]],
        [[{ text: 'c' }], []],
      ],
    })
  })

  it('counts pictures that nobody gets to, and passes over dots that count readers', () => {
    const { pieces, lost } = read(
      `<p>Before<img src="file:///C:/gate.png">after<img src="https://t.example/x.gif" width="1">
       <img src="data:image/png;base64,AAAA" alt="Held"><img src="data:image/svg+xml,<svg/>"></p>`,
    )
    expect(lost).toBe(2)
    expect(pieces.map(({ piece }) => piece)).toEqual(['text', 'text', 'picture'])
  })
})

describe('an article from a word processor', () => {
  it('has its lists read from the paragraphs that they are written as', () => {
    const line = (marker: string, words: string) =>
      `<p class="MsoListParagraph" style="text-indent: -18pt; mso-list: l0 level1 lfo1"><span
        style="mso-list:Ignore">${marker}<span> </span></span>${words}<o:p></o:p></p>`
    const html = `<p class="MsoNormal">Before<o:p></o:p></p>${line('·', 'Beam')}${line('·', 'Post')}
      ${line('1.', 'First')}${line('2.', 'Second')}<p class="MsoNormal">After</p>`
    expect(told(html)).toEqual([
      'paragraph Before',
      'list Beam/Post',
      'list First/Second',
      'paragraph After',
    ])
    const lists = read(html).pieces.flatMap((one) => (one.piece === 'text' ? one.text.blocks : []))
    expect(lists.map((block) => block.block === 'list' && block.ordered)).toEqual([
      false,
      false,
      true,
      false,
    ])
  })
})

it('reads plain words as paragraphs, parted by empty lines', () => {
  const { pieces } = readPlainArticle('One\r\nline\r\n\r\n  \n\nTwo\u0000\n')
  expect(pieces.map((one) => one.piece === 'text' && plainOf(one.text))).toEqual([
    'One\nline',
    'Two',
  ])
  expect(readPlainArticle(' \n\n ').pieces).toEqual([])
})

it('keeps the lines of typed text, what stands over a table, and the largest of a picture’s sizes', () => {
  expect(
    told(`<pre>gate = <b>shut</b>\npaddle = down<br>boat  in</pre>
      <table><caption>The <i>gates</i></caption><tr><th>Gate<th>Height<tr><td>Upper<td>2 m</table>
      <img srcset="small.png 320w, large.png 960w, middle.png 640w" alt="A">
      <img srcset="one.png, two.png 2x" alt="B"><img srcset="" alt="C">`),
  ).toEqual([
    'paragraph gate = shut/paddle = down/boat in',
    'paragraph The gates',
    expect.stringMatching(/^table Gate/),
    'picture https://trust.harrowmere.example/log/large.png A|',
    'picture https://trust.harrowmere.example/log/two.png B|',
  ])
})

describe('whatever it is', () => {
  const schema = richText(20_000)
  const expectFit = ({ pieces }: Article) => {
    for (const one of pieces)
      if (one.piece === 'text') expect(schema.safeParse(one.text).success).toBe(true)
  }

  it('comes in texts that a lesson may hold, with nothing lost but what is said to be', () => {
    const long = read(`<p>${'long words '.repeat(9000)}</p>`)
    expectFit(long)
    const all = long.pieces.flatMap((one) => (one.piece === 'text' ? plainOf(one.text) : []))
    expect(all.join(' ').match(/long/g)).toHaveLength(9000)
    expectFit(read(`<table>${'<tr><td>a<td>b'.repeat(200)}</table>`))
    const items = read(`<ol>${'<li>x'.repeat(250)}</ol>`)
    expectFit(items)
    expect(items.pieces).toHaveLength(3)
    const many = read('<p>x</p>'.repeat(400))
    expect(many.pieces).toHaveLength(MOST_PIECES)
    expect(many.isCut).toBe(true)
  })

  it('never throws, and always fits', () => {
    const tags = fc.constantFrom(
      ...['<p>', '</p>', '<ul>', '<li>', '</ul>', '<table>', '<tr>', '<td>', '</table>', '<b>'],
      ...['</b>', '<h2>', '</h2>', '<img src="a.png">', '<figure>', '<br>', 'words ', '\ud800'],
      ...['<a href="http://[">', '</a>', '<p style="mso-list:l0">', '<div>', '</div>', '&nbsp;'],
    )
    fc.assert(
      fc.property(fc.array(tags, { maxLength: 40 }), (said) => expectFit(read(said.join('')))),
    )
  })
})
