<script setup lang="ts">
// One person, as the keeper sees them: role, password, what is held about them, removal.
import Button from 'primevue/button'
import { ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import type { KeptPerson } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import ClassSheet from '../classes/ClassSheet.vue'
import { useSession } from '../stores/session.ts'
import { writeDay, writeDayAndTime } from '../ui/dates.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import LabelledSelect from '../ui/LabelledSelect.vue'
import { useAct } from '../ui/useAct.ts'
import PhraseShown from './PhraseShown.vue'

const props = defineProps<{ person: KeptPerson }>()
const emit = defineEmits<{ changed: [person: KeptPerson]; gone: [person: KeptPerson]; close: [] }>()
const { t, n } = useI18n()
const session = useSession()
const params = { personId: props.person.id }
type Role = 'learner' | 'designer' | 'keeper'
const ROLES = (['learner', 'designer', 'keeper'] as const).map((value) => ({
  value: value as Role,
  label: t(`signIn.role.${value}`),
}))
const { busy, fault, act } = useAct()
const phrase = ref('')
const asksRemoval = ref(false)
const id = useId()

const name = ref(props.person.name)
const rename = () =>
  act(async () => {
    const changed = await call('changePerson', { params, body: { name: name.value.trim() } })
    name.value = changed.name
    emit('changed', changed)
  })
const setRole = (role: Role) =>
  act(async () => emit('changed', await call('changePerson', { params, body: { role } })))
const reset = () =>
  act(async () => {
    const reply = await call('resetPassword', { params })
    phrase.value = reply.phrase
    emit('changed', reply.person)
  })
const remove = () =>
  act(async () => {
    await call('removePerson', { params })
    emit('gone', props.person)
  })
</script>

<template>
  <ClassSheet :title="person.name" @close="emit('close')">
    <div class="sheet-form">
      <FaultNotice v-if="fault" :error="fault" @retry="fault = null" />
      <p class="muted">
        {{ person.signIn ?? t('keeper.guest') }}<br />
        {{ t('keeper.sinceDay', { day: writeDay(new Date(person.createdAt)) }) }}
        <template v-if="person.lastSeenAt">
          · {{ t('keeper.lastSeen', { when: writeDayAndTime(new Date(person.lastSeenAt)) }) }}
        </template>
      </p>
      <ul class="facts">
        <li>{{ t('keeper.lessons', { n: n(person.lessons) }, person.lessons) }}</li>
        <li>{{ t('keeper.teaches', { n: n(person.teaches) }, person.teaches) }}</li>
        <li>{{ t('keeper.attempts', { n: n(person.attempts) }, person.attempts) }}</li>
      </ul>
      <form class="field" @submit.prevent="rename">
        <label :for="`${id}-name`">{{ t('keeper.fullName') }}</label>
        <span class="name">
          <input :id="`${id}-name`" v-model="name" class="text" required dir="auto" />
          <Button
            v-if="name !== person.name"
            type="submit"
            :label="t('keeper.rename')"
            size="small"
            severity="secondary"
            variant="outlined"
            :loading="busy"
          />
        </span>
      </form>
      <template v-if="person.role !== 'guest'">
        <LabelledSelect
          :model-value="person.role as Role"
          :label="t('keeper.role')"
          :options="ROLES"
          @update:model-value="setRole"
        />
        <fieldset>
          <legend>{{ t('keeper.password') }}</legend>
          <PhraseShown v-if="phrase" :phrase="phrase" :sign-in="person.signIn ?? ''" />
          <template v-else>
            <p class="help">{{ t(person.isWaiting ? 'keeper.waits' : 'keeper.resetHelp') }}</p>
            <Button
              :label="t(person.isWaiting ? 'keeper.newPhrase' : 'keeper.reset')"
              size="small"
              severity="secondary"
              variant="outlined"
              :loading="busy"
              @click="reset"
            />
          </template>
        </fieldset>
      </template>
      <fieldset>
        <legend>{{ t('keeper.held') }}</legend>
        <p class="help">{{ t('keeper.heldHelp') }}</p>
        <a :href="`/api/keeper/people/${person.id}/export`" download>{{ t('keeper.export') }}</a>
      </fieldset>
      <fieldset v-if="person.id !== session.person?.id">
        <legend>{{ t('keeper.removal') }}</legend>
        <p class="help">{{ t('keeper.removalHelp') }}</p>
        <Button
          v-if="!asksRemoval"
          :label="t('keeper.remove')"
          size="small"
          severity="danger"
          variant="outlined"
          @click="asksRemoval = true"
        />
        <template v-else>
          <p role="alert">{{ t('keeper.removeSure', { name: person.name }) }}</p>
          <Button
            :label="t('keeper.removeYes')"
            size="small"
            severity="danger"
            :loading="busy"
            @click="remove"
          />
          <Button
            :label="t('keeper.removeNo')"
            size="small"
            severity="secondary"
            variant="text"
            @click="asksRemoval = false"
          />
        </template>
      </fieldset>
    </div>
  </ClassSheet>
</template>

<style scoped>
.name {
  display: flex;
  gap: 8px;
}
.text {
  flex: 1 1 auto;
  min-width: 0;
}
.facts {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
