<script setup lang="ts">
// The bar at the top of the managing pages.
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { useI18n } from 'vue-i18n'
import { useSession } from '../stores/session.ts'
import FernMark from './FernMark.vue'

const { t } = useI18n()
const session = useSession()
const router = useRouter()
const route = useRoute()
const isIn = (place: string) => route.path.startsWith(place)

async function leave(): Promise<void> {
  await session.signOut().catch(() => undefined)
  await router.push({ name: 'sign-in' })
}
</script>

<template>
  <header class="bar">
    <RouterLink to="/" class="brand"><FernMark /> {{ t('app.name') }}</RouterLink>
    <nav v-if="session.person" :aria-label="t('app.places')">
      <RouterLink to="/">{{ t('app.lessons') }}</RouterLink>
      <template v-if="session.isDesigner">
        <RouterLink to="/classes" :class="{ here: isIn('/classes') }">{{
          t('app.classes')
        }}</RouterLink>
        <RouterLink to="/marking" :class="{ here: isIn('/marking') }">{{
          t('app.marking')
        }}</RouterLink>
        <RouterLink to="/shelf">{{ t('app.shelf') }}</RouterLink>
      </template>
      <RouterLink v-else to="/join">{{ t('app.join') }}</RouterLink>
      <RouterLink to="/open-lessons">{{ t('openLessons.title') }}</RouterLink>
      <RouterLink v-if="session.person.role === 'keeper'" to="/keeper">{{
        t('app.keeping')
      }}</RouterLink>
    </nav>
    <span class="gap" />
    <template v-if="session.person">
      <span v-if="session.person.role === 'guest'" class="muted person">{{
        session.person.name
      }}</span>
      <RouterLink v-else to="/password" class="muted person" :title="t('password.title')">{{
        session.person.name
      }}</RouterLink>
      <button class="fb-button plain leave" type="button" @click="leave">
        {{ t('app.signOut') }}
      </button>
    </template>
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 20px;
  min-height: 56px;
  padding: 0 28px;
  border-bottom: 1px solid var(--line);
  background: var(--surface);
}
.brand {
  display: inline-flex;
  align-items: center;
  gap: 10px;
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
  color: var(--ink);
  text-decoration: none;
}
nav {
  display: flex;
  gap: 18px;
}
nav a {
  font-weight: 600;
  color: var(--ink-2);
  text-decoration: none;
}
nav a.router-link-exact-active,
nav a.here {
  color: var(--ink);
  box-shadow: 0 3px 0 var(--fern);
}
.gap {
  flex: 1;
}
.person {
  text-decoration: none;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.leave,
.brand {
  flex: none;
}
.leave {
  font-weight: 600;
  white-space: nowrap;
}
@media (max-width: 720px) {
  .bar {
    flex-wrap: wrap;
    gap: 4px 10px;
    padding: 8px 14px 0;
  }
  .gap {
    min-width: 0;
  }
  .person {
    max-width: 7.5em;
    font-size: 13.5px;
  }
  .leave {
    padding-inline: 4px;
  }
  /* The places get a line of their own, that can be moved sideways where it is too long. */
  nav {
    order: 1;
    flex-basis: 100%;
    padding-bottom: 8px;
    overflow-x: auto;
    white-space: nowrap;
  }
}
</style>
