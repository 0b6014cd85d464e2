// Where somebody goes once they are in: where they were headed, if it is a place of this application, or home.
import type { Router } from 'vue-router'

export async function whereTo(router: Router, wanted: unknown): Promise<void> {
  const to = typeof wanted === 'string' && /^\/(?![/\\])/.test(wanted) ? wanted : '/'
  // The learner's page is not of this application.
  if (/^\/(learn|open|embed)\//.test(to)) location.assign(to)
  else await router.push(to)
}
