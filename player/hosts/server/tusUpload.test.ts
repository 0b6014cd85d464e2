// @vitest-environment node
// What comes of a sending that failed: a file is given up only where it can never be taken.
import { describe, expect, it } from 'vitest'
import { outcomeOf } from './tusUpload.ts'

const failedWith = (status: number, body: unknown = {}) =>
  Object.assign(new Error('failed'), {
    originalResponse: {
      getStatus: () => status,
      getBody: () => (typeof body === 'string' ? body : JSON.stringify(body)),
    },
  }) as unknown as Error

describe('a sending that failed', () => {
  it.each([0, 401, 403, 404, 409, 423, 429, 500, 503])(
    'with status %i is tried again: nobody loses what they handed in',
    (status) => {
      expect(outcomeOf(failedWith(status))).toEqual({ kind: 'unreachable' })
    },
  )

  it('without an answer is tried again', () => {
    expect(outcomeOf(new Error('no connection'))).toEqual({ kind: 'unreachable' })
  })

  it.each([413, 415])('with status %i is over, and the server’s sentence says why', (status) => {
    const detail = 'By its content this is not one of the sorts that are asked for.'
    expect(outcomeOf(failedWith(status, { detail }))).toEqual({ kind: 'refused', message: detail })
  })

  it('that a proxy refused says what the proxy said', () => {
    expect(outcomeOf(failedWith(413, '<h1>Too large</h1>'))).toEqual({
      ...{ kind: 'refused', message: '<h1>Too large</h1>' },
    })
  })
})
