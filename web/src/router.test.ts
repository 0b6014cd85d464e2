// @vitest-environment happy-dom
// What is fetched before anybody is signed in, and what only then.
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createAppRouter } from './router.ts'

const NOBODY = { person: null, choosing: null, demoAccounts: [] }
const SOMEBODY = {
  ...NOBODY,
  person: { id: 'p', name: 'Merrin Coldwell', email: 'm@harrowmere.example', role: 'designer' },
}

beforeEach(() => {
  setActivePinia(createPinia())
  history.replaceState(null, '', '/')
})
afterEach(() => vi.unstubAllGlobals())

/** A router for whoever is here, with views that are not fetched. */
function routerFor(session: object, fetchShared: () => Promise<void>) {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(session))))
  const router = createAppRouter(fetchShared)
  for (const { name, path, meta } of router.getRoutes())
    router.addRoute({ name: name!, path, meta, component: { template: '<p />' } })
  return router
}

describe('what all pages share', () => {
  it.each(['/sign-in', '/join', '/open-lessons', '/nowhere/at/all'])(
    'is not fetched for %s while nobody is signed in',
    async (path) => {
      const fetchShared = vi.fn(() => Promise.resolve())
      const router = routerFor(NOBODY, fetchShared)
      await router.push(path)
      expect(router.currentRoute.value.path).toBe(path)
      expect(fetchShared).not.toHaveBeenCalled()
    },
  )

  it('is not fetched for a page that leads to sign in first', async () => {
    const fetchShared = vi.fn(() => Promise.resolve())
    const router = routerFor(NOBODY, fetchShared)
    await router.push('/shelf')
    expect(router.currentRoute.value.fullPath).toBe('/sign-in?to=/shelf')
    expect(fetchShared).not.toHaveBeenCalled()
  })

  it('is fetched once, and there before the page is shown, for whoever is signed in, on open pages too', async () => {
    let isThere = false
    const fetchShared = vi.fn(async () => {
      await Promise.resolve()
      isThere = true
    })
    const router = routerFor(SOMEBODY, fetchShared)
    router.afterEach(() => expect(isThere).toBe(true))
    await router.push('/open-lessons')
    await router.push('/shelf')
    await router.push('/')
    expect(fetchShared).toHaveBeenCalledTimes(1)
  })

  it('that could not be fetched keeps the page from being shown half, and is fetched again', async () => {
    const fetchShared = vi
      .fn(() => Promise.resolve())
      .mockRejectedValueOnce(new Error('the line was cut'))
      .mockRejectedValueOnce(new Error('the line is still cut'))
    const router = routerFor(SOMEBODY, fetchShared)
    await expect(router.push('/shelf')).rejects.toThrow('the line is still cut')
    expect(router.currentRoute.value.path).not.toBe('/shelf')
    await router.push('/shelf')
    expect(router.currentRoute.value.path).toBe('/shelf')
    expect(fetchShared).toHaveBeenCalledTimes(3)
  })
})
