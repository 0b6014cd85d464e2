<script setup lang="ts">
// Choosing a password: at first, after coming in by a sign-in card; later, another one.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { SHORTEST_PASSWORD } from '@fernbrake/core/contract'
import { useSession } from '../stores/session.ts'
import { whereTo } from '../ui/whereTo.ts'
import EntryCard from '../ui/EntryCard.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import FieldFault from '../ui/FieldFault.vue'
import { useAct } from '../ui/useAct.ts'
import { useFieldFaults } from '../ui/useFieldFaults.ts'

const { t } = useI18n()
const session = useSession()
const [route, router] = [useRoute(), useRouter()]
const [before, password] = [ref(''), ref('')]
const seen = ref(false)
const { busy, fault, act } = useAct()
const { at, marks, elsewhere } = useFieldFaults(fault, {
  before: { id: 'before', about: ['notTheOldPassword'] },
  password: { id: 'chosen', about: ['weak-password'] },
})
const choosing = computed(() => session.session?.choosing ?? null)

const choose = () =>
  act(async () => {
    await session.choosePassword(password.value, choosing.value ? undefined : before.value)
    await whereTo(router, route.query.to)
  })
document.title = t('password.title')
</script>

<template>
  <EntryCard
    :title="choosing ? t('password.welcome', { name: choosing.name }) : t('password.title')"
  >
    <form @submit.prevent="choose">
      <p v-if="choosing">
        {{ t('password.first') }} <b class="mono">{{ choosing.signIn }}</b>
      </p>
      <div v-else class="field">
        <label for="before">{{ t('password.before') }}</label>
        <input
          id="before"
          v-model="before"
          class="fb-input"
          type="password"
          autocomplete="current-password"
          required
          v-bind="marks('before')"
        />
        <FieldFault id="before" :says="at('before')" />
      </div>
      <input
        v-if="choosing"
        class="visually-hidden"
        type="text"
        autocomplete="username"
        tabindex="-1"
        aria-hidden="true"
        readonly
        :value="choosing.signIn"
      />
      <div class="field">
        <label for="chosen">{{ t('password.new') }}</label>
        <input
          id="chosen"
          v-model="password"
          class="fb-input"
          :type="seen ? 'text' : 'password'"
          autocomplete="new-password"
          :minlength="SHORTEST_PASSWORD"
          maxlength="200"
          required
          v-bind="marks('password')"
        />
        <FieldFault id="chosen" :says="at('password')" />
        <small class="muted">{{ t('join.passwordHelp', { count: SHORTEST_PASSWORD }) }}</small>
        <label class="check"
          ><input v-model="seen" type="checkbox" /> {{ t('password.show') }}</label
        >
      </div>
      <FaultNotice v-if="elsewhere" :error="elsewhere" @retry="choose" />
      <button class="fb-button act" type="submit" :disabled="busy" :aria-busy="busy">
        {{ t('password.go') }}
      </button>
      <RouterLink v-if="choosing" :to="{ name: 'sign-in' }">{{ t('password.notMe') }}</RouterLink>
    </form>
  </EntryCard>
</template>

<style scoped>
.check {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
</style>
