<script setup lang="ts">
// Beside the place for a film, while a lesson has no part: what else it can begin with.
import { shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, PART_KINDS } from '@fernbrake/core/lesson'
import type { TemplateName } from '@fernbrake/core/templates'
import { useTemplates } from '../lesson/useTemplates.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { useAddPart } from './useAddPart.ts'
import { useBench, useRights } from './useBench.ts'

const { draft, lesson } = useBench()
const rights = useRights()
const { t } = useI18n()
const add = useAddPart()
const { templates, lessonFrom } = useTemplates()
const OTHERS = PART_KINDS.filter((kind) => kind !== 'film')
const fault = shallowRef<unknown>(null)

/** What has been said of the lesson stays; all of it is one step that can be undone. */
async function begin(name: TemplateName): Promise<void> {
  fault.value = null
  try {
    const { title, language } = lesson.value
    const words = { title: title || t(`template.${name}.name`), language }
    draft.make(edits.beginFrom, { lesson: await lessonFrom(name, words) })
  } catch (caught) {
    fault.value = caught
  }
}
</script>

<template>
  <section class="first" :aria-label="t('first.title')">
    <h2>{{ t('first.title') }}</h2>
    <p>{{ t('first.film') }}</p>
    <template v-if="rights.canEdit.value">
      <h3>{{ t('first.parts') }}</h3>
      <ul>
        <li v-for="kind in OTHERS" :key="kind">
          <button type="button" class="link-button" @click="add(kind)">
            {{ t(`parts.adds.${kind}`) }}
          </button>
        </li>
      </ul>
      <h3>{{ t('template.from') }}</h3>
      <FaultNotice v-if="fault" :error="fault" @retry="fault = null" />
      <ul>
        <li v-for="one in templates" :key="one.name">
          <button type="button" class="link-button" @click="begin(one.name)">
            {{ one.words }}
          </button>
          <span class="muted">{{ one.about }}</span>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.first {
  display: flex;
  flex-direction: column;
  gap: 10px;
  height: 100%;
  padding: 28px 26px;
  background: var(--surface);
  overflow-y: auto;
}
h2 {
  font-family: var(--reading);
  font-size: 21px;
}
h3 {
  margin-top: 10px;
  font-size: 15px;
}
ul {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
/* What is pressed begins where the words above it do. */
.link-button {
  padding-inline: 0;
}
.muted {
  display: block;
  font-size: 13.5px;
}
</style>
