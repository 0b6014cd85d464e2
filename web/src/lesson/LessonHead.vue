<script setup lang="ts">
// The head that every page of one lesson wears: which lesson it is, how it stands, its pages, and what can be done there.
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute } from 'vue-router'
import FernMark from '../ui/FernMark.vue'

const props = defineProps<{
  lessonId: string
  /** Empty while it is not known yet. */
  title: string
  /** Whether whoever looks may see what its learners did. */
  seesResults: boolean
  /** Whether the title can be pressed. */
  opens?: boolean
}>()
const emit = defineEmits<{ open: [] }>()
const { t } = useI18n()
const route = useRoute()
/** From so many characters on a title takes two lines. */
const LONG = 30

const params = { lessonId: props.lessonId }
/** The part that is open stays so from one page to the next. */
const withPart = (name: string) => ({ name, params, query: { part: route.query.part } })
</script>

<template>
  <header class="head" data-region>
    <div class="where">
      <RouterLink to="/" class="home" :aria-label="t('bench.home')" :title="t('bench.home')"
        ><FernMark
      /></RouterLink>
      <div class="lesson">
        <component :is="opens ? 'h1' : 'p'" class="title" :class="{ long: title.length > LONG }">
          <button
            v-if="opens"
            type="button"
            dir="auto"
            :title="`${title} · ${t('sheet.lesson')}`"
            @click="emit('open')"
          >
            {{ title }}
          </button>
          <span v-else dir="auto" :title="title">{{ title }}</span>
        </component>
        <slot name="status" />
      </div>
    </div>
    <nav :aria-label="t('bench.places')">
      <RouterLink :to="withPart('bench')">{{ t('bench.bench') }}</RouterLink>
      <RouterLink :to="withPart('routes')">{{ t('routes.routes') }}</RouterLink>
      <RouterLink
        v-if="seesResults"
        :class="{ here: route.name === 'report' || route.name === 'lesson-talk' }"
        :to="withPart('results')"
        >{{ t('bench.results') }}</RouterLink
      >
      <RouterLink :to="withPart('sharing')">{{ t('sharing.sharing') }}</RouterLink>
    </nav>
    <div class="acts"><slot name="acts" /></div>
  </header>
</template>

<style scoped>
.head,
.where,
.acts,
nav {
  display: flex;
  align-items: center;
}
/* What can be pressed is never cut: a long title gives way first, then there are two rows. */
.head {
  flex-wrap: wrap;
  gap: 0 16px;
  min-height: 58px;
  padding: 0 16px;
  border-bottom: 1px solid var(--line);
  background: var(--surface);
  white-space: nowrap;
}
.where {
  flex: 1 1 240px;
  align-self: stretch;
  gap: 8px;
  min-width: 0;
}
.home {
  display: grid;
  padding: 4px;
}
.lesson {
  align-self: flex-start;
  min-width: 0;
  padding-block: 8px 2px;
}
.lesson:has(.long) {
  padding-top: 4px;
}
.title {
  min-width: 0;
  font-family: var(--reading);
  font-size: 19px;
  font-weight: 600;
  line-height: 26px;
}
.title > * {
  display: -webkit-box;
  overflow: hidden;
  max-width: 100%;
  padding: 0 6px;
  border: 0;
  border-radius: var(--radius);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  white-space: normal;
  overflow-wrap: anywhere;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 1;
}
.long > * {
  font-size: 15px;
  line-height: 17px;
  -webkit-line-clamp: 2;
}
.title button {
  cursor: pointer;
}
.title button:hover {
  background: var(--sunk);
}
.title button:focus-visible {
  outline-offset: -2px;
}
nav {
  flex: none;
  gap: 18px;
}
nav a {
  padding: 18px 0 15px;
  border-bottom: 3px solid transparent;
  color: var(--ink-2);
  font-weight: 600;
  text-decoration: none;
}
nav a:is(.router-link-exact-active, .here) {
  border-color: var(--fern);
  color: var(--ink);
}
.acts {
  flex: none;
  justify-content: flex-end;
  gap: 8px;
}
/* The pages stand where they stood on the page before, whatever can be done on this one. */
@media (min-width: 1000px) {
  .acts {
    min-width: 424px;
  }
}
@media (max-width: 720px) {
  .where {
    flex-basis: 100%;
  }
  nav a {
    padding-block: 10px 7px;
  }
  .acts {
    flex: 1 1 auto;
    flex-wrap: wrap;
    padding-bottom: 8px;
  }
}
</style>
