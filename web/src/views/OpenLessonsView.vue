<script setup lang="ts">
// The lessons that everyone may learn.
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { call } from '../api/client.ts'
import { useSession } from '../stores/session.ts'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import FernMark from '../ui/FernMark.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t } = useI18n()
const session = useSession()
const { value, error, loading, reload } = useLoaded(async () => (await call('openLessons')).lessons)
document.title = t('openLessons.title')
</script>

<template>
  <AppBar />
  <main class="page">
    <h1>{{ t('openLessons.title') }}</h1>
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <div v-else-if="loading && !value" role="status" :aria-label="t('app.loading')">
      <div class="skeleton bone" />
    </div>
    <p v-else-if="value?.length === 0" class="empty">{{ t('openLessons.none') }}</p>
    <ul v-else>
      <li v-for="lesson in value" :key="lesson.code">
        <a :href="`/open/${lesson.code}`">
          <img v-if="lesson.hasCover" :src="`/api/links/${lesson.code}/cover`" alt="" />
          <span v-else class="blank"><FernMark /></span>
          <span class="words">
            <b dir="auto">{{ lesson.title }}</b>
            <span v-if="lesson.level || lesson.tags.length > 0" class="muted" dir="auto">{{
              [lesson.level, ...lesson.tags].filter(Boolean).join(' · ')
            }}</span>
            <span v-if="lesson.summary" class="summary" dir="auto">{{ lesson.summary }}</span>
          </span>
        </a>
      </li>
    </ul>
    <p v-if="!session.person">
      <RouterLink to="/sign-in">{{ t('openLessons.signIn') }}</RouterLink>
    </p>
  </main>
</template>

<style scoped>
h1 {
  margin-bottom: 20px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
  gap: 20px;
  margin: 0 0 24px;
  padding: 0;
  list-style: none;
}
a:has(img, .blank) {
  display: flex;
  flex-direction: column;
  height: 100%;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  text-decoration: none;
}
a:has(img, .blank):hover {
  border-color: var(--line-strong);
}
img,
.blank {
  display: block;
  width: 100%;
  height: 160px;
  object-fit: cover;
  background: var(--sunk);
}
.blank :deep(svg) {
  display: block;
  width: 48px;
  height: 48px;
  margin: 56px auto;
  opacity: 0.35;
}
.words {
  display: grid;
  gap: 4px;
  padding: 14px 18px 16px;
}
b {
  font-family: var(--reading);
  font-size: 19px;
  overflow-wrap: anywhere;
}
.summary {
  font-family: var(--reading);
}
.bone {
  height: 260px;
}
</style>
