// How edits are called where they are spoken of: in what was not taken in, and in the history.
import { useI18n } from 'vue-i18n'
import type { Issue } from '@fernbrake/core/fields'
import { TAKEN_BACK } from '@fernbrake/core/drafts'

export function useEditWords() {
  const { t, te } = useI18n()
  // English has every sentence that there is.
  const known = (name: string) => (te(`edit.${name}`, 'en') ? t(`edit.${name}`) : name)

  /** The name of an edit in words; of one that took another back, that it did. */
  function editWord(name: string): string {
    if (!name.startsWith(TAKEN_BACK)) return known(name)
    return t('history.takenBack', { name: known(name.slice(TAKEN_BACK.length)) })
  }
  /** Why an edit does not fit, by the first thing that is wrong with it. */
  function issueWord([first]: readonly Issue[]): string {
    const key = `bench.issue.${(first?.code ?? '').replaceAll('.', '_')}`
    return te(key, 'en') ? t(key) : t('bench.issue.other')
  }
  return { editWord, issueWord }
}
