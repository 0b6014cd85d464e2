import { expect, it } from 'vitest'
import { oEmbedAddress, readOEmbed } from './index.ts'

const PAGE = 'https://films.example/watch/7'

it.each([
  [
    '<link rel="alternate" type="application/json+oembed" href="/oembed?url=7&amp;format=json">',
    'https://films.example/oembed?url=7&format=json',
  ],
  [
    "<LINK HREF='https://api.example/o' TYPE='application/json+oEmbed' REL='alternate nofollow'>",
    'https://api.example/o',
  ],
  ['<link rel="alternate" type="text/xml+oembed" href="/xml">', null],
  ['<link rel=alternate type=application/json+oembed href=javascript:alert(1)>', null],
  ['<link rel="alternate" type="application/json+oembed" href="https://a:b@films.example/">', null],
  ['<p>Nothing</p>', null],
])('the description that %j speaks of is at %j', (html, address) => {
  expect(oEmbedAddress(`<!doctype html><head>${html}</head>`, PAGE)).toBe(address)
})

const AT = 'https://films.example/oembed'
const reply = (change: object) =>
  JSON.stringify({
    version: '1.0',
    type: 'video',
    width: 1280,
    height: 720,
    duration: 90,
    html: '<iframe src="https://films.example/player/7?x=1&amp;y=2" width="1280"></iframe>',
    title: 'Sluices <b>old</b>\u0000 and new',
    author_name: 'Odile Harcastle',
    provider_name: 'The Film House',
    thumbnail_url: '/stills/7.jpg',
    ...change,
  })

it('a description is read, with whole addresses and clean words', () => {
  expect(readOEmbed(reply({}), AT)).toEqual({
    player: 'https://films.example/player/7?x=1&y=2',
    title: 'Sluices <b>old</b> and new',
    author: 'Odile Harcastle',
    host: 'The Film House',
    width: 1280,
    height: 720,
    picture: 'https://films.example/stills/7.jpg',
  })
})

it('what is missing or odd in it is made up for', () => {
  const odd = { width: '100%', height: null, title: 7, author_name: undefined, thumbnail_url: 3 }
  expect(readOEmbed(reply(odd), AT)).toMatchObject({
    width: 960,
    height: 540,
    title: '',
    author: '',
    picture: null,
  })
})

it.each([
  ['no JSON', '<html>'],
  ['a picture', reply({ type: 'photo' })],
  ['code without a frame', reply({ html: '<script src="https://films.example/x.js"></script>' })],
  ['a frame that is script', reply({ html: '<iframe src="javascript:alert(1)"></iframe>' })],
  ['words without a frame', reply({ html: 'https://films.example/player/7' })],
])('%s is no film in a frame', (_what, json) => expect(readOEmbed(json, AT)).toBeNull())
