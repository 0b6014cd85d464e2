// What a press on the picture brings up: words, or a page of the web. The rest is the session's affair.
import { nextTick, ref, shallowRef, watch } from 'vue'
import type { Opens } from '@fernbrake/core/fields'
import { opensOf, type OverlayCue } from '@fernbrake/core/lesson'
import type { FilmSession } from './useFilmSession.ts'

export function useStageActs(session: FilmSession) {
  const words = ref<string | null>(null)
  const page = shallowRef<{ address: string; words: string } | null>(null)
  /** Where the focus was when something came up. */
  let pressed: HTMLElement | null = null
  let wasPlaying = false
  watch(
    () => session.state.value.playing,
    (playing) => {
      if (playing) words.value = null
    },
  )
  const giveBackFocus = () => void nextTick(() => pressed?.focus())

  function open(address: string, opens: Opens, about: string): void {
    // Whoever reads elsewhere must not miss the film.
    wasPlaying = session.state.value.playing
    session.pause()
    if (opens === 'newTab') return void window.open(address, '_blank', 'noopener,noreferrer')
    pressed = document.activeElement as HTMLElement | null
    page.value = { address, words: about }
  }

  function act({ action, content, text }: OverlayCue): void {
    if (content?.form === 'link' && content.address)
      return open(content.address, opensOf(content), text)
    if (!action) return
    if (action.does === 'address' && action.address)
      return open(action.address, opensOf(action), text)
    session.act(action)
    if (action.does !== 'text') return
    pressed = document.activeElement as HTMLElement | null
    words.value = action.text
  }

  return {
    words,
    page,
    act,
    hideWords() {
      words.value = null
      giveBackFocus()
    },
    closePage() {
      page.value = null
      giveBackFocus()
      if (wasPlaying) void session.play()
    },
  }
}
