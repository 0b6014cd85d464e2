<script setup lang="ts">
// The shelf: all media a person has; found, described, seen where they are used, replaced.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import MediaSheet from '../shelf/MediaSheet.vue'
import { findMedia, lacks, SHELF_FILTERS, type ShelfFilter } from '../shelf/find.ts'
import { pictureIn, usePictureUpload } from '../shelf/usePictureUpload.ts'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t, n } = useI18n()
const { value, error, loading, reload } = useLoaded(async () => (await call('mediaList')).media)
const { share, fault, put } = usePictureUpload()
const file = useTemplateRef('file')
const words = ref('')
const filter = ref<ShelfFilter>('all')
const chosenId = ref<string | null>(null)
const filters = computed(() =>
  SHELF_FILTERS.map((name) => ({ value: name, label: t(`shelf.filter.${name}`) })),
)
/** What was refused, so that nothing of it was kept, is not on the shelf. */
const all = computed(() =>
  (value.value ?? []).filter(({ state, bytes }) => state !== 'failed' || bytes > 0),
)
const found = computed(() => findMedia(all.value, words.value, filter.value))
const chosen = computed(() => all.value.find(({ id }) => id === chosenId.value) ?? null)

function changed(media: Media): void {
  value.value = all.value.map((one) => (one.id === media.id ? media : one))
}
async function take(picture: File): Promise<void> {
  const media = await put(picture, picture.name)
  if (!media) return
  value.value = [media, ...all.value]
  words.value = ''
  filter.value = 'all'
  chosenId.value = media.id
}
function onFile(event: Event): void {
  const input = event.target as HTMLInputElement
  const [picture] = input.files ?? []
  if (picture) void take(picture)
  input.value = ''
}
function onPaste(event: ClipboardEvent): void {
  const picture = pictureIn(event.clipboardData)
  if (picture) void take(picture)
}
function onDrop(event: DragEvent): void {
  const picture = pictureIn(event.dataTransfer)
  if (picture) void take(picture)
}
const sizeOf = ({ kind, durationMs, width, height }: Media) =>
  kind === 'film' && durationMs ? clockTime(durationMs) : width ? `${width} × ${height}` : ''
</script>

<template>
  <AppBar />
  <main class="page" @paste="onPaste" @dragover.prevent @drop.prevent="onDrop">
    <div class="head">
      <h1>{{ t('shelf.title') }}</h1>
      <Button :label="t('shelf.addPicture')" @click="file?.click()" />
      <input
        ref="file"
        class="visually-hidden"
        type="file"
        accept="image/*"
        tabindex="-1"
        :aria-label="t('shelf.addPicture')"
        @change="onFile"
      />
    </div>
    <p class="muted">{{ t('shelf.help') }}</p>
    <p v-if="share !== null" role="status">
      {{ t('picture.sending', { share: n(share, { style: 'percent' }) }) }}
    </p>
    <p v-if="fault" class="notice" role="alert">{{ t(`picture.fault.${fault}`) }}</p>
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <div v-else-if="loading && !value" role="status" :aria-label="t('app.loading')">
      <div class="skeleton bone" />
    </div>
    <p v-else-if="all.length === 0" class="empty">{{ t('shelf.empty') }}</p>
    <template v-else>
      <div class="tools">
        <InputText
          v-model="words"
          type="search"
          :aria-label="t('shelf.search')"
          :placeholder="t('shelf.search')"
        />
        <Select
          v-model="filter"
          :options="filters"
          option-label="label"
          option-value="value"
          :aria-label="t('shelf.show')"
        />
        <p role="status" class="muted">{{ t('shelf.count', found.length) }}</p>
      </div>
      <div class="desk" :class="{ split: chosen }">
        <ul class="grid">
          <li v-for="media in found" :key="media.id">
            <button
              type="button"
              class="card"
              :class="{ selected: media.id === chosenId }"
              :aria-pressed="media.id === chosenId"
              @click="chosenId = media.id === chosenId ? null : media.id"
            >
              <img
                v-if="media.files.includes('poster')"
                :src="mediaFileAddress(media.id, 'poster')"
                alt=""
                loading="lazy"
              />
              <span v-else class="blank">{{ t(`shelf.state.${media.state}`) }}</span>
              <b dir="auto">{{ media.title }}</b>
              <span class="muted">
                {{ t(`shelf.kind.${media.kind}`) }} <span class="mono">{{ sizeOf(media) }}</span>
              </span>
              <span v-for="lack in lacks(media)" :key="lack" class="lack">
                {{ t(`shelf.lacks.${lack}`) }}
              </span>
            </button>
          </li>
        </ul>
        <MediaSheet
          v-if="chosen"
          :key="chosen.id"
          :media="chosen"
          :all="all"
          @changed="changed"
          @close="chosenId = null"
        />
      </div>
    </template>
  </main>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  margin: 18px 0;
}
.tools > :first-child {
  flex: 0 1 320px;
}
.desk.split {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(320px, 420px);
  gap: 24px;
  align-items: start;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 16px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.card {
  display: grid;
  gap: 4px;
  width: 100%;
  padding: 8px 8px 10px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  text-align: start;
  overflow-wrap: anywhere;
  cursor: pointer;
}
.card.selected {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 1px var(--ink);
}
.card img,
.blank {
  width: 100%;
  height: 118px;
  object-fit: contain;
  background: var(--sunk);
}
.blank {
  display: grid;
  place-items: center;
  padding: 8px;
  font-size: 13.5px;
  text-align: center;
}
.lack {
  justify-self: start;
  padding: 1px 8px;
  background: var(--straw-soft);
  color: var(--ink);
  font-size: 12.5px;
}
@media (max-width: 860px) {
  .desk.split {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
