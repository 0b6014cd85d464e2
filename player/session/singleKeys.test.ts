import { beforeEach, expect, it, vi } from 'vitest'

const kept = new Map<string, string>()
beforeEach(() => {
  kept.clear()
  vi.resetModules()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  })
})
/** As on a page that was just opened. */
const open = () => import('./singleKeys.ts')

it('letters act until they are switched off, on this device from then on', async () => {
  const first = await open()
  expect(first.keysOn.value).toBe(true)
  first.switchKeys(false)
  expect(first.keysOn.value).toBe(false)
  vi.resetModules()
  const second = await open()
  expect(second.keysOn.value).toBe(false)
  second.switchKeys(true)
  vi.resetModules()
  expect((await open()).keysOn.value).toBe(true)
})

it('without storage the wish lasts for the sitting', async () => {
  vi.stubGlobal('localStorage', undefined)
  const { keysOn, switchKeys } = await open()
  expect(keysOn.value).toBe(true)
  switchKeys(false)
  expect(keysOn.value).toBe(false)
})
