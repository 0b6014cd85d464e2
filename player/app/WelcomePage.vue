<script setup lang="ts">
// What a link opens on: go in as who you are, with your account, or as a guest with a full name.
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { isName, isOneWord } from '@fernbrake/core/fields'
import type { LinkReply } from '@fernbrake/core/contract'
import { HostError } from '../hosts/Host.ts'
import AccountForm from './AccountForm.vue'
import AboutLesson from '../ui/AboutLesson.vue'
import LessonCover from '../ui/LessonCover.vue'
import { useTheme } from '../ui/useTheme.ts'
import { coverAddress, openLink, readLink, signIn } from '../hosts/server/index.ts'

const props = defineProps<{ code: string }>()
const emit = defineEmits<{ opened: [attemptId: string] }>()
const { t } = useI18n()
const link = shallowRef<LinkReply | null>(null)
const failure = ref<HostError['reason'] | null>(null)
const way = ref<'guest' | 'account'>('guest')
const name = ref('')
const email = ref('')
const password = ref('')
const fault = ref<string | null>(null)
const busy = ref(false)

const theme = useTheme(() => link.value?.theme)

/** The lesson is only for people who are named: whoever is not signed in, or as somebody else, is asked to. */
const asksWho = computed(() => failure.value === 'notSignedIn' || failure.value === 'notShared')

async function load(): Promise<void> {
  failure.value = null
  try {
    link.value = await readLink(props.code)
    document.title = link.value.title
    if (link.value.attemptId) emit('opened', link.value.attemptId)
  } catch (error) {
    failure.value = error instanceof HostError ? error.reason : 'failed'
  }
}
onMounted(load)

async function begin(work: () => Promise<{ attemptId: string }>): Promise<void> {
  if (busy.value) return
  busy.value = true
  fault.value = null
  try {
    emit('opened', (await work()).attemptId)
  } catch (error) {
    const reason = error instanceof HostError ? error.reason : 'failed'
    // That the lesson was not shared with them stands over the form already.
    if (reason === 'notShared') return
    fault.value = reason === 'notSignedIn' ? t('player.open.wrongPassword') : t(`player.${reason}`)
  } finally {
    busy.value = false
  }
}

/** The name of one word that was asked about; given again, it is taken. */
const askedAbout = ref<string | null>(null)
const asksLastName = computed(() => askedAbout.value === name.value.trim())
function beginAsGuest(): void {
  const given = name.value.trim()
  // Checked again by the server; here only so that the answer comes at once.
  if (!isName(given)) fault.value = t('player.open.fullNameNeeded')
  else if (isOneWord(given) && askedAbout.value !== given) {
    fault.value = null
    askedAbout.value = given
  } else void begin(() => openLink(props.code, given))
}

function beginWithAccount(): void {
  void begin(async () => {
    const { choosing } = await signIn(email.value, password.value)
    // By a sign-in card: a password is chosen first, and then the way leads back here.
    if (choosing) {
      location.assign(`/password?to=${encodeURIComponent(location.pathname)}`)
      return new Promise<never>(() => undefined)
    }
    return openLink(props.code).catch(async (error: unknown) => {
      // The password was right; what is wrong now is said in the place of the form.
      await load()
      throw error
    })
  })
}

function choose(other: 'guest' | 'account'): void {
  way.value = other
  fault.value = null
}
</script>

<template>
  <main class="welcome themed" :style="theme">
    <div v-if="asksWho" class="card">
      <p role="alert">
        {{ t(failure === 'notShared' ? 'player.open.notYou' : 'player.open.onlyNamed') }}
      </p>
      <AccountForm
        v-model:email="email"
        v-model:password="password"
        :busy="busy"
        @submit="beginWithAccount"
      />
      <p id="fault" class="fault" role="alert">{{ fault }}</p>
    </div>
    <div v-else-if="failure" role="alert" class="card">
      <p>{{ t(`player.${failure}`) }}</p>
      <button v-if="failure !== 'notFound'" class="fb-button" type="button" @click="load">
        {{ t('player.retry') }}
      </button>
    </div>
    <div v-else-if="!link" class="card" role="status" :aria-label="t('player.loading')">
      <div class="bone" />
      <div class="bone" />
    </div>
    <div v-else class="card" :class="{ covered: link.cover }">
      <LessonCover
        v-if="link.cover"
        class="cover"
        :cover="link.cover"
        :picture="coverAddress(code)"
      >
        <p>{{ t('player.open.welcome') }}</p>
        <h1 dir="auto">{{ link.title }}</h1>
      </LessonCover>
      <template v-else>
        <p class="lead">{{ t('player.open.welcome') }}</p>
        <h1 dir="auto">{{ link.title }}</h1>
      </template>
      <p v-if="link.summary" class="summary" dir="auto">{{ link.summary }}</p>
      <AboutLesson :objectives="link.objectives" :level="link.level" :licence="link.licence" />
      <form v-if="link.person" @submit.prevent="begin(() => openLink(code))">
        <p>{{ t('player.open.signedInAs', { name: link.person.name }) }}</p>
        <button class="fb-button act" type="submit" :disabled="busy">
          {{ t('player.open.begin') }}
        </button>
      </form>
      <form v-else-if="way === 'guest'" novalidate @submit.prevent="beginAsGuest">
        <label for="full-name">{{ t('player.open.fullName') }}</label>
        <input
          id="full-name"
          v-model="name"
          autocomplete="name"
          maxlength="120"
          :aria-invalid="fault !== null"
          aria-describedby="name-help fault"
        />
        <p id="name-help" class="help">{{ t('player.open.fullNameHelp') }}</p>
        <p v-if="asksLastName" role="alert">{{ t('player.open.lastNameToo') }}</p>
        <button class="fb-button act" type="submit" :disabled="busy">
          {{ t('player.open.asGuest') }}
        </button>
        <button class="fb-button plain" type="button" @click="choose('account')">
          {{ t('player.open.withAccount') }}
        </button>
      </form>
      <AccountForm
        v-else
        v-model:email="email"
        v-model:password="password"
        :busy="busy"
        @submit="beginWithAccount"
      >
        <button class="fb-button plain" type="button" @click="choose('guest')">
          {{ t('player.open.guestInstead') }}
        </button>
      </AccountForm>
      <p id="fault" class="fault" role="alert">{{ fault }}</p>
    </div>
  </main>
</template>

<style scoped>
.welcome {
  min-height: 100dvh;
  display: grid;
  place-items: center;
  padding: 24px 16px;
  background: var(--ground);
  color: var(--ink);
}
.card {
  width: min(100%, 480px);
  padding: 36px 40px 28px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.covered {
  width: min(100%, 560px);
  padding-top: 0;
}
.cover {
  min-height: 250px;
  margin: -1px -41px 24px;
  padding: 24px 40px 14px;
  border-radius: var(--radius) var(--radius) 0 0;
}
.lead {
  color: var(--ink-2);
}
h1 {
  margin: 6px 0 12px;
  font-family: var(--reading);
  font-size: 34px;
  line-height: 1.15;
  overflow-wrap: anywhere;
}
.summary {
  margin-bottom: 24px;
  font-family: var(--reading);
  font-size: 17px;
}
:deep(label) {
  display: block;
  margin: 14px 0 6px;
  font-weight: 600;
}
:deep(input) {
  width: 100%;
  min-height: 44px;
  padding: 8px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: #fff;
  color: var(--ink);
  font: inherit;
  font-size: 17px;
}
form :deep(.fb-button) {
  margin-top: 18px;
  margin-inline-end: 8px;
}
.help {
  margin-top: 6px;
  color: var(--ink-2);
  font-size: 13.5px;
}
.fault {
  min-height: 1.5em;
  margin-top: 14px;
  color: var(--rust);
  font-weight: 600;
}
.bone {
  height: 34px;
  margin-bottom: 16px;
  background: var(--sunk);
}
@media (max-width: 500px) {
  .card {
    padding: 24px 20px;
  }
  .covered {
    padding-top: 0;
  }
  .cover {
    min-height: 200px;
    margin-inline: -21px;
    padding-inline: 20px;
  }
  h1 {
    font-size: 26px;
  }
}
</style>
