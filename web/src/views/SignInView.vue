<script setup lang="ts">
// Signing in. While the demo is loaded its accounts are offered.
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { ApiError } from '../api/client.ts'
import { useSession } from '../stores/session.ts'
import EntryCard from '../ui/EntryCard.vue'
import { whereTo } from '../ui/whereTo.ts'

const { t } = useI18n()
const session = useSession()
const route = useRoute()
const router = useRouter()
const email = ref('')
const password = ref('')
const busy = ref(false)
const fault = ref<string | null>(null)
const accounts = computed(() => session.session?.demoAccounts ?? [])

async function signIn(): Promise<void> {
  busy.value = true
  fault.value = null
  try {
    await session.signIn(email.value, password.value)
    if (session.session?.choosing) await router.push({ name: 'password', query: route.query })
    else await whereTo(router, route.query.to)
  } catch (error) {
    fault.value =
      error instanceof ApiError && error.status > 0
        ? (error.sentence ?? t('fault.ours'))
        : t('fault.unreachable')
  } finally {
    busy.value = false
  }
}

/** A card's square leads here with all that is needed behind the #, which no server ever sees. */
onMounted(() => {
  const card = /^#card=([^:]+):([a-z-]+)$/.exec(location.hash)
  if (!card) return
  history.replaceState(history.state, '', location.pathname + location.search)
  email.value = decodeURIComponent(card[1]!)
  password.value = card[2]!
  void signIn()
})

async function chooseAccount(account: { email: string; password: string }): Promise<void> {
  email.value = account.email
  password.value = account.password
  await signIn()
}
</script>

<template>
  <EntryCard :title="t('signIn.title')">
    <form @submit.prevent="signIn">
      <div class="field">
        <label for="email">{{ t('signIn.email') }}</label>
        <input
          id="email"
          v-model="email"
          class="fb-input"
          type="text"
          autocapitalize="none"
          spellcheck="false"
          autocomplete="username"
          required
        />
      </div>
      <div class="field">
        <label for="password">{{ t('signIn.password') }}</label>
        <input
          id="password"
          v-model="password"
          class="fb-input"
          type="password"
          autocomplete="current-password"
          required
        />
        <small class="muted">{{ t('signIn.card') }}</small>
      </div>
      <p v-if="fault" class="notice" role="alert">{{ fault }}</p>
      <button class="fb-button act" type="submit" :disabled="busy" :aria-busy="busy">
        {{ t('signIn.go') }}
      </button>
    </form>
    <p class="open">
      <RouterLink to="/join">{{ t('app.join') }}</RouterLink>
      <RouterLink to="/open-lessons">{{ t('openLessons.link') }}</RouterLink>
    </p>
    <section v-if="accounts.length > 0" class="demo">
      <h2>{{ t('signIn.demo') }}</h2>
      <p class="muted">{{ t('signIn.demoHelp', { password: accounts[0]!.password }) }}</p>
      <ul>
        <li v-for="account in accounts" :key="account.email">
          <button type="button" class="account" :disabled="busy" @click="chooseAccount(account)">
            <b>{{ t(`signIn.role.${account.role}`) }}</b>
            <span>{{ account.email }}</span>
          </button>
        </li>
      </ul>
    </section>
  </EntryCard>
</template>

<style scoped>
.open {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
}
.demo {
  margin-top: 10px;
  padding-top: 18px;
  border-top: 1px solid var(--line);
}
h2 {
  font-size: 15px;
}
ul {
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
}
.account {
  display: grid;
  grid-template-columns: 6em 1fr;
  gap: 10px;
  width: 100%;
  min-height: 40px;
  align-items: center;
  padding: 6px 10px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  margin-bottom: 6px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.account span {
  color: var(--ink-2);
  font-size: 13.5px;
}
.account:hover {
  background: var(--ground);
}
</style>
