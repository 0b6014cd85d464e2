<script setup lang="ts">
// Making an account: a name, an address, a role; the phrase that opens it is shown once.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { reactive, shallowRef, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import type { KeptPerson } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import ClassSheet from '../classes/ClassSheet.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import FieldFault from '../ui/FieldFault.vue'
import LabelledSelect from '../ui/LabelledSelect.vue'
import { useAct } from '../ui/useAct.ts'
import { useFieldFaults } from '../ui/useFieldFaults.ts'
import PhraseShown from './PhraseShown.vue'

const emit = defineEmits<{ made: [person: KeptPerson]; close: [] }>()
const { t } = useI18n()
const id = useId()
const ROLES = (['learner', 'designer', 'keeper'] as const).map((value) => ({
  value,
  label: t(`signIn.role.${value}`),
}))
const given = reactive({ name: '', email: '', role: 'learner' as (typeof ROLES)[number]['value'] })
/** The same account, however often the button is pressed. */
let newId = nanoid()
const { busy, fault, act } = useAct()
const { at, marks, elsewhere } = useFieldFaults(fault, {
  name: { id: `${id}-name` },
  email: { id: `${id}-email`, about: ['addressThere'] },
})
const made = shallowRef<{ phrase: string; signIn: string } | null>(null)

const make = () =>
  act(async () => {
    const { person, phrase } = await call('addPerson', { body: { id: newId, ...given } })
    emit('made', person)
    made.value = { phrase, signIn: person.signIn ?? '' }
    Object.assign(given, { name: '', email: '' })
    newId = nanoid()
  })
</script>

<template>
  <ClassSheet :title="t('keeper.add')" @close="emit('close')">
    <form class="sheet-form" @submit.prevent="make">
      <PhraseShown v-if="made" v-bind="made" />
      <FaultNotice v-if="elsewhere" :error="elsewhere" @retry="make" />
      <div class="field">
        <label :for="`${id}-name`">{{ t('keeper.fullName') }}</label>
        <input
          :id="`${id}-name`"
          v-model="given.name"
          class="text"
          required
          maxlength="120"
          dir="auto"
          v-bind="marks('name')"
        />
        <FieldFault :id="`${id}-name`" :says="at('name')" />
      </div>
      <div class="field">
        <label :for="`${id}-email`">{{ t('keeper.email') }}</label>
        <input
          :id="`${id}-email`"
          v-model="given.email"
          class="text"
          type="email"
          required
          v-bind="marks('email')"
        />
        <FieldFault :id="`${id}-email`" :says="at('email')" />
      </div>
      <LabelledSelect v-model="given.role" :label="t('keeper.role')" :options="ROLES" />
      <Button type="submit" :label="t('keeper.make')" :loading="busy" />
    </form>
  </ClassSheet>
</template>
