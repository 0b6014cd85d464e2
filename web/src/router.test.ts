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
function routerFor(
  session: object,
  fetchTexts: () => Promise<void>,
  fetchComponents = () => Promise.resolve(),
) {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(session))))
  const router = createAppRouter({ fetchTexts, fetchComponents })
  for (const { name, path, meta } of router.getRoutes())
    router.addRoute({ name: name!, path, meta, component: { template: '<p />' } })
  return router
}

describe('what all pages share', () => {
  it.each(['/sign-in', '/join', '/open-lessons', '/nowhere/at/all'])(
    'is not fetched for %s while nobody is signed in',
    async (path) => {
      const fetchTexts = vi.fn(() => Promise.resolve())
      const router = routerFor(NOBODY, fetchTexts)
      await router.push(path)
      expect(router.currentRoute.value.path).toBe(path)
      expect(fetchTexts).not.toHaveBeenCalled()
    },
  )

  it('is not fetched for a page that leads to sign in first', async () => {
    const fetchTexts = vi.fn(() => Promise.resolve())
    const router = routerFor(NOBODY, fetchTexts)
    await router.push('/shelf')
    expect(router.currentRoute.value.fullPath).toBe('/sign-in?to=/shelf')
    expect(fetchTexts).not.toHaveBeenCalled()
  })

  it('is fetched once, and there before the page is shown, for whoever is signed in, on open pages too', async () => {
    let isThere = false
    const fetchTexts = vi.fn(async () => {
      await Promise.resolve()
      isThere = true
    })
    const router = routerFor(SOMEBODY, fetchTexts)
    router.afterEach(() => expect(isThere).toBe(true))
    await router.push('/open-lessons')
    await router.push('/shelf')
    await router.push('/')
    expect(fetchTexts).toHaveBeenCalledTimes(1)
  })

  it('that could not be fetched keeps the page from being shown half, and is fetched again', async () => {
    const fetchTexts = vi
      .fn(() => Promise.resolve())
      .mockRejectedValueOnce(new Error('the line was cut'))
      .mockRejectedValueOnce(new Error('the line is still cut'))
    const router = routerFor(SOMEBODY, fetchTexts)
    await expect(router.push('/shelf')).rejects.toThrow('the line is still cut')
    expect(router.currentRoute.value.path).not.toBe('/shelf')
    await router.push('/shelf')
    expect(router.currentRoute.value.path).toBe('/shelf')
    expect(fetchTexts).toHaveBeenCalledTimes(3)
  })
})

describe('the components', () => {
  it('are not waited for by pages that have none, and are there before the first that has some', async () => {
    const fetchComponents = vi.fn(() => Promise.resolve())
    const router = routerFor(SOMEBODY, () => Promise.resolve(), fetchComponents)
    await router.push('/open-lessons')
    await router.push('/')
    expect(fetchComponents).not.toHaveBeenCalled()
    await router.push('/shelf')
    await router.push('/classes')
    expect(fetchComponents).toHaveBeenCalledTimes(1)
  })
})

describe('what is fetched while it is asked who is here', () => {
  const { dataset } = document.documentElement
  afterEach(() => delete dataset.session)

  it.each([
    ['with a session', '', 1],
    ['without one', undefined, 0],
  ])('is what the page needs, %s', async (_, session, times) => {
    if (session !== undefined) dataset.session = session
    const fetchTexts = vi.fn(() => Promise.resolve())
    const router = routerFor(NOBODY, fetchTexts)
    vi.stubGlobal('fetch', () => new Promise(() => null))
    void router.push('/shelf')
    await Promise.resolve()
    await new Promise((done) => setTimeout(done))
    expect(fetchTexts).toHaveBeenCalledTimes(times)
  })

  it('is shown to nobody whose session has ended', async () => {
    dataset.session = ''
    const router = routerFor(NOBODY, () => Promise.resolve())
    await router.push('/shelf')
    expect(router.currentRoute.value.name).toBe('sign-in')
  })
})
