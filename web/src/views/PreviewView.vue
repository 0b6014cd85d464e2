<script setup lang="ts">
// The draft as a learner would see it. Nothing that is done here is kept.
import { useI18n } from 'vue-i18n'
import { onScopeDispose, shallowRef } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { mediaFileAddress, mediaPageAddress } from '@fernbrake/core/contract'
import { filmsInOrder, partsInOrder, stagedAddresses, type Lesson } from '@fernbrake/core/lesson'
import { LessonPlayer, type Host } from '@fernbrake/player'
import { createPreviewHost } from '@fernbrake/player/hosts/preview'
import { call } from '../api/client.ts'
import { useSession } from '../stores/session.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ lessonId: string }>()
const { t } = useI18n()
const session = useSession()
const host = shallowRef<Host | null>(null)
const route = useRoute()
/** The part that was open on the bench. */
function partOfAddress(lesson: Lesson): string | null {
  const { part } = route.query
  return typeof part === 'string' && lesson.parts[part] ? part : null
}
const { error, reload } = useLoaded(async () => {
  const { lesson } = await call('lesson', { params: { lessonId: props.lessonId } })
  const ids = filmsInOrder(lesson).flatMap((part) => (part.mediaId ? [part.mediaId] : []))
  const media = await Promise.all(ids.map((mediaId) => call('media', { params: { mediaId } })))
  host.value = createPreviewHost({
    lesson,
    learnerName: session.person?.name ?? '',
    partId: partOfAddress(lesson) ?? partsInOrder(lesson)[0]?.id ?? '',
    atMs: 0,
    staged: stagedAddresses(lesson, (id) => mediaFileAddress(id, 'playable'), mediaPageAddress),
    media: media
      .filter((one) => one.state === 'ready')
      .map(({ id, durationMs, width, height }) => ({
        ...{ id, durationMs: durationMs!, width: width!, height: height! },
        address: mediaFileAddress(id, 'playable'),
        poster: mediaFileAddress(id, 'poster'),
      })),
  })
})
onScopeDispose(() => host.value?.destroy())
</script>

<template>
  <FaultNotice v-if="error" :error="error" @retry="reload" />
  <div v-else class="preview">
    <p class="strip">
      {{ t('preview.strip') }}
      <RouterLink :to="{ name: 'bench', params: { lessonId }, query: route.query }">{{
        t('preview.back')
      }}</RouterLink>
    </p>
    <LessonPlayer v-if="host" :host="host" :aside="t('preview.aside')" class="inside" />
  </div>
</template>

<style scoped>
.preview {
  display: flex;
  flex-direction: column;
  height: 100vh;
}
.strip {
  padding: 6px 22px;
  background: var(--straw-soft);
}
.strip a {
  margin-inline-start: 12px;
  color: var(--ink);
  font-weight: 650;
}
.inside {
  flex: 1;
  min-height: 0;
  height: auto;
}
</style>
