// The places of the application and who they are for.
import { createRouter, createWebHistory, type Router } from 'vue-router'
import { useSession } from './stores/session.ts'

declare module 'vue-router' {
  interface RouteMeta {
    /** Open to people who are not signed in. */
    open?: boolean
  }
}

export function createAppRouter(): Router {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
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
      { path: '/shelf', name: 'shelf', component: () => import('./views/ShelfView.vue') },
      { path: '/keeper', name: 'keeper', component: () => import('./views/KeeperView.vue') },
      {
        path: '/:rest(.*)*',
        name: 'nowhere',
        component: () => import('./views/NowhereView.vue'),
        meta: { open: true },
      },
    ],
    scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
  })
  router.beforeEach(async (to) => {
    const session = useSession()
    // An unreachable server is told by the page itself; sending people to sign in would be a lie.
    const known = await session.ensureKnown()
    if (known && !session.person && !to.meta.open)
      return { name: 'sign-in', query: { to: to.fullPath } }
    return true
  })
  return router
}
