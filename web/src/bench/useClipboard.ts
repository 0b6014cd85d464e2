// Copying, cutting and pasting cues through the clipboard, from one film to another and from tab to tab.
import { onMounted, onScopeDispose } from 'vue'
import { cueStartMs, readClip, type Clip } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { cueWords } from './cueWords.ts'
import type { Bench } from './useBench.ts'

const CLIP_TYPE = 'application/x-fernbrake-cues'
const TEXT_FIELDS = 'input, textarea, select, [contenteditable="true"], [role="dialog"]'

export function useClipboard(bench: Bench, isHere: () => boolean): void {
  const { acts } = bench
  /** Text that is marked or written is the browser's business. */
  function isText(event: ClipboardEvent): boolean {
    const inField = event.target instanceof Element && event.target.closest(TEXT_FIELDS) !== null
    return inField || (event.type !== 'paste' && !(getSelection()?.isCollapsed ?? true))
  }

  function onCopy(event: ClipboardEvent): void {
    if (!isHere() || isText(event)) return
    const clip = acts.copied()
    if (!clip || !event.clipboardData) return
    event.preventDefault()
    event.clipboardData.setData(CLIP_TYPE, JSON.stringify(clip))
    event.clipboardData.setData('text/plain', wordsOf(clip))
    if (event.type === 'cut') acts.remove()
  }

  function onPaste(event: ClipboardEvent): void {
    if (!isHere() || isText(event)) return
    const clip = readClip(event.clipboardData?.getData(CLIP_TYPE) ?? '')
    if (!clip) return
    event.preventDefault()
    acts.paste(clip)
  }

  const listeners = { copy: onCopy, cut: onCopy, paste: onPaste } as const
  onMounted(() => {
    for (const [name, listener] of Object.entries(listeners))
      document.addEventListener(name, listener as EventListener)
  })
  onScopeDispose(() => {
    for (const [name, listener] of Object.entries(listeners))
      document.removeEventListener(name, listener as EventListener)
  })
}

/** The cues as lines to read, for a program that knows nothing of cues. */
function wordsOf({ cues, questions }: Clip): string {
  return cues
    .map((cue) => `${clockTime(cueStartMs(cue))} ${cueWords({ questions }, cue)}`)
    .join('\n')
}
