/** Code for another page that shows the lesson in a frame; the title is read out, and may hold any characters. */
export function frameCode(address: string, title: string): string {
  const rights = 'autoplay; fullscreen; camera; microphone; encrypted-media'
  const look = 'width="960" height="640" style="border:0;max-width:100%"'
  return `<iframe src="${escaped(address)}" title="${escaped(title)}" ${look} allow="${rights}"></iframe>`
}

const escaped = (words: string) =>
  words
    .replaceAll('&', '&amp;')
    .replaceAll('"', '&quot;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
