<script setup lang="ts">
// Joining a class by its code: who is signed in joins as they are, anybody else with an account made here.
import { computed, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import { readJoinCode, writeJoinCode } from '@fernbrake/core/classes'
import { isOneWord } from '@fernbrake/core/fields'
import { SHORTEST_PASSWORD, type ReplyOf, type Contract } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import { useSession } from '../stores/session.ts'
import EntryCard from '../ui/EntryCard.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import FieldFault from '../ui/FieldFault.vue'
import { useAct } from '../ui/useAct.ts'
import { useFieldFaults } from '../ui/useFieldFaults.ts'

const props = defineProps<{ code?: string }>()
const { t } = useI18n()
const router = useRouter()
const session = useSession()
const typed = ref(props.code ?? '')
const code = computed(() => readJoinCode(props.code ?? ''))
const school = shallowRef<ReplyOf<Contract['joinInfo']> | null>(null)
const { busy, fault, act } = useAct()
const [name, password] = [ref(''), ref('')]
const { at, marks, elsewhere } = useFieldFaults(fault, {
  name: { id: 'name' },
  password: { id: 'new-password', about: ['weak-password'] },
})
const joined = shallowRef<ReplyOf<Contract['join']> | null>(null)
const needsAccount = computed(() => !session.person || session.person.role === 'guest')

async function look(): Promise<void> {
  ;[school.value, fault.value] = [null, null]
  if (!code.value) return
  try {
    school.value = await call('joinInfo', { params: { code: code.value } })
  } catch (caught) {
    fault.value = caught
  }
}
watch(code, look, { immediate: true })
const open = () => router.push({ name: 'join', params: { code: readJoinCode(typed.value) ?? '' } })

/** The name of one word that was asked about; given again, it is taken. */
const askedAbout = ref<string | null>(null)
const asksLastName = computed(() => !session.person && askedAbout.value === name.value.trim())

async function join(): Promise<void> {
  const given = name.value.trim()
  if (!session.person && isOneWord(given) && askedAbout.value !== given) askedAbout.value = given
  else await enter()
}
const enter = () =>
  act(async () => {
    const body = needsAccount.value
      ? { password: password.value, ...(session.person ? {} : { name: name.value.trim() }) }
      : {}
    joined.value = await call('join', { params: { code: code.value! }, body })
    await session.ask()
  })
document.title = t('join.title')
</script>

<template>
  <EntryCard :title="school ? t('join.into', { title: school.title }) : t('join.title')">
    <template v-if="joined">
      <p class="notice fern" role="status">{{ t('join.done', { title: joined.title }) }}</p>
      <p v-if="joined.signIn">
        {{ t('join.signIn') }} <b class="mono big">{{ joined.signIn }}</b>
      </p>
      <RouterLink to="/">{{ t('join.go') }}</RouterLink>
    </template>
    <template v-else-if="school?.isMember">
      <p>{{ t('join.already') }}</p>
      <RouterLink to="/">{{ t('join.go') }}</RouterLink>
    </template>
    <form v-else-if="!school" @submit.prevent="open">
      <p v-if="!code && props.code" class="notice" role="alert">{{ t('join.noCode') }}</p>
      <div class="field">
        <label for="code">{{ t('join.code') }}</label>
        <input
          id="code"
          v-model="typed"
          type="text"
          class="fb-input mono"
          autocomplete="off"
          autocapitalize="characters"
          :placeholder="writeJoinCode('ABCDEFGH')"
        />
      </div>
      <FaultNotice v-if="fault" :error="fault" @retry="look" />
      <button class="fb-button act" type="submit" :disabled="readJoinCode(typed) === null">
        {{ t('join.look') }}
      </button>
    </form>
    <form v-else @submit.prevent="join">
      <template v-if="needsAccount">
        <div v-if="!session.person" class="field">
          <label for="name">{{ t('join.name') }}</label>
          <input
            id="name"
            v-model="name"
            type="text"
            class="fb-input"
            autocomplete="name"
            maxlength="120"
            required
            v-bind="marks('name')"
          />
          <FieldFault id="name" :says="at('name')" />
          <p v-if="asksLastName" class="muted" role="alert">{{ t('join.lastNameToo') }}</p>
        </div>
        <p v-else>{{ t('join.as', { name: session.person.name }) }}</p>
        <div class="field">
          <label for="new-password">{{ t('join.password') }}</label>
          <input
            id="new-password"
            v-model="password"
            class="fb-input"
            type="password"
            autocomplete="new-password"
            :minlength="SHORTEST_PASSWORD"
            maxlength="200"
            required
            v-bind="marks('password')"
          />
          <FieldFault id="new-password" :says="at('password')" />
          <small class="muted">{{ t('join.passwordHelp', { count: SHORTEST_PASSWORD }) }}</small>
        </div>
      </template>
      <p v-else>{{ t('join.as', { name: session.person!.name }) }}</p>
      <FaultNotice v-if="elsewhere" :error="elsewhere" @retry="enter" />
      <button class="fb-button act" type="submit" :disabled="busy" :aria-busy="busy">
        {{ t('join.join') }}
      </button>
      <RouterLink
        v-if="!session.person"
        :to="{ name: 'sign-in', query: { to: `/join/${code}` } }"
        >{{ t('join.haveAccount') }}</RouterLink
      >
    </form>
  </EntryCard>
</template>

<style scoped>
.big {
  font-size: 21px;
}
</style>
