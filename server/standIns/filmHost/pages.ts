// The stand-in film host's pages, as HTML.
import { pageOf, shown, type Entry } from '../standIn.ts'
import type { HeldFilm } from './catalogue.ts'

export const HOST_NAME = 'Nethering Film House'

const page = (title: string, head: string, body: string) => pageOf(title, '/house.css', head, body)
const foot =
  '<footer>This host is a stand-in that ships with the demo. Films and people are made up.</footer>'
const home = `<p class="house"><a href="/">${HOST_NAME}</a></p>`

/** The catalogue, or what was found in it. */
export function cataloguePage(films: readonly HeldFilm[], words: string): string {
  const found = films.length === 1 ? '1 film' : `${films.length} films`
  const cards = films.map(
    (film) => `<li>
      <img src="/stills/${film.id}.jpg" alt="" width="240" height="135" loading="lazy" />
      <div>
        <h2><a href="/watch/${film.id}">${shown(film.title)}</a></h2>
        <p>${shown(film.author)}</p>
        <p>${shown(film.words)}</p>
        <p class="licence">${shown(film.licence)}</p>
      </div>
    </li>`,
  )
  return page(
    HOST_NAME,
    '',
    `<header>${home}
      <form role="search"><label for="words">Find a film</label>
        <input id="words" name="words" type="search" value="${shown(words)}" />
        <button>Find</button></form></header>
    <main><h1>${words ? `${found} with “${shown(words)}”` : found}</h1>
      <ul class="films">${cards.join('')}</ul></main>${foot}`,
  )
}

/** The page of one film, which says where its description (oEmbed) lies. */
export function watchPage(film: HeldFilm, origin: string): string {
  const address = `${origin}/watch/${film.id}`
  const described = `/oembed?format=json&amp;url=${encodeURIComponent(address)}`
  const copies = film.mayBeCopied
    ? `<p>As a file: <code>${origin}/films/${film.id}.mp4</code></p>
       <p>As a stream: <code>${origin}/streams/${film.id}/all.m3u8</code></p>`
    : ''
  return page(
    `${film.title} · ${HOST_NAME}`,
    `<link rel="alternate" type="application/json+oembed" title="${shown(film.title)}" href="${described}" />`,
    `<header>${home}</header>
    <main><h1>${shown(film.title)}</h1><p>${shown(film.author)}</p>
      <iframe src="/player/${film.id}" title="${shown(film.title)}" allow="autoplay; fullscreen"></iframe>
      <p>${shown(film.words)}</p><p class="licence">${shown(film.licence)}</p>
      <p>Address of this film: <code>${address}</code></p>${copies}</main>${foot}`,
  )
}

/** The player that other pages show in a frame. */
export function playerPage(film: HeldFilm): string {
  return page(
    film.title,
    '<script src="/player.js" defer></script>',
    `<video class="alone" src="/held/${film.id}.mp4" poster="/stills/${film.id}.jpg" controls playsinline
      preload="metadata" aria-label="${shown(film.title)}"></video>`,
  )
}

/** What oEmbed answers. */
export function description(film: HeldFilm, origin: string): object {
  const size = 'width="960" height="540"'
  return {
    version: '1.0',
    type: 'video',
    provider_name: HOST_NAME,
    provider_url: origin,
    title: film.title,
    author_name: film.author,
    width: 960,
    height: 540,
    html: `<iframe src="${origin}/player/${film.id}" ${size} allow="autoplay; fullscreen"></iframe>`,
    thumbnail_url: `${origin}/stills/${film.id}.jpg`,
    thumbnail_width: 640,
    thumbnail_height: 360,
  }
}

/** How a film stands among what a search has found. */
export const entryOf = (film: HeldFilm, origin: string): Entry => ({
  ...film,
  maker: film.author,
  licenceAddress: film.mayBeCopied ? 'https://creativecommons.org/licenses/by/4.0/' : '',
  type: 'MovingImage',
  page: `${origin}/watch/${film.id}`,
  preview: `${origin}/stills/${film.id}.jpg`,
  file: film.mayBeCopied ? { address: `${origin}/films/${film.id}.mp4`, mime: 'video/mp4' } : null,
})
