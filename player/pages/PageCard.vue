<script setup lang="ts">
// A page of the web in a text. It opens over the lesson rather than among the lines: on a phone a frame within a text
// would catch every scroll. Where it does not let itself be shown it opens in a tab of its own.
import { nextTick, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Block } from '@fernbrake/core/fields'
import PageSheet from './PageSheet.vue'
import { hostOf } from './webAddress.ts'

const props = defineProps<{ block: Extract<Block, { block: 'page' }> }>()
const { t } = useI18n()
const open = ref(false)
const opener = useTemplateRef('opener')
const host = hostOf(props.block.address)

function close(): void {
  open.value = false
  void nextTick(() => opener.value?.focus({ preventScroll: true }))
}
</script>

<template>
  <span class="page-card">
    <span class="what">
      <b v-if="block.title" dir="auto">{{ block.title }}</b>
      <span class="host">{{ host || t('player.openedPage') }}</span>
    </span>
    <button
      v-if="block.opens === 'inside'"
      ref="opener"
      class="fb-button"
      type="button"
      :aria-label="t('player.openPageOf', { title: block.title || host })"
      @click="open = true"
    >
      {{ t('player.openPage') }}
    </button>
    <a
      v-else
      class="fb-button"
      :href="block.address"
      target="_blank"
      rel="noopener noreferrer"
      :aria-label="`${t('player.openPageOf', { title: block.title || host })} (${t('player.opens.newTab')})`"
    >
      {{ t('player.openInTab') }}
    </a>
    <PageSheet v-if="open" :address="block.address" :words="block.title" @close="close" />
  </span>
</template>

<style scoped>
.page-card {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  margin: 8px 0;
  padding: 10px 14px;
  border: 1px solid var(--line-strong);
  border-inline-start: 4px solid var(--slate);
  border-radius: var(--radius);
  font-family: var(--interface);
  font-size: 15px;
  font-weight: 400;
}
.what {
  display: grid;
  flex: 1 1 160px;
  min-width: 0;
  overflow-wrap: anywhere;
}
.host {
  color: var(--ink-2);
  font-size: 13.5px;
}
a {
  text-decoration: none;
}
</style>
