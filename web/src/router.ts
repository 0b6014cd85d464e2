// The places of the application and who they are for.
import {
  createRouter,
  createWebHistory,
  START_LOCATION,
  type RouteLocationNormalized,
  type RouteRecordRaw,
  type Router,
} from 'vue-router'
import { askForBench, askForDesk, askForHome } from './askAhead.ts'
import { useSession } from './stores/session.ts'

declare module 'vue-router' {
  interface RouteMeta {
    /** Open to people who are not signed in. */
    open?: boolean
    /** Places with the same page are one, in which nothing begins anew. */
    page?: string
    /** Made without the components that other pages share, which are then not waited for. */
    plain?: boolean
    /** Asks for what the page shows while the page is still on its way; done with the first page alone. */
    ahead?: (to: RouteLocationNormalized, isDesigner: boolean) => void
  }
}

const BENCH = () => import('./views/BenchView.vue')
const PLACES: RouteRecordRaw[] = [
  {
    path: '/',
    name: 'home',
    component: () => import('./views/HomeView.vue'),
    meta: { plain: true, ahead: askForHome },
  },
  {
    path: '/sign-in',
    name: 'sign-in',
    component: () => import('./views/SignInView.vue'),
    meta: { open: true },
  },
  {
    path: '/lessons/:lessonId',
    name: 'bench',
    component: BENCH,
    props: true,
    meta: { page: 'bench', ahead: askForBench },
  },
  // The same bench in another place: what can be undone there can be undone here.
  {
    path: '/lessons/:lessonId/routes',
    name: 'routes',
    component: BENCH,
    props: true,
    meta: { page: 'bench' },
  },
  {
    path: '/lessons/:lessonId/preview',
    name: 'preview',
    component: () => import('./views/PreviewView.vue'),
    props: true,
  },
  {
    path: '/lessons/:lessonId/results',
    name: 'results',
    component: () => import('./views/ResultsView.vue'),
    props: true,
  },
  {
    path: '/lessons/:lessonId/results/talk',
    name: 'lesson-talk',
    component: () => import('./views/TalkView.vue'),
    props: true,
  },
  {
    path: '/lessons/:lessonId/results/:report(watching|questions|ways|comparison)',
    name: 'report',
    component: () => import('./views/ReportView.vue'),
    props: true,
  },
  {
    path: '/lessons/:lessonId/sharing',
    name: 'sharing',
    component: () => import('./views/SharingView.vue'),
    props: true,
  },
  {
    path: '/open-lessons',
    name: 'open-lessons',
    component: () => import('./views/OpenLessonsView.vue'),
    meta: { open: true },
  },
  {
    path: '/open-collections/:code',
    name: 'open-collection',
    component: () => import('./views/OpenCollectionView.vue'),
    props: true,
    meta: { open: true },
  },
  {
    path: '/collections/:collectionId',
    name: 'collection',
    component: () => import('./views/CollectionView.vue'),
    props: true,
  },
  { path: '/classes', name: 'classes', component: () => import('./views/ClassesView.vue') },
  {
    path: '/classes/:classId',
    name: 'class',
    component: () => import('./views/ClassView.vue'),
    props: true,
  },
  {
    path: '/classes/:classId/assignments/:assignmentId',
    name: 'standing',
    component: () => import('./views/StandingView.vue'),
    props: true,
  },
  {
    path: '/classes/:classId/assignments/:assignmentId/:report(watching|questions|ways|comparison)',
    name: 'class-report',
    component: () => import('./views/ReportView.vue'),
    props: true,
  },
  {
    path: '/classes/:classId/assignments/:assignmentId/now',
    name: 'now',
    component: () => import('./views/NowView.vue'),
    props: true,
  },
  {
    path: '/classes/:classId/assignments/:assignmentId/talk',
    name: 'talk',
    component: () => import('./views/TalkView.vue'),
    props: true,
  },
  {
    path: '/my-results/:attemptId',
    name: 'my-results',
    component: () => import('./views/MyResultsView.vue'),
    props: true,
  },
  {
    path: '/stand-ins/mailbox',
    name: 'mailbox',
    component: () => import('./views/MailboxView.vue'),
  },
  { path: '/marking', name: 'marking', component: () => import('./views/MarkingView.vue') },
  {
    path: '/marking/:source(assignment|lesson)/:sourceId',
    name: 'desk',
    component: () => import('./views/DeskView.vue'),
    props: true,
    meta: { ahead: askForDesk },
  },
  {
    path: '/join/:code?',
    name: 'join',
    component: () => import('./views/JoinView.vue'),
    props: true,
    meta: { open: true },
  },
  {
    path: '/password',
    name: 'password',
    component: () => import('./views/PasswordView.vue'),
    meta: { open: true },
  },
  { path: '/shelf', name: 'shelf', component: () => import('./views/ShelfView.vue') },
  { path: '/keeper', name: 'keeper', component: () => import('./views/KeeperView.vue') },
  {
    path: '/:rest(.*)*',
    name: 'nowhere',
    component: () => import('./views/NowhereView.vue'),
    meta: { open: true },
  },
]

/** What pages share, each fetched with the first page that needs it. */
export interface Shared {
  /** All texts but those of the pages on which people come in. */
  fetchTexts(): Promise<void>
  /** The components, ready to be used; they speak with the texts, which are on their way. */
  fetchComponents(texts: Promise<void>): Promise<void>
}

/** Called again only where it failed. */
function once(fetch: () => Promise<void>): () => Promise<void> {
  let fetched: Promise<void> | null = null
  return () =>
    (fetched ??= fetch().catch((fault: unknown) => {
      fetched = null
      throw fault
    }))
}

export function createAppRouter({ fetchTexts, fetchComponents }: Shared): Router {
  const router = createRouter({
    history: createWebHistory(),
    routes: PLACES,
    // A page that has just come stands at its top; one that shows something else of the same stays where it is.
    scrollBehavior: (to, from, saved) =>
      saved ?? (from === START_LOCATION || to.path === from.path ? false : { top: 0 }),
  })
  const texts = once(fetchTexts)
  const components = once(() => fetchComponents(texts()))
  /** Whoever is signed in finds the bar of the application on open pages too. */
  const needsTexts = ({ meta }: RouteLocationNormalized) =>
    !meta.open || useSession().person !== null
  async function fetchFor(to: RouteLocationNormalized): Promise<void> {
    await Promise.all([texts(), ...(to.meta.open || to.meta.plain ? [] : [components()])])
  }
  /** A session came along with the page, so somebody is probably signed in: what they will see is fetched while it is asked who. */
  const isExpected = 'session' in document.documentElement.dataset
  function fetchAhead(to: RouteLocationNormalized): void {
    if (to.meta.open) return
    void fetchFor(to).catch(() => null)
    for (const { components: views } of to.matched) {
      const view = views?.default
      // A view that is still to be fetched is a function that fetches it; whatever fails is asked for again below.
      if (typeof view === 'function') void (view as () => Promise<unknown>)().catch(() => null)
    }
  }
  router.beforeEach(async (to, from) => {
    const session = useSession()
    if (isExpected && !session.session) fetchAhead(to)
    // An unreachable server is told by the page itself; sending people to sign in would be a lie.
    const known = await session.ensureKnown()
    const isChoosing = session.session?.choosing
    if (isChoosing && to.name !== 'password' && to.name !== 'sign-in')
      return { name: 'password', query: { to: to.fullPath } }
    if (known && !session.person && (!to.meta.open || (to.name === 'password' && !isChoosing)))
      return { name: 'sign-in', query: { to: to.fullPath } }
    if (session.person && from === START_LOCATION) to.meta.ahead?.(to, session.isDesigner)
    // Fetched along with the page itself, which is shown once both are there.
    if (needsTexts(to)) void fetchFor(to).catch(() => null)
    return true
  })
  router.beforeResolve(async (to) => {
    if (needsTexts(to)) await fetchFor(to)
  })
  return router
}
