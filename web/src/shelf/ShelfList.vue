<script setup lang="ts">
// The media of one kind on the shelf, to choose one from; many are looked for by their words.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { findMedia } from './find.ts'

const props = defineProps<{ media: readonly Media[] }>()
const emit = defineEmits<{ chosen: [media: Media] }>()
const { t } = useI18n()
/** From so many on, they are looked for by words. */
const MANY = 7
const words = ref('')
const found = computed(() => findMedia(props.media, words.value, 'all'))
</script>

<template>
  <div class="shelf">
    <input
      v-if="media.length >= MANY"
      v-model="words"
      type="search"
      class="fb-input"
      :aria-label="t('shelf.search')"
      :placeholder="t('shelf.search')"
    />
    <p v-if="found.length === 0 && words" class="muted" role="status">
      {{ t('shelf.nothingFound') }}
    </p>
    <ul v-else :aria-label="t('shelf.title')">
      <li v-for="one in found" :key="one.id">
        <button type="button" @click="emit('chosen', one)">
          <img
            v-if="one.files.includes('poster')"
            :src="mediaFileAddress(one.id, 'poster')"
            :alt="one.alternative"
            loading="lazy"
          />
          <span dir="auto">{{ one.title }}</span>
          <span v-if="one.durationMs" class="mono">{{ clockTime(one.durationMs) }}</span>
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.shelf {
  display: grid;
  gap: 8px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
  gap: 8px;
  max-height: 260px;
  margin: 0;
  padding: 2px;
  overflow-y: auto;
  list-style: none;
}
button {
  display: grid;
  align-content: start;
  width: 100%;
  height: 100%;
  gap: 4px;
  padding: 4px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 12.5px;
  text-align: start;
  overflow-wrap: anywhere;
  cursor: pointer;
}
img {
  width: 100%;
  height: 64px;
  object-fit: contain;
  background: var(--sunk);
}
</style>
