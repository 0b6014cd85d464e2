<script setup lang="ts">
// What is known of one medium, where it is used, and putting another in its place.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { useDebounceFn } from '@vueuse/core'
import {
  computed,
  onMounted,
  onScopeDispose,
  reactive,
  ref,
  shallowRef,
  useId,
  useTemplateRef,
} from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import { addressMeant, cleanText, isWebAddress } from '@fernbrake/core/fields'
import { MOST_TAGS, readTags } from '@fernbrake/core/lesson'
import { call } from '../api/client.ts'
import SoundPlayer from '../ui/SoundPlayer.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import FilmSound from './FilmSound.vue'
import HostedPreview from './HostedPreview.vue'
import PictureCutter from './PictureCutter.vue'
import ReplaceMedium from './ReplaceMedium.vue'

const props = defineProps<{ media: Media; all: readonly Media[] }>()
const emit = defineEmits<{
  changed: [media: Media]
  added: [media: Media]
  removed: [mediaId: string]
  close: []
}>()
const { t } = useI18n()
const sheet = useTemplateRef('sheet')
/** So much of it must be in sight, in pixels. */
const IN_SIGHT = 120
// On a narrow screen it opens above the list, out of sight of what was pressed.
onMounted(() => {
  const top = sheet.value?.getBoundingClientRect().top ?? 0
  if (top < 0 || top > innerHeight - IN_SIGHT) sheet.value?.scrollIntoView()
})
const FIELDS = [
  { name: 'title', max: 200, rows: 1 },
  { name: 'alternative', max: 1000, rows: 2 },
  { name: 'description', max: 2000, rows: 3 },
  { name: 'credit', max: 500, rows: 1 },
  { name: 'licence', max: 200, rows: 1 },
  { name: 'source', max: 2000, rows: 1 },
  { name: 'sourceNote', max: 2000, rows: 2 },
] as const
type Field = (typeof FIELDS)[number]['name']
const fields = computed(() =>
  FIELDS.filter(
    ({ name }) => name !== 'alternative' || !['film', 'document'].includes(props.media.kind),
  ),
)
/** What is offered; any other words can be written. */
const LICENCES = ['own', 'asked', 'public', 'cc0', 'by', 'bySa', 'byNc', 'byNcSa'] as const
const licencesId = useId()
const labelOf = (name: Field) =>
  name === 'alternative' && props.media.kind === 'sound'
    ? t('shelf.field.said')
    : t(`shelf.field.${name}`)
const cutting = ref(false)
function made(media: Media): void {
  cutting.value = false
  emit('added', media)
}
const KEEP_AFTER_MS = 500
const mediaId = props.media.id
const typed = reactive({
  ...Object.fromEntries(FIELDS.map(({ name }) => [name, props.media[name]])),
  tags: props.media.tags.join(', '),
} as Record<Field | 'tags', string>)
const state = ref<'kept' | 'keeping' | 'failed'>('kept')
let waiting: Partial<Pick<Media, Field | 'tags'>> = {}

function change(name: Field | 'tags', text: string): void {
  typed[name] = text
  const clean = cleanText(text)
  if (name === 'source') return changeSource(clean)
  if (name === 'tags') waiting.tags = readTags(clean).slice(0, MOST_TAGS)
  // A medium is never without a title; the last one stays until there is another.
  else if (name !== 'title' || clean.trim() !== '') waiting[name] = clean
  state.value = 'keeping'
  void keepSoon()
}

/** What is no address yet is not sent: it waits for the rest of it. */
const isSourceWrong = ref(false)
function changeSource(text: string): void {
  const address = text.trim() === '' ? '' : addressMeant(text)
  isSourceWrong.value = address !== '' && !isWebAddress(address)
  if (isSourceWrong.value) return
  waiting.source = address
  state.value = 'keeping'
  void keepSoon()
}

async function keep(): Promise<void> {
  const body = waiting
  if (Object.keys(body).length === 0) return
  waiting = {}
  try {
    const media = await call('describeMedia', { params: { mediaId }, body })
    state.value = Object.keys(waiting).length === 0 ? 'kept' : 'keeping'
    emit('changed', media)
  } catch {
    waiting = { ...body, ...waiting }
    state.value = 'failed'
  }
}
const keepSoon = useDebounceFn(keep, KEEP_AFTER_MS)
onScopeDispose(() => void keep())

const uses = useLoaded(() => call('mediaUses', { params: { mediaId } }))
const whereIn = ({ draft, editions }: { draft: boolean; editions: number }) =>
  [
    ...(draft ? [t('shelf.inDraft')] : []),
    ...(editions > 0 ? [t('shelf.inEditions', editions)] : []),
  ].join(', ')
const inDrafts = computed(() => uses.value.value?.lessons.filter(({ draft }) => draft).length ?? 0)

/** It is asked once more: what is removed is gone for good. */
const removing = ref(false)
const removeFault = shallowRef<unknown>(null)
async function remove(): Promise<void> {
  removeFault.value = null
  try {
    await call('removeMedia', { params: { mediaId } })
    waiting = {}
    emit('removed', mediaId)
  } catch (error) {
    removeFault.value = error
    removing.value = false
    await uses.reload()
  }
}
</script>

<template>
  <section ref="sheet" class="sheet" :aria-label="media.title">
    <div class="top">
      <p class="muted" role="status">{{ t(`shelf.${state}`) }}</p>
      <Button
        v-if="state === 'failed'"
        :label="t('app.retry')"
        size="small"
        severity="secondary"
        variant="text"
        @click="keep"
      />
      <Button
        :label="t('sheet.close')"
        size="small"
        severity="secondary"
        variant="text"
        @click="emit('close')"
      />
    </div>
    <p v-if="media.state === 'failed'" class="notice">{{ t(`shelf.fault.${media.fault}`) }}</p>
    <HostedPreview
      v-else-if="media.hosted && media.state === 'ready'"
      :hosted="media.hosted"
      :title="media.title"
    />
    <video
      v-else-if="media.kind === 'film' && media.state === 'ready'"
      :src="mediaFileAddress(media.id, 'playable')"
      :poster="mediaFileAddress(media.id, 'poster')"
      controls
      preload="none"
    />
    <SoundPlayer
      v-else-if="media.kind === 'sound' && media.state === 'ready'"
      :src="mediaFileAddress(media.id, 'playable')"
      :name="media.title"
    />
    <PictureCutter
      v-else-if="media.state === 'ready' && cutting"
      :media-id="media.id"
      @made="made"
      @close="cutting = false"
    />
    <template v-else-if="media.kind === 'document' && media.state === 'ready'">
      <img
        v-if="media.files.includes('poster')"
        :src="mediaFileAddress(media.id, 'poster')"
        :alt="t('shelf.firstPage')"
      />
      <a :href="mediaFileAddress(media.id, 'original')" download>{{ t('shelf.download') }}</a>
    </template>
    <img
      v-else-if="media.state === 'ready'"
      :src="mediaFileAddress(media.id, 'playable')"
      :alt="media.alternative"
    />
    <Button
      v-if="media.kind === 'picture' && media.state === 'ready' && !cutting"
      class="cut"
      :label="t('cut.open')"
      size="small"
      severity="secondary"
      variant="outlined"
      @click="cutting = true"
    />
    <p v-if="media.cutFrom" class="muted">{{ t('cut.isCut') }}</p>
    <FilmSound
      :media="media"
      :help="t(media.soundFrom ? 'sounds.is' : 'sounds.onShelf')"
      @taken="emit('added', $event)"
    />
    <div v-for="field in fields" :key="field.name" class="field">
      <label :for="`media-${field.name}`">{{ labelOf(field.name) }}</label>
      <datalist v-if="field.name === 'licence'" :id="licencesId">
        <option v-for="name in LICENCES" :key="name" :value="t(`shelf.licence.${name}`)" />
      </datalist>
      <InputText
        v-if="field.rows === 1"
        :id="`media-${field.name}`"
        :model-value="typed[field.name]"
        :maxlength="field.max"
        :list="field.name === 'licence' ? licencesId : undefined"
        dir="auto"
        :invalid="field.name === 'source' && isSourceWrong"
        @update:model-value="change(field.name, $event ?? '')"
      />
      <Textarea
        v-else
        :id="`media-${field.name}`"
        :model-value="typed[field.name]"
        :maxlength="field.max"
        :rows="field.rows"
        auto-resize
        dir="auto"
        @update:model-value="change(field.name, $event ?? '')"
      />
      <p v-if="field.name === 'source' && isSourceWrong" class="notice" role="alert">
        {{ t('shelf.noAddress') }}
      </p>
    </div>
    <div class="field">
      <label for="media-tags">{{ t('shelf.field.tags') }}</label>
      <InputText
        id="media-tags"
        :model-value="typed.tags"
        maxlength="1000"
        @update:model-value="change('tags', $event ?? '')"
      />
    </div>
    <h2>{{ t('shelf.whereUsed') }}</h2>
    <FaultNotice v-if="uses.error.value" :error="uses.error.value" @retry="uses.reload" />
    <ul v-else-if="uses.value.value && uses.value.value.lessons.length > 0">
      <li v-for="lesson in uses.value.value.lessons" :key="lesson.id">
        <RouterLink :to="{ name: 'bench', params: { lessonId: lesson.id } }">
          {{ lesson.title || t('bench.untitled') }}
        </RouterLink>
        <span class="muted">
          {{ whereIn(lesson) }}
        </span>
      </li>
    </ul>
    <template v-else-if="uses.value.value">
      <p class="muted">{{ t('shelf.notUsed') }}</p>
      <div v-if="media.state !== 'preparing'" class="top">
        <template v-if="removing">
          <p>{{ t('shelf.removeSure') }}</p>
          <Button :label="t('shelf.removeNow')" size="small" severity="danger" @click="remove" />
          <Button
            :label="t('shelf.keepIt')"
            size="small"
            severity="secondary"
            variant="text"
            @click="removing = false"
          />
        </template>
        <Button
          v-else
          :label="t('shelf.remove')"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="removing = true"
        />
      </div>
    </template>
    <FaultNotice v-if="removeFault" :error="removeFault" @retry="remove" />
    <ReplaceMedium :media="media" :all="all" :in-drafts="inDrafts" @replaced="uses.reload" />
  </section>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 12px;
  padding: 14px 18px 20px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.top p {
  margin-inline-end: auto;
}
img,
video {
  max-width: 100%;
  max-height: 240px;
  justify-self: center;
  background: var(--sunk);
}
.field {
  display: grid;
  gap: 4px;
}
label {
  font-size: 13.5px;
  color: var(--ink-2);
}
.cut {
  justify-self: start;
}
h2 {
  font-size: 15px;
}
li .muted {
  margin-inline-start: 8px;
}
ul {
  margin: 0;
  padding-inline-start: 18px;
}
</style>
