<script setup lang="ts">
// How learners get to a lesson: its link, the link as a code to photograph, and a frame for another page. A page has no frame.
import Button from 'primevue/button'
import { toString as drawCode } from 'qrcode'
import { computed, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { cleanFileName } from './cleanFileName.ts'
import CopyField from './CopyField.vue'
import { frameCode } from './frameCode.ts'

/** The code of a lesson, or the address of a page. */
const props = defineProps<{ code?: string; address?: string; title: string }>()
const { t } = useI18n()
const address = computed(() => props.address ?? `${location.origin}/open/${props.code}`)
const frame = computed(() => frameCode(`${location.origin}/embed/${props.code}`, props.title))
/** The code as SVG; null until it is drawn. */
const drawing = shallowRef<string | null>(null)
watch(
  address,
  async (words) => {
    drawing.value = await drawCode(words, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' })
  },
  { immediate: true },
)
const picture = computed(
  () => drawing.value && `data:image/svg+xml;charset=utf-8,${encodeURIComponent(drawing.value)}`,
)

function download(): void {
  const link = document.createElement('a')
  link.href = picture.value!
  link.download = `${cleanFileName(props.title)}.svg`
  link.click()
}
</script>

<template>
  <CopyField :label="t('sharing.link')" :words="address" data-test="link" />
  <div class="code">
    <img v-if="picture" :src="picture" :alt="t('sharing.codeOf', { address })" />
    <div v-else class="skeleton blank" />
    <div>
      <p>{{ t('sharing.codeHelp') }}</p>
      <Button
        :label="t('sharing.downloadCode')"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="!picture"
        @click="download"
      />
    </div>
  </div>
  <template v-if="code">
    <CopyField :label="t('sharing.embed')" :words="frame" :rows="3" data-test="embed" />
    <p class="help">{{ t('sharing.embedHelp') }}</p>
  </template>
</template>

<style scoped>
.code {
  display: flex;
  align-items: center;
  gap: 20px;
}
img,
.blank {
  flex: none;
  width: 132px;
  height: 132px;
  border: 1px solid var(--line);
  background: #fff;
}
.code p {
  margin-bottom: 10px;
}
.help {
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
