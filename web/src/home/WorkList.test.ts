// @vitest-environment happy-dom
// What a class gave somebody to learn: how it stands, and what can be done with it by now.
import { describe, expect, it } from 'vitest'
import type { MyAssignment } from '@fernbrake/core/contract'
import { mounted } from '../testing/mounted.ts'
import WorkList from './WorkList.vue'

const hours = (count: number) => new Date(Date.now() + count * 3_600_000).toISOString()
const attempt = (more: object = {}) => ({
  id: 'attempt',
  number: 1,
  watched: 0.5,
  answered: 2,
  questions: 4,
  points: 1,
  max: 4,
  isComplete: false,
  finishedAt: null,
  lastSeenAt: hours(-1),
  marked: 0,
  ...more,
})
const given = (more: object = {}): MyAssignment =>
  ({
    id: 'one',
    title: 'Water That Climbs',
    posterMediaId: null,
    opensAt: null,
    dueAt: null,
    closesAt: null,
    mostAttempts: 2,
    attempts: [],
    newReplies: 0,
    tells: true,
    wasTold: false,
    rules: { completion: { by: 'watched', share: 0.8 }, lateUntil: null, counts: 'best' },
    ...more,
  }) as unknown as MyAssignment

function list(...assignments: MyAssignment[]) {
  const { wrapper } = mounted(WorkList, {
    classes: [{ id: 'c', title: 'Spring Intake', assignments }],
  })
  return {
    words: wrapper.text(),
    state: wrapper.find('.stands').exists() ? wrapper.find('.stands').text() : '',
    acts: wrapper.findAll('.acts button, .acts a').map((one) => one.text()),
  }
}

it('a class that gave nothing says so', () => {
  expect(list().words).toContain('Nothing')
})

describe('what can be done', () => {
  it.each<[what: string, more: object, acts: RegExp[]]>([
    ['begin, while it is open', {}, [/Begin/]],
    ['nothing, before it opens', { opensAt: hours(2) }, []],
    ['nothing, after it closed', { closesAt: hours(-1) }, []],
    [
      'look again, after it closed',
      { closesAt: hours(-1), attempts: [attempt()] },
      [/again/, /esult/],
    ],
    ['go on, or begin a second time', { attempts: [attempt()] }, [/on/, /esult/, /2/]],
    ['no third time where two are allowed', { attempts: [attempt(), attempt()] }, [/on/, /esult/]],
    [
      'no second time once what is right was told',
      { attempts: [attempt()], wasTold: true },
      [/on/, /esult/],
    ],
    [
      'say by hand that it is done',
      {
        attempts: [attempt()],
        mostAttempts: 1,
        rules: { completion: { by: 'hand', share: 0 }, counts: 'best' },
      },
      [/on/, /esult/, /worked through/],
    ],
    [
      'nothing more by hand, once it is done',
      {
        attempts: [attempt({ isComplete: true })],
        mostAttempts: 1,
        rules: { completion: { by: 'hand', share: 0 }, counts: 'best' },
      },
      [/on/, /esult/],
    ],
  ])('%s', (_what, more, expected) => {
    const { acts } = list(given(more))
    expect(acts).toHaveLength(expected.length)
    expected.forEach((one, at) => expect(acts[at]).toMatch(one))
  })
})

describe('how it stands', () => {
  it('tells marks only where the class tells them', () => {
    expect(list(given({ attempts: [attempt()] })).words).toMatch(/1.*4/)
    expect(list(given({ attempts: [attempt()], tells: false })).words).not.toMatch(/marks|points/i)
  })
  it('says what is wanted until it is done', () => {
    expect(list(given()).words).toContain('80')
    expect(list(given({ attempts: [attempt({ isComplete: true })] })).words).not.toContain('80')
  })
})
