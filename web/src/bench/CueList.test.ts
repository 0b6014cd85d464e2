// @vitest-environment happy-dom
// All cues as a table: what is told of each, and finding some of them.
import { nextTick, type Ref } from 'vue'
import { expect, it } from 'vitest'
import { edits, type Lesson } from '@fernbrake/core/lesson'
import { edited, PART, withQuestion } from '@fernbrake/core/testing'
import { benchFor, mounted } from '../testing/mounted.ts'
import CueList from './CueList.vue'

function list() {
  const { bench, inside } = benchFor()
  const document = bench.draft.lesson as Ref<Lesson>
  let lesson = withQuestion(document.value, { id: 'asks', atMs: 20_000 })
  lesson = edited(lesson, edits.setQuestionRules, { questionId: 'q-asks', rules: { points: 3 } })
  lesson = edited(lesson, edits.setHold, { cueId: 'asks', hold: 'answered' })
  lesson = edited(lesson, edits.setEvidence, {
    questionId: 'q-asks',
    evidence: { partId: PART, fromMs: 5000, toMs: 9000 },
  })
  lesson = edited(lesson, edits.addBookmark, {
    partId: PART,
    cueId: 'ring',
    atMs: 1000,
    title: 'Why locks',
  })
  document.value = edited(lesson, edits.addOverlay, {
    partId: PART,
    cueId: 'blade',
    fromMs: 2000,
    toMs: 6500,
    text: 'The sill',
  })
  const { wrapper } = mounted(CueList, {}, inside)
  const cells = (id: string) =>
    wrapper.findAll(`[data-row="${id}"] [role=gridcell]`).map((cell) => cell.text())
  return {
    wrapper,
    cells,
    ids: () => wrapper.findAll('[data-row]').map((row) => row.attributes('data-row')),
  }
}

it('tells kind, words, marks, hold and evidence, and how long an overlay is there', () => {
  const { cells, ids } = list()
  expect(ids()).toEqual(['ring', 'blade', 'asks'])
  expect(cells('asks').slice(1)).toEqual([
    'Question',
    expect.any(String),
    '3',
    'answered',
    '0:05–0:09',
  ])
  expect(cells('blade').slice(1)).toEqual(['Overlay', 'The sill', '', '', '4.5 s'])
  expect(cells('ring').slice(1)).toEqual(['Bookmark', 'Why locks', '', '', ''])
})

it('finds by words, and says where there are none', async () => {
  const { wrapper, ids } = list()
  await wrapper.find('input[type=search]').setValue('SILL')
  expect(ids()).toEqual(['blade'])
  await wrapper.find('input[type=search]').setValue('paddle')
  await nextTick()
  expect(ids()).toEqual([])
  expect(wrapper.text()).toContain('Nothing of this kind')
})
