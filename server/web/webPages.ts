// What a designer is told of a page of the web, or of one of this server's own.
import type { PageCheck } from '@fernbrake/core/contract'
import { STAND_IN_PAGES } from '../settings.ts'
import { lookAtPage } from './lookAtPage.ts'
import type { Context } from '../context.ts'

/** Looks at an address on behalf of a lesson that is shown at `lessonOrigin`. */
export async function checkPage(
  { mayAskAddress }: Context,
  address: string,
  lessonOrigin: string,
): Promise<PageCheck> {
  if (address.startsWith('/')) return checkOwnPage(address)
  return lookAtPage(address, { lessonOrigin, mayAsk: mayAskAddress })
}

/** Pages of this server need its session, which a frame in a lesson does not get; stand-ins need none. */
function checkOwnPage(address: string): PageCheck {
  const isStandIn = address.startsWith(`${STAND_IN_PAGES}/`)
  return { finding: isStandIn ? 'inside' : 'newTab', status: null, title: '' }
}
