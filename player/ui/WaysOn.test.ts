// The end of a part: the ways on, and once none is left, what can still be answered elsewhere.
import { describe, expect, it } from 'vitest'
import { createSSRApp } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { createPlayerI18n } from '../i18n.ts'
import { STILL_OPEN } from '../session/stillOpen.ts'
import type { PartsState, ShownPart } from './partsState.ts'
import WaysOn from './WaysOn.vue'

const part = (id: string, change: Partial<ShownPart> = {}): ShownPart => ({
  id,
  title: `Part ${id}`,
  kind: 'film',
  isDone: true,
  label: '',
  shut: null,
  isOpen: true,
  ...change,
})
const way = { routeId: null, words: '', toId: 'b', title: 'Part b' }

async function wordsAt(state: Partial<PartsState>, open: Record<string, number>): Promise<string> {
  const all = [part('a'), part('b'), part('shut', { isOpen: false })]
  const none = { ways: [], waits: [], isOver: false, awaits: false }
  const app = createSSRApp(WaysOn, { parts: { openId: 'a', all, ...none, ...state } })
  app.provide(STILL_OPEN, (partId) => open[partId] ?? 0)
  const page = await renderToString(app.use(await createPlayerI18n('en')))
  return page.replace(/<[^>]*>/g, ' ').replace(/\s+/g, ' ')
}

describe('what can still be answered', () => {
  it('is listed once nothing is left of the lesson, but for the part that is open', async () => {
    const words = await wordsAt({ isOver: true }, { a: 1, b: 2, shut: 3 })
    expect(words).toContain('2 questions of “Part b” are still open')
    expect(words).not.toMatch(/“Part (a|shut)”/)
  })
  it('is listed before a gate that is shut: an answer may open it', async () => {
    const waits = [part('shut', { shut: 'once it is time', isDone: false })]
    expect(await wordsAt({ waits }, { b: 1 })).toContain('One question of “Part b” is still open')
  })
  it('is not before there is nothing else to do', async () => {
    expect(await wordsAt({ ways: [way] }, { b: 1 })).not.toContain('still open')
    expect(await wordsAt({}, { b: 1 })).not.toContain('still open')
    expect(await wordsAt({ isOver: true }, {})).not.toContain('still open')
  })
})
