// The places of the application and who they are for.
import {
  createRouter,
  createWebHistory,
  type RouteLocationNormalized,
  type RouteRecordRaw,
  type Router,
} from 'vue-router'
import { useSession } from './stores/session.ts'

declare module 'vue-router' {
  interface RouteMeta {
    /** Open to people who are not signed in. */
    open?: boolean
  }
}

const PLACES: RouteRecordRaw[] = [
  { path: '/', name: 'home', component: () => import('./views/HomeView.vue') },
  {
    path: '/sign-in',
    name: 'sign-in',
    component: () => import('./views/SignInView.vue'),
    meta: { open: true },
  },
  {
    path: '/lessons/:lessonId',
    name: 'bench',
    component: () => import('./views/BenchView.vue'),
    props: true,
  },
  // The same bench in another place: what can be undone there can be undone here.
  {
    path: '/lessons/:lessonId/routes',
    name: 'routes',
    component: () => import('./views/BenchView.vue'),
    props: true,
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

/** `fetchShared` brings what all pages share but those on which people come in; it is called until it has. */
export function createAppRouter(fetchShared: () => Promise<void>): Router {
  const router = createRouter({
    history: createWebHistory(),
    routes: PLACES,
    scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
  })
  let shared: Promise<void> | null = null
  const sharedOnce = () => {
    shared ??= fetchShared().catch((fault: unknown) => {
      shared = null
      throw fault
    })
    return shared
  }
  /** Whoever is signed in finds the bar of the application on open pages too. */
  const needsShared = ({ meta }: RouteLocationNormalized) =>
    !meta.open || useSession().person !== null
  router.beforeEach(async (to) => {
    const session = useSession()
    // An unreachable server is told by the page itself; sending people to sign in would be a lie.
    const known = await session.ensureKnown()
    const isChoosing = session.session?.choosing
    if (isChoosing && to.name !== 'password' && to.name !== 'sign-in')
      return { name: 'password', query: { to: to.fullPath } }
    if (known && !session.person && (!to.meta.open || (to.name === 'password' && !isChoosing)))
      return { name: 'sign-in', query: { to: to.fullPath } }
    // Fetched along with the page itself, which is shown once both are there.
    if (needsShared(to)) void sharedOnce().catch(() => null)
    return true
  })
  router.beforeResolve(async (to) => {
    if (needsShared(to)) await sharedOnce()
  })
  return router
}
