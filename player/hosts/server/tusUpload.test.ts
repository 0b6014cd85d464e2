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
  const ofOurs = (type: string) => ({ type: `urn:fernbrake:problem:${type}`, detail: 'Why.' })

  it.each([0, 400, 401, 403, 404, 407, 408, 409, 413, 415, 422, 423, 429, 451, 500, 503])(
    'with status %i from somebody else is tried again: nobody loses what they handed in',
    (status) => {
      expect(outcomeOf(failedWith(status))).toEqual({ kind: 'unreachable' })
      expect(outcomeOf(failedWith(status, '<h1>Too large</h1>'))).toEqual({ kind: 'unreachable' })
    },
  )

  it('without an answer is tried again', () => {
    expect(outcomeOf(new Error('no connection'))).toEqual({ kind: 'unreachable' })
  })

  it.each(['too-large', 'file-refused', 'invalid-input'])(
    'is over where the server says %s, and its sentence says why',
    (type) =>
      expect(outcomeOf(failedWith(413, ofOurs(type)))).toEqual({
        kind: 'refused',
        message: 'Why.',
      }),
  )

  it.each(['not-found', 'not-signed-in', 'upload-gone', 'database-away'])(
    'is tried again where the server says %s',
    (type) => expect(outcomeOf(failedWith(404, ofOurs(type)))).toEqual({ kind: 'unreachable' }),
  )
})
