<script setup lang="ts">
// Beginning a lesson: with nothing but a title, or from a template.
import { nanoid } from 'nanoid'
import { ref, shallowRef, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import type { Lesson } from '@fernbrake/core/lesson'
import type { TemplateName } from '@fernbrake/core/templates'
import { call } from '../api/client.ts'
import { useTemplates } from '../lesson/useTemplates.ts'
import FaultNotice from '../ui/FaultNotice.vue'

const { t } = useI18n()
const router = useRouter()
const id = useId()
const title = ref('')
const busy = ref(false)
const shows = ref(false)
const fault = shallowRef<unknown>(null)
let again: () => Promise<void> = () => Promise.resolve()
const { templates, lessonFrom } = useTemplates()
// Made once, so that a repeat after a lost answer opens the same lesson.
let newId = nanoid()

async function begin(words: string, document?: () => Promise<Lesson>): Promise<void> {
  if (!words || busy.value) return
  again = () => begin(words, document)
  busy.value = true
  fault.value = null
  try {
    const from = document ? { from: { document: await document() } } : {}
    const body = { id: newId, title: words, language: 'en', ...from }
    const lesson = await call('createLesson', { body })
    newId = nanoid()
    await router.push({ name: 'bench', params: { lessonId: lesson.id } })
  } catch (caught) {
    fault.value = caught
  } finally {
    busy.value = false
  }
}
function choose(name: TemplateName): void {
  const words = title.value.trim() || t(`template.${name}.name`)
  void begin(words, () => lessonFrom(name, { title: words, language: 'en' }))
}
</script>

<template>
  <form class="new" @submit.prevent="begin(title.trim())">
    <label class="visually-hidden" :for="id">{{ t('home.newTitle') }}</label>
    <input
      :id="id"
      v-model="title"
      class="fb-input"
      :placeholder="t('home.newTitle')"
      maxlength="200"
    />
    <button type="submit" class="fb-button act" :disabled="title.trim() === '' || busy">
      {{ t('home.begin') }}
    </button>
    <button type="button" class="fb-button" :aria-expanded="shows" @click="shows = !shows">
      {{ t('template.from') }}
    </button>
  </form>
  <FaultNotice v-if="fault" class="wide" :error="fault" @retry="again()" />
  <section v-if="shows" class="wide" :aria-label="t('template.from')">
    <p class="muted">{{ t('template.help') }}</p>
    <ul>
      <li v-for="template in templates" :key="template.name">
        <button type="button" class="template" :disabled="busy" @click="choose(template.name)">
          <b>{{ template.words }}</b>
          <span>{{ template.about }}</span>
          <span class="muted">{{ template.parts }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.new {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.new input {
  width: 260px;
}
.wide {
  flex: 1 0 100%;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px;
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
}
.template {
  display: flex;
  flex-direction: column;
  gap: 6px;
  width: 100%;
  height: 100%;
  padding: 14px 16px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.template:hover {
  border-color: var(--fern);
  background: var(--fern-soft);
}
b {
  font-family: var(--reading);
  font-size: 17px;
}
.muted {
  margin-top: auto;
  font-size: 13.5px;
}
</style>
