<script setup lang="ts">
// The colours and typefaces in which learners see the lesson, with a sample of what comes of them.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, shownTheme, THEME_FONTS, USUAL_THEME, type Theme } from '@fernbrake/core/lesson'
import { useTheme } from '@fernbrake/player'
import ChoiceField from '../ChoiceField.vue'
import ColourField from '../ColourField.vue'
import { useBench, useRights } from '../useBench.ts'

const { draft } = useBench()
const { canEdit } = useRights()
const { t } = useI18n()
const theme = computed(() => draft.lesson.value.theme ?? USUAL_THEME)
const shown = computed(() => shownTheme(theme.value))
const style = useTheme(() => theme.value)
const fonts = computed(() =>
  THEME_FONTS.map((value) => ({ value, label: t(`lesson.font.${value}`) })),
)
const COLOURS = ['accent', 'ground'] as const
const change = (theme: Partial<Theme>) => draft.make(edits.setTheme, { theme })
</script>

<template>
  <div class="pair">
    <ColourField
      v-for="name in COLOURS"
      :key="name"
      :label="t(`lesson.colour.${name}`)"
      :colour="theme[name]"
      :usual="USUAL_THEME[name]"
      @change="change({ [name]: $event ?? USUAL_THEME[name] })"
    />
    <ChoiceField
      v-for="name in ['reading', 'interface'] as const"
      :key="name"
      :label="t(`lesson.fontOf.${name}`)"
      :value="theme[name]"
      :choices="fonts"
      @change="change({ [name]: $event })"
    />
  </div>
  <template v-for="name in COLOURS" :key="name">
    <p v-if="shown.moved[name]" class="notice straw" role="status">
      <span class="swatch" :style="{ background: shown[name] }" />
      {{ t(`lesson.moved.${name}`) }}
    </p>
  </template>
  <div class="sample themed" :style="style" aria-hidden="true">
    <p class="title" dir="auto">{{ draft.lesson.value.title }}</p>
    <p class="text">{{ t('lesson.sampleText') }}</p>
    <p class="foot">
      <span class="button">{{ t('lesson.sampleButton') }}</span>
      <span class="picked">{{ t('lesson.samplePicked') }}</span>
    </p>
  </div>
  <Button
    v-if="canEdit && draft.lesson.value.theme"
    class="usual"
    :label="t('lesson.usualLook')"
    size="small"
    severity="secondary"
    variant="text"
    @click="draft.make(edits.setTheme, { theme: null })"
  />
</template>

<style scoped>
.swatch {
  display: inline-block;
  width: 15px;
  height: 15px;
  margin-inline-end: 6px;
  border: 1px solid var(--line-strong);
  vertical-align: -2px;
}
.sample {
  padding: 16px 18px;
  border: 1px solid var(--line);
  background: var(--ground);
}
.title {
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.text {
  margin: 6px 0 12px;
  font-family: var(--reading);
  font-size: 17px;
}
.foot {
  display: flex;
  gap: 12px;
}
.button,
.picked {
  padding: 8px 14px;
  border-radius: var(--radius);
  font-weight: 650;
}
.button {
  background: var(--fern);
  color: var(--on-act);
}
.picked {
  border-inline-start: 4px solid var(--fern);
  background: var(--fern-soft);
  color: var(--fern-deep);
}
.usual {
  align-self: start;
}
</style>
