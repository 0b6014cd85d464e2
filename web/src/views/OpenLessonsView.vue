<script setup lang="ts">
// The lessons that everyone may learn, found by words, and the collections that everyone may see.
import { onScopeDispose, ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { call } from '../api/client.ts'
import OpenLessonList from '../finding/OpenLessonList.vue'
import { useSession } from '../stores/session.ts'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

/** So long after the last key they are looked for, in ms. */
const PAUSE_MS = 300
const { t, n } = useI18n()
const session = useSession()
const id = useId()
const words = ref('')
const asked = ref('')
const { value, error, loading, reload } = useLoaded(() => {
  asked.value = words.value.trim()
  return call('openLessons', { query: asked.value ? { words: asked.value } : {} })
})
let timer: ReturnType<typeof setTimeout> | undefined
watch(words, () => {
  clearTimeout(timer)
  timer = setTimeout(() => void reload(), PAUSE_MS)
})
onScopeDispose(() => clearTimeout(timer))
document.title = t('openLessons.title')
</script>

<template>
  <AppBar />
  <main class="page">
    <div class="top">
      <h1>{{ t('openLessons.title') }}</h1>
      <search>
        <label class="visually-hidden" :for="id">{{ t('openLessons.find') }}</label>
        <input
          :id="id"
          v-model="words"
          type="search"
          class="fb-input"
          maxlength="200"
          :placeholder="t('openLessons.find')"
          :aria-busy="loading"
        />
      </search>
    </div>
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <div v-else-if="loading && !value" role="status" :aria-label="t('app.loading')">
      <div class="skeleton bone" />
    </div>
    <template v-else-if="value">
      <section v-if="value.collections.length > 0" class="collections">
        <h2>{{ t('openLessons.collections') }}</h2>
        <ul>
          <li v-for="one in value.collections" :key="one.code">
            <RouterLink :to="{ name: 'open-collection', params: { code: one.code } }" dir="auto">{{
              one.title
            }}</RouterLink>
            <span class="muted">
              {{ t('openLessons.inCollection', { n: n(one.lessons) }, one.lessons) }} ·
              <bdi>{{ t('openLessons.by', { name: one.by }) }}</bdi>
            </span>
            <span v-if="one.summary" class="summary" dir="auto">{{ one.summary }}</span>
          </li>
        </ul>
      </section>
      <p v-if="asked" class="muted told" role="status">
        {{ t('openLessons.found', { n: n(value.lessons.length) }, value.lessons.length) }}
      </p>
      <p v-else-if="value.lessons.length === 0" class="empty">{{ t('openLessons.none') }}</p>
      <OpenLessonList :lessons="value.lessons" />
    </template>
    <p v-if="!session.person">
      <RouterLink to="/sign-in">{{ t('openLessons.signIn') }}</RouterLink>
    </p>
  </main>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 12px 24px;
  margin-bottom: 20px;
}
search {
  flex: 0 1 380px;
}
.collections {
  margin-bottom: 28px;
}
.collections ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
  gap: 16px 32px;
  margin: 12px 0 0;
  padding: 0;
  list-style: none;
}
.collections li {
  display: grid;
  gap: 2px;
  align-content: start;
}
.collections a {
  font-family: var(--reading);
  font-size: 19px;
  overflow-wrap: anywhere;
}
.summary {
  font-family: var(--reading);
}
.told {
  margin-bottom: 12px;
}
.bone {
  height: 260px;
}
</style>
