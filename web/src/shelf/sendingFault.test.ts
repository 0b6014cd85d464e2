// Which sendings go on by themselves, and which say that there is no room.
import { describe, expect, it } from 'vitest'
import type { DetailedError } from 'tus-js-client'
import { isNoRoom, mayPass } from './sendingFault.ts'

const failed = (status: number | null, body = '') =>
  Object.assign(new Error('failed'), {
    originalResponse: status === null ? null : { getStatus: () => status, getBody: () => body },
  }) as unknown as DetailedError
const noRoom = JSON.stringify({ type: 'urn:fernbrake:problem:no-room', detail: 'Why.' })

describe('a sending that stopped', () => {
  it.each([null, 0, 409, 423, 500, 502, 503, 507])('with %s goes on by itself', (status) =>
    expect(mayPass(failed(status, '<h1>Away</h1>'))).toBe(true),
  )
  it.each([400, 401, 403, 404, 413, 422])('with %s does not', (status) =>
    expect(mayPass(failed(status))).toBe(false),
  )
  it('for want of room says so, and does not go on', () => {
    expect([isNoRoom(failed(507, noRoom)), mayPass(failed(507, noRoom))]).toEqual([true, false])
    for (const body of ['', 'null', '{', '{"type":"urn:fernbrake:problem:no-room"}'])
      expect(isNoRoom(failed(507, body))).toBe(false)
    expect(isNoRoom(new Error('no connection'))).toBe(false)
  })
})
