import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { useCaptionLook } from './useCaptionLook.ts'

const kept = new Map<string, string>()
beforeEach(() => {
  kept.clear()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  })
})

describe('the look of captions', () => {
  it('is kept on the device', async () => {
    const look = useCaptionLook()
    expect(look).toEqual({ size: 'usual', ground: 'dark' })
    Object.assign(look, { size: 'large', ground: 'light' })
    await nextTick()
    expect(useCaptionLook()).toEqual({ size: 'large', ground: 'light' })
  })
  it.each(['nonsense', '{"size":"huge","ground":7}', 'null'])('%s is as usual', (written) => {
    kept.set('fernbrake-caption-look', written)
    expect(useCaptionLook()).toEqual({ size: 'usual', ground: 'dark' })
  })
})
