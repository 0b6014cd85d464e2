<script setup lang="ts">
// The shelf: all media a person has; found, described, seen where they are used, replaced.
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import { measureHosted, needsMeasuring } from '../shelf/measureHosted.ts'
import MediaSheet from '../shelf/MediaSheet.vue'
import { findMedia, lacks, SHELF_FILTERS, type ShelfFilter } from '../shelf/find.ts'
import SoundShape from '../shelf/SoundShape.vue'
import ShelfAdd from '../shelf/ShelfAdd.vue'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t } = useI18n()
/** Whether slides of presentations can be drawn here. */
const drawsSlides = ref(true)
const { value, error, loading, reload } = useLoaded(async () => {
  const { media, drawsSlides: draws } = await call('mediaList')
  drawsSlides.value = draws
  // One whose player was not asked, for the tab was closed too early.
  for (const one of media.filter(needsMeasuring)) measureHosted(one).then(changed, () => undefined)
  return media
})
const adding = useTemplateRef('adding')
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
function added(media: Media): void {
  value.value = [media, ...all.value.filter(({ id }) => id !== media.id)]
  words.value = ''
  filter.value = 'all'
  chosenId.value = media.id
}
function removed(mediaId: string): void {
  value.value = all.value.filter(({ id }) => id !== mediaId)
  chosenId.value = null
}
function sizeOf({ durationMs, width, height, pageCount }: Media): string {
  if (pageCount) return t('shelf.pages', pageCount)
  return durationMs ? clockTime(durationMs) : width ? `${width} × ${height}` : ''
}
</script>

<template>
  <AppBar />
  <main
    class="page"
    @paste="adding?.takeFrom($event.clipboardData)"
    @dragover.prevent
    @drop.prevent="adding?.takeFrom($event.dataTransfer)"
  >
    <div class="head">
      <h1>{{ t('shelf.title') }}</h1>
    </div>
    <p class="muted">{{ t('shelf.help') }}</p>
    <p v-if="!drawsSlides" class="muted">{{ t('shelf.noSlides') }}</p>
    <ShelfAdd ref="adding" @taken="added" />
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
              <span v-else-if="media.kind === 'sound'" class="blank"
                ><SoundShape :media="media"
              /></span>
              <span v-else class="blank">{{
                media.kind === 'document' && media.state === 'ready'
                  ? t('shelf.kind.document')
                  : t(`shelf.state.${media.state}`)
              }}</span>
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
          @added="added"
          @removed="removed"
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
  .desk.split > :last-child {
    order: -1;
  }
}
</style>
