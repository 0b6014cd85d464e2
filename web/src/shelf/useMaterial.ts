// One search over the shelf and all archives.
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ArchiveFound, Material, Media } from '@fernbrake/core/contract'
import { cutText } from '@fernbrake/core/fields'
import { meets, termsOf, type TermsWanted } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import { useLoaded } from '../ui/useLoaded.ts'
import { findMedia } from './find.ts'

/** So long somebody who types has to rest before archives are asked, in ms. */
const REST_MS = 400

/** What archives are asked for: as much as they take. */
const soughtIn = (words: string): string => cutText(words.trim(), 200).trim()

export interface MaterialWanted {
  /** Null for every kind. */
  kind: Media['kind'] | null
  /** Films that stay with their host are shown too. */
  takesHosted: boolean
  /** Not shown: what is there already. */
  except: string | null
}

/** `words` is what is looked for; archives are asked only where there are some. */
export function useMaterial(words: Readonly<Ref<string>>, wanted: () => MaterialWanted) {
  const { t } = useI18n()
  const terms = ref<TermsWanted>('any')
  const shelf = useLoaded(async () => (await call('mediaList')).media)
  const usable = computed(() => {
    const { kind, takesHosted, except } = wanted()
    return (shelf.value.value ?? []).filter(
      (one) =>
        (kind === null || one.kind === kind) &&
        one.state === 'ready' &&
        one.id !== except &&
        (takesHosted || one.hosted === null),
    )
  })
  /** What people write themselves says it in their own language. */
  const freeWords = computed(() => ['own', 'public'].map((one) => t(`shelf.licence.${one}`)))
  const onShelf = computed(() =>
    findMedia(usable.value, words.value, 'all').filter(({ licence }) =>
      meets(freeWords.value.includes(licence) ? 'free' : termsOf(licence), terms.value),
    ),
  )

  const rested = refDebounced(words, REST_MS)
  const asking = useLoaded(async () => {
    const looked = soughtIn(rested.value)
    if (looked === '') return { looked, archives: [] }
    return { looked, archives: (await call('findMaterial', { query: { words: looked } })).archives }
  })
  watch(rested, () => void asking.reload())
  const isSuited = ({ kind, stays, terms: given }: Material) => {
    const { kind: own, takesHosted } = wanted()
    return (own === null || kind === own) && (takesHosted || !stays) && meets(given, terms.value)
  }
  const archives = computed((): ArchiveFound[] =>
    (asking.value.value?.archives ?? []).map((archive) => ({
      ...archive,
      found: archive.found.filter(isSuited),
    })),
  )
  /** Whether what archives say belongs to other words than those that stand there. */
  const isLooking = computed(
    () => soughtIn(words.value) !== '' && asking.value.value?.looked !== soughtIn(words.value),
  )
  /** The medium that was taken from there before; null where it was not. */
  const takenBefore = ({ page, kind }: Material): Media | null =>
    usable.value.find((one) => page !== null && one.source === page && one.kind === kind) ?? null

  return { terms, shelf, onShelf, asking, archives, isLooking, takenBefore }
}
