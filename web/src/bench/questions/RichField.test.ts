// @vitest-environment happy-dom
// What is pasted or dropped into a text: a picture comes to its end, words stay words.
import { expect, it, vi } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import { benchFor, mounted } from '../../testing/mounted.ts'
import RichField from './RichField.vue'

const PICTURE = new File(['p'], 'card.png', { type: 'image/png' })

function fieldOf(text: string, role: 'editor' | 'viewer' = 'editor') {
  const { bench, inside } = benchFor(role)
  const put = vi.fn(() => Promise.resolve(true))
  let arrive!: (media: Media) => void
  Object.assign(bench.placings, {
    put,
    receive: (_padId: string, take: typeof arrive) => ((arrive = take), () => undefined),
  })
  const { wrapper } = mounted(RichField, { label: 'Question', text, max: 500 }, inside)
  const give = (what: 'paste' | 'drop', files: File[], types: string[]) => {
    const event = new Event(what, { bubbles: true, cancelable: true })
    const data = { files, types }
    Object.assign(event, what === 'paste' ? { clipboardData: data } : { dataTransfer: data })
    wrapper.find('textarea, input').element.dispatchEvent(event)
    return event.defaultPrevented
  }
  return { wrapper, put, give, arrive: (media: Partial<Media>) => arrive(media as Media) }
}

it.each(['paste', 'drop'] as const)(
  'a picture that comes by %s is sent, and stands behind the words',
  (what) => {
    const { wrapper, put, give, arrive } = fieldOf('What is this?')
    expect(give(what, [PICTURE], ['Files'])).toBe(true)
    expect(put).toHaveBeenCalledWith(
      expect.objectContaining({ at: 'text' }),
      'picture',
      PICTURE,
      'card.png',
    )
    arrive({ id: 'm', alternative: 'A card' })
    expect(wrapper.emitted('change')![0]).toEqual([
      {
        blocks: [
          { block: 'paragraph', runs: [{ text: 'What is this?' }] },
          { block: 'picture', mediaId: 'm', alternative: 'A card' },
        ],
      },
    ])
  },
)

it('words that bring a picture of themselves are pasted as words', () => {
  const { put, give } = fieldOf('')
  expect(give('paste', [PICTURE], ['text/plain', 'text/html', 'Files'])).toBe(false)
  expect(give('drop', [new File(['x'], 'notes.txt', { type: 'text/plain' })], ['Files'])).toBe(
    false,
  )
  expect(put).not.toHaveBeenCalled()
})

it('whoever may only look puts nothing in', () => {
  const { put, give } = fieldOf('', 'viewer')
  give('paste', [PICTURE], ['Files'])
  expect(put).not.toHaveBeenCalled()
})
