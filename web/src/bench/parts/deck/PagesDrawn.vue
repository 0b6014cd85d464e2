<script setup lang="ts">
// The pages of a document that is being prepared, each as soon as it is drawn: whoever waits for two hundred sees that they come.
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaPageAddress } from '@fernbrake/core/contract'
import { MOST_DOCUMENT_PAGES } from '@fernbrake/core/lesson'
import { call } from '../../../api/client.ts'
import { isUnderWay } from '../../placing/placings.ts'
import type { Place } from '../../placing/places.ts'
import { useBench } from '../../useBench.ts'

const props = defineProps<{ place: Place }>()
const { placings } = useBench()
const { t, n } = useI18n()
/** How often it is asked how many have been drawn, in ms. */
const ASK_EVERY_MS = 1000
const coming = computed(
  () =>
    placings
      .at(props.place)
      .find((one) => one.kind === 'document' && one.step === 'preparing' && isUnderWay(one)) ??
    null,
)
const mediaId = computed(() => coming.value?.mediaId ?? null)
const count = ref(0)
/** Which pages have been drawn; they need not come in their order. */
const drawn = ref<ReadonlySet<number>>(new Set())

/** Asks for the pages that are not there yet, those first that come first. */
async function look(id: string): Promise<void> {
  if (count.value === 0) {
    const media = await call('media', { params: { mediaId: id } })
    count.value = Math.min(media.pageCount ?? 0, MOST_DOCUMENT_PAGES)
  }
  const reached = Math.round((coming.value?.share ?? 0) * count.value)
  const missing = Array.from({ length: Math.min(count.value, reached + 8) }, (_, at) => at + 1)
  for (const page of missing.filter((one) => !drawn.value.has(one))) {
    const { ok } = await fetch(mediaPageAddress(id, page), { method: 'HEAD' })
    if (mediaId.value !== id) return
    if (ok) drawn.value = new Set([...drawn.value, page])
  }
}

let timer: ReturnType<typeof setTimeout> | undefined
function ask(id: string): void {
  clearTimeout(timer)
  timer = setTimeout(() => {
    // What cannot be asked now is asked again.
    void look(id)
      .catch(() => undefined)
      .finally(() => mediaId.value === id && ask(id))
  }, ASK_EVERY_MS)
}
watch(
  mediaId,
  (id) => {
    clearTimeout(timer)
    drawn.value = new Set()
    count.value = 0
    if (id) ask(id)
  },
  { immediate: true },
)
onScopeDispose(() => clearTimeout(timer))
const shown = computed(() => [...drawn.value].sort((a, b) => a - b))
</script>

<template>
  <div v-if="mediaId && shown.length > 0" class="drawn">
    <p class="muted" role="status">
      {{ t('parts.pagesDrawn', { n: n(shown.length), of: n(count) }) }}
    </p>
    <ol :aria-label="t('parts.pagesSoFar')">
      <li v-for="page in shown" :key="page">
        <img :src="mediaPageAddress(mediaId, page)" :alt="String(page)" loading="lazy" />
      </li>
    </ol>
  </div>
</template>

<style scoped>
ol {
  display: flex;
  gap: 8px;
  margin: 6px 0 14px;
  padding: 0 0 6px;
  overflow-x: auto;
  list-style: none;
}
img {
  display: block;
  height: 96px;
  width: auto;
  border: 1px solid var(--line);
  background: #fff;
}
</style>
