<script setup lang="ts">
// Home: my lessons with their fronds, what I am learning; empty, it leads to the first lesson.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../api/client.ts'
import BeginLesson from '../home/BeginLesson.vue'
import LearningList from '../home/LearningList.vue'
import LessonShelf from '../home/LessonShelf.vue'
import WaitingStrip from '../home/WaitingStrip.vue'
import WorkList from '../home/WorkList.vue'
import { useSession } from '../stores/session.ts'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t } = useI18n()
const session = useSession()

const { value, error, loading, reload } = useLoaded(async () => {
  const [lessons, collections, attempts, classes, piles, enquiries] = await Promise.all([
    session.isDesigner ? call('lessons').then((reply) => reply.lessons) : [],
    session.isDesigner ? call('collections').then((reply) => reply.collections) : [],
    call('myAttempts').then((reply) => reply.attempts),
    call('myWork').then((reply) => reply.classes),
    session.isDesigner ? call('piles').then((reply) => reply.piles) : [],
    session.isDesigner ? call('enquiries').then((reply) => reply.enquiries) : [],
  ])
  return { lessons, collections, attempts, classes, piles, enquiries }
})
const isEmpty = computed(() => value.value !== null && value.value.lessons.length === 0)

document.title = t('app.name')
</script>

<template>
  <AppBar />
  <main class="page">
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <template v-if="session.isDesigner">
      <div class="top">
        <h1>{{ t('home.lessons') }}</h1>
        <BeginLesson />
      </div>
      <WaitingStrip v-if="value" :piles="value.piles" :enquiries="value.enquiries" />
      <div v-if="loading && !value" role="status" :aria-label="t('app.loading')">
        <div v-for="index in 2" :key="index" class="skeleton bone" />
      </div>
      <p v-if="isEmpty" class="empty">{{ t('home.empty') }}</p>
      <LessonShelf
        v-else-if="value"
        :lessons="value.lessons"
        :collections="value.collections"
        @changed="reload"
      />
    </template>
    <section v-if="value && value.classes.length > 0" class="learning">
      <component :is="session.isDesigner ? 'h2' : 'h1'">{{ t('work.title') }}</component>
      <WorkList :classes="value.classes" @changed="reload" />
    </section>
    <section
      v-if="
        value && (value.attempts.length > 0 || (!session.isDesigner && value.classes.length === 0))
      "
      class="learning"
    >
      <h1 v-if="!session.isDesigner && value.classes.length === 0">{{ t('home.learning') }}</h1>
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
