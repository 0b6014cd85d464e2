<script setup lang="ts">
// Signing in. While the demo is loaded its accounts are offered.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { ApiError } from '../api/client.ts'
import { useSession } from '../stores/session.ts'
import FernMark from '../ui/FernMark.vue'

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
    const to =
      typeof route.query.to === 'string' && /^\/(?!\/)/.test(route.query.to) ? route.query.to : '/'
    // The learner's page is not of this application.
    if (/^\/(learn|open|embed)\//.test(to)) location.assign(to)
    else await router.push(to)
  } catch (error) {
    fault.value =
      error instanceof ApiError && error.status > 0
        ? (error.problem?.detail ?? t('fault.ours'))
        : t('fault.unreachable')
  } finally {
    busy.value = false
  }
}

async function takeAccount(account: { email: string; password: string }): Promise<void> {
  email.value = account.email
  password.value = account.password
  await signIn()
}
</script>

<template>
  <main class="sign-in">
    <section class="card">
      <p class="brand"><FernMark /> {{ t('app.name') }}</p>
      <h1>{{ t('signIn.title') }}</h1>
      <form @submit.prevent="signIn">
        <div class="field">
          <label for="email">{{ t('signIn.email') }}</label>
          <InputText
            id="email"
            v-model="email"
            type="email"
            autocomplete="username"
            required
            fluid
          />
        </div>
        <div class="field">
          <label for="password">{{ t('signIn.password') }}</label>
          <InputText
            id="password"
            v-model="password"
            type="password"
            autocomplete="current-password"
            required
            fluid
          />
        </div>
        <p v-if="fault" class="notice" role="alert">{{ fault }}</p>
        <Button type="submit" :label="t('signIn.go')" :loading="busy" fluid />
      </form>
      <p class="open">
        <RouterLink to="/open-lessons">{{ t('openLessons.link') }}</RouterLink>
      </p>
      <section v-if="accounts.length > 0" class="demo">
        <h2>{{ t('signIn.demo') }}</h2>
        <p class="muted">{{ t('signIn.demoHelp', { password: accounts[0]!.password }) }}</p>
        <ul>
          <li v-for="account in accounts" :key="account.email">
            <button type="button" class="account" :disabled="busy" @click="takeAccount(account)">
              <b>{{ t(`signIn.role.${account.role}`) }}</b>
              <span>{{ account.email }}</span>
            </button>
          </li>
        </ul>
      </section>
    </section>
  </main>
</template>

<style scoped>
.sign-in {
  min-height: 100%;
  display: grid;
  place-items: center;
  padding: 24px 16px;
}
.card {
  width: min(100%, 460px);
  padding: 32px 40px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.brand {
  display: flex;
  align-items: center;
  gap: 10px;
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
}
h1 {
  margin: 12px 0 20px;
  font-family: var(--reading);
  font-size: 26px;
  font-weight: 600;
}
form {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.open {
  margin-top: 18px;
}
.demo {
  margin-top: 28px;
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
@media (max-width: 480px) {
  .card {
    padding: 24px 18px;
  }
}
</style>
