// Who is signed in here.
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { Session } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import { leave } from '../api/leaving.ts'
import { noteWhoIsHere } from '../api/broughtBack.ts'

export const useSession = defineStore('session', () => {
  const session = shallowRef<Session | null>(null)
  const person = computed(() => session.value?.person ?? null)
  const isDesigner = computed(
    () => person.value?.role === 'designer' || person.value?.role === 'keeper',
  )

  watch(person, (now) => noteWhoIsHere(now?.id ?? null), { flush: 'sync' })

  /** Asks the server once; answers whether it is known who is here. */
  async function ensureKnown(): Promise<boolean> {
    if (session.value) return true
    try {
      session.value = await call('session')
      return true
    } catch {
      return false
    }
  }

  /** Asks again who is here, after something else may have changed it. */
  async function ask(): Promise<void> {
    session.value = await call('session')
  }

  async function choosePassword(password: string, before?: string): Promise<void> {
    const body = { password, ...(before === undefined ? {} : { before }) }
    session.value = await call('choosePassword', { body })
  }

  async function signIn(email: string, password: string): Promise<void> {
    const before = person.value?.id
    session.value = await call('signIn', { body: { email, password } })
    // A session may have run out, and somebody else sits here now.
    if (before !== undefined && before !== person.value?.id) leave()
  }

  async function signOut(): Promise<void> {
    session.value = await call('signOut')
    leave()
  }

  return { session, person, isDesigner, ensureKnown, ask, choosePassword, signIn, signOut }
})
