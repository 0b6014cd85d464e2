<script setup lang="ts">
// One person of a class: name, groups, a new card, leaving and coming back.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { nameFault, tidyName } from '@fernbrake/core/classes'
import type { Class, Member } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import { writeDay } from '../ui/dates.ts'
import { fetchCards } from './fetchCards.ts'
import type { ClassDesk } from './useClass.ts'

const props = defineProps<{ school: Class; member: Member; desk: ClassDesk }>()
const { t } = useI18n()
const id = useId()
const name = ref(props.member.name)
const tidy = computed(() => tidyName(name.value))
const fault = computed(() => nameFault(tidy.value))
const printing = ref(false)
const printFault = ref<string | null>(null)
const isOurs = computed(() => props.member.card !== 'other')

type Change = { name?: string; groups?: string[]; hasLeft?: boolean; moderates?: boolean }
function change(body: Change): void {
  const params = { classId: props.school.id, personId: props.member.id }
  void props.desk.change(() => call('changeMember', { params, body }))
}
function put(groupId: string, isIn: boolean): void {
  const others = props.member.groups.filter((one) => one !== groupId)
  change({ groups: isIn ? [...others, groupId] : others })
}
async function print(anew: boolean): Promise<void> {
  printing.value = true
  printFault.value = await fetchCards(props.school, { people: [props.member.id], anew }, t)
  printing.value = false
  if (anew) void props.desk.reload()
}
</script>

<template>
  <form v-if="isOurs" class="field" @submit.prevent="change({ name: tidy })">
    <label :for="id">{{ t('classes.name') }}</label>
    <div class="row">
      <InputText :id="id" v-model="name" maxlength="120" dir="auto" :invalid="fault !== null" />
      <Button
        type="submit"
        :label="t('classes.correct')"
        size="small"
        :disabled="fault !== null || tidy === member.name || desk.busy.value"
      />
    </div>
    <p v-if="fault" class="fault">{{ t(`classes.fault.${fault}`) }}</p>
  </form>
  <p v-else class="help">{{ t('classes.notOurs') }}</p>
  <fieldset v-if="school.groups.length > 0">
    <legend>{{ t('classes.groups') }}</legend>
    <label v-for="group in school.groups" :key="group.id" class="check">
      <input
        type="checkbox"
        :checked="member.groups.includes(group.id)"
        :disabled="desk.busy.value"
        @change="put(group.id, ($event.target as HTMLInputElement).checked)"
      />
      <span dir="auto">{{ group.title }}</span>
    </label>
  </fieldset>
  <fieldset v-if="isOurs && !member.leftAt">
    <legend>{{ t('classes.cardOne') }}</legend>
    <p class="help">{{ t(`classes.cardState.${member.card}`, { signIn: member.signIn }) }}</p>
    <div class="row">
      <Button
        v-if="member.card === 'open'"
        :label="t('classes.printOne')"
        size="small"
        severity="secondary"
        variant="outlined"
        :loading="printing"
        @click="print(false)"
      />
      <Button
        :label="t('classes.anewOne')"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="printing"
        @click="print(true)"
      />
    </div>
    <p v-if="printFault" class="notice" role="alert">{{ printFault }}</p>
  </fieldset>
  <fieldset v-if="!member.leftAt">
    <legend>{{ t('classes.moderating') }}</legend>
    <label class="check">
      <input
        type="checkbox"
        :checked="member.moderates"
        :disabled="desk.busy.value"
        @change="change({ moderates: ($event.target as HTMLInputElement).checked })"
      />
      {{ t('classes.moderates') }}
    </label>
    <p class="help">{{ t('classes.moderatesHelp') }}</p>
  </fieldset>
  <fieldset>
    <legend>{{ member.leftAt ? t('classes.hasLeft') : t('classes.leaving') }}</legend>
    <p class="help">
      {{
        member.leftAt
          ? t('classes.leftOn', { day: writeDay(new Date(member.leftAt)) })
          : t('classes.leavingHelp')
      }}
    </p>
    <div>
      <Button
        :label="member.leftAt ? t('classes.comeBack') : t('classes.leave')"
        size="small"
        severity="secondary"
        variant="outlined"
        :loading="desk.busy.value"
        @click="change({ hasLeft: member.leftAt === null })"
      />
    </div>
  </fieldset>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.row > input {
  flex: 1;
  min-width: 0;
}
</style>
