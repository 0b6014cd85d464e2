// What the end of a test run tells comes out of the runners' own reports.
import { expect, it } from 'vitest'
import { readPlaywright, readVitest } from './failures.mjs'

const red = (words) => `${String.fromCharCode(27)}[31m${words}${String.fromCharCode(27)}[39m`

it('names what failed in Vitest, without colours, and as much of the reason as tells what happened', () => {
  const long = Array.from({ length: 40 }, (_, at) => red(`line ${at}`)).join('\n')
  const report = {
    numPassedTests: 7,
    testResults: [
      {
        name: 'core/a.test.ts',
        status: 'failed',
        assertionResults: [
          { status: 'passed', fullName: 'holds', failureMessages: [] },
          { status: 'failed', fullName: 'counts', failureMessages: [long] },
        ],
      },
      { name: 'core/b.test.ts', status: 'passed', assertionResults: [] },
    ],
  }
  const { passed, failures } = readVitest(report)
  expect(passed).toBe(7)
  expect(failures.map(({ name }) => name)).toEqual(['core/a.test.ts › counts'])
  expect(failures[0].reason.split('\n')).toHaveLength(12)
  expect(failures[0].reason).toMatch(/^line 0\nline 1\n/)
})

it('counts a file that could not be loaded, and one whose set-up failed, as one failure each', () => {
  const report = {
    numPassedTests: 0,
    testResults: [
      { name: 'a.test.ts', status: 'failed', message: 'No such module', assertionResults: [] },
      {
        name: 'b.test.ts',
        status: 'failed',
        message: 'No database',
        assertionResults: [{ status: 'skipped', fullName: 'x', failureMessages: [] }],
      },
    ],
  }
  expect(readVitest(report).failures).toEqual([
    { name: 'a.test.ts', reason: 'No such module' },
    { name: 'b.test.ts', reason: 'No database' },
  ])
})

it('names what failed in the browser, however deep it stands, what passed only the second time, and what failed outside of tests', () => {
  const spec = (title, status, messages = []) => ({
    file: 'quiz.spec.ts',
    title,
    tests: [{ status, results: [{ errors: messages.map((message) => ({ message })) }] }],
  })
  const report = {
    stats: { expected: 3 },
    errors: [{ message: 'Cannot find the browser' }],
    suites: [
      {
        specs: [spec('is asked', 'expected')],
        suites: [
          { specs: [spec('is kept', 'unexpected', [red('gone')]), spec('shakes', 'flaky')] },
        ],
      },
      { specs: [spec('was left out', 'skipped')] },
    ],
  }
  expect(readPlaywright(report)).toEqual({
    passed: 3,
    failures: [
      { name: 'quiz.spec.ts › is kept', reason: 'gone' },
      { name: 'quiz.spec.ts › shakes', reason: '' },
      { name: 'outside the tests', reason: 'Cannot find the browser' },
    ],
  })
})
