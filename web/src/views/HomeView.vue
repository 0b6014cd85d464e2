<script setup lang="ts">
// Home: my lessons with their fronds, what I am learning; empty, it leads to the first lesson.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { call } from '../api/client.ts'
import LearningList from '../home/LearningList.vue'
import LessonCard from '../home/LessonCard.vue'
import ShareSeveral from '../home/ShareSeveral.vue'
import { useSession } from '../stores/session.ts'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t } = useI18n()
const session = useSession()
const router = useRouter()
const title = ref('')
const busy = ref(false)
const fault = shallowRef<unknown>(null)
// Made once, so that a repeat after a lost answer opens the same lesson.
let newId = nanoid()

const { value, error, loading, reload } = useLoaded(async () => {
  const [lessons, attempts] = await Promise.all([
    session.isDesigner ? call('lessons').then((reply) => reply.lessons) : [],
    call('myAttempts').then((reply) => reply.attempts),
  ])
  return { lessons, attempts }
})
const isEmpty = computed(() => value.value !== null && value.value.lessons.length === 0)

/** The lessons chosen to be shared together; null while nothing is being chosen. */
const chosen = ref<string[] | null>(null)
function choose(id: string, on: boolean): void {
  chosen.value = (chosen.value ?? []).filter((one) => one !== id).concat(on ? [id] : [])
}

async function begin(): Promise<void> {
  const words = title.value.trim()
  if (!words || busy.value) return
  busy.value = true
  fault.value = null
  try {
    const lesson = await call('createLesson', { body: { id: newId, title: words, language: 'en' } })
    newId = nanoid()
    await router.push({ name: 'bench', params: { lessonId: lesson.id } })
  } catch (caught) {
    fault.value = caught
  } finally {
    busy.value = false
  }
}
document.title = t('app.name')
</script>

<template>
  <AppBar />
  <main class="page">
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <template v-if="session.isDesigner">
      <div class="top">
        <h1>{{ t('home.lessons') }}</h1>
        <form class="new" @submit.prevent="begin">
          <label class="visually-hidden" for="new-title">{{ t('home.newTitle') }}</label>
          <InputText
            id="new-title"
            v-model="title"
            :placeholder="t('home.newTitle')"
            maxlength="200"
          />
          <Button type="submit" :label="t('home.begin')" :disabled="title.trim() === '' || busy" />
        </form>
      </div>
      <FaultNotice v-if="fault" :error="fault" @retry="begin" />
      <div v-if="loading && !value" role="status" :aria-label="t('app.loading')">
        <div v-for="index in 2" :key="index" class="skeleton bone" />
      </div>
      <ShareSeveral
        v-if="value && value.lessons.length > 1"
        v-model:chosen="chosen"
        @shared="reload"
      />
      <p v-if="isEmpty" class="empty">{{ t('home.empty') }}</p>
      <div v-else-if="value" class="lessons">
        <LessonCard
          v-for="lesson in value?.lessons"
          :key="lesson.id"
          :lesson="lesson"
          :chosen="chosen?.includes(lesson.id)"
          :choosing="chosen !== null"
          @choose="choose(lesson.id, $event)"
        />
      </div>
    </template>
    <section v-if="value && (value.attempts.length > 0 || !session.isDesigner)" class="learning">
      <h1 v-if="!session.isDesigner">{{ t('home.learning') }}</h1>
      <h2 v-else>{{ t('home.learning') }}</h2>
      <p v-if="value.attempts.length === 0" class="empty">{{ t('home.nothingToLearn') }}</p>
      <LearningList v-else :attempts="value.attempts" />
    </section>
    <div v-else-if="loading" role="status" :aria-label="t('app.loading')">
      <div class="skeleton bone" />
    </div>
  </main>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  margin-bottom: 24px;
}
.new {
  display: flex;
  gap: 10px;
}
.new input {
  width: 260px;
}
.lessons {
  display: grid;
  gap: 16px;
}
.bone {
  height: 170px;
  margin-bottom: 16px;
}
.empty {
  max-width: 52ch;
  padding: 24px 0;
  font-family: var(--reading);
  font-size: 17px;
  color: var(--ink-2);
}
.learning {
  margin-top: 32px;
}
.learning h1,
.learning h2 {
  margin-bottom: 16px;
}
</style>
