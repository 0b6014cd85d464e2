<script setup lang="ts">
// The class itself: its name, its time zone, its groups, who teaches it, and its end.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, useId } from 'vue'
import { nanoid } from 'nanoid'
import { useI18n } from 'vue-i18n'
import { LONGEST_TITLE, MOST_GROUPS } from '@fernbrake/core/classes'
import type { Class } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import TimeZoneField from './TimeZoneField.vue'
import type { ClassDesk } from './useClass.ts'

const props = defineProps<{ school: Class; desk: ClassDesk; me: string | null }>()
const emit = defineEmits<{ gone: [] }>()
const { t } = useI18n()
const id = useId()
const title = ref(props.school.title)
const group = ref('')
const email = ref('')
const params = computed(() => ({ classId: props.school.id }))
const isLast = computed(() => props.school.teachers.length === 1)

type Change = { title?: string; timeZone?: string; isOver?: boolean }
const change = (body: Change) =>
  void props.desk.change(() => call('changeClass', { params: params.value, body }))
async function save(groupId: string, words: string): Promise<void> {
  const body = { id: groupId, title: words.trim() }
  if (body.title === '') return
  const isNew = !props.school.groups.some((one) => one.id === groupId)
  if (await props.desk.change(() => call('saveGroup', { params: params.value, body })))
    if (isNew) group.value = ''
}
const drop = (groupId: string) =>
  void props.desk.change(() => call('dropGroup', { params: { ...params.value, groupId } }))
async function addTeacher(): Promise<void> {
  const body = { email: email.value.trim() }
  if (await props.desk.change(() => call('addTeacher', { params: params.value, body })))
    email.value = ''
}
async function dropTeacher(personId: string): Promise<void> {
  const call_ = () => call('dropTeacher', { params: { ...params.value, personId } })
  if (personId !== props.me) return void props.desk.change(call_)
  // Whoever leaves may not read the class any more, so no answer is waited for but that it held.
  await call_().catch(() => undefined)
  emit('gone')
}
</script>

<template>
  <form class="field" @submit.prevent="change({ title: title.trim() })">
    <label :for="`${id}-title`">{{ t('classes.title') }}</label>
    <div class="row">
      <InputText :id="`${id}-title`" v-model="title" :maxlength="LONGEST_TITLE" dir="auto" />
      <Button
        type="submit"
        :label="t('classes.rename')"
        size="small"
        :disabled="title.trim() === '' || title.trim() === school.title || desk.busy.value"
      />
    </div>
  </form>
  <TimeZoneField :zone="school.timeZone" @change="change({ timeZone: $event })" />
  <fieldset>
    <legend>{{ t('classes.groups') }}</legend>
    <p v-if="school.groups.length === 0" class="help">{{ t('classes.noGroups') }}</p>
    <div v-for="one in school.groups" :key="one.id" class="row">
      <InputText
        :model-value="one.title"
        :maxlength="LONGEST_TITLE"
        size="small"
        dir="auto"
        :aria-label="t('classes.groupName', { title: one.title })"
        @change="save(one.id, ($event.target as HTMLInputElement).value)"
      />
      <Button
        :label="t('classes.dropGroup')"
        :aria-label="t('classes.dropWhich', { title: one.title })"
        size="small"
        severity="secondary"
        variant="text"
        :disabled="desk.busy.value"
        @click="drop(one.id)"
      />
    </div>
    <form class="row" @submit.prevent="save(nanoid(), group)">
      <InputText
        v-model="group"
        :maxlength="LONGEST_TITLE"
        size="small"
        dir="auto"
        :aria-label="t('classes.newGroup')"
        :placeholder="t('classes.newGroup')"
      />
      <Button
        type="submit"
        :label="t('classes.makeGroup')"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="group.trim() === '' || school.groups.length >= MOST_GROUPS || desk.busy.value"
      />
    </form>
  </fieldset>
  <fieldset>
    <legend>{{ t('classes.teachers') }}</legend>
    <div v-for="one in school.teachers" :key="one.id" class="row teacher">
      <span
        ><b dir="auto">{{ one.name }}</b> <span class="muted">{{ one.email }}</span></span
      >
      <Button
        v-if="!isLast"
        :label="one.id === me ? t('classes.stopTeaching') : t('classes.dropTeacher')"
        size="small"
        severity="secondary"
        variant="text"
        @click="dropTeacher(one.id)"
      />
    </div>
    <form class="row" @submit.prevent="addTeacher">
      <InputText
        v-model="email"
        type="email"
        size="small"
        :aria-label="t('classes.teacherEmail')"
        :placeholder="t('classes.teacherEmail')"
      />
      <Button
        type="submit"
        :label="t('classes.addTeacher')"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="email.trim() === '' || desk.busy.value"
      />
    </form>
  </fieldset>
  <fieldset>
    <legend>{{ school.isOver ? t('classes.isOver') : t('classes.end') }}</legend>
    <p class="help">{{ school.isOver ? t('classes.overHelp') : t('classes.endHelp') }}</p>
    <div>
      <Button
        :label="school.isOver ? t('classes.reopen') : t('classes.endClass')"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="change({ isOver: !school.isOver })"
      />
    </div>
  </fieldset>
</template>

<style scoped>
.row {
  display: flex;
  gap: 8px;
  align-items: center;
}
.row > input {
  flex: 1;
  min-width: 0;
}
.teacher {
  justify-content: space-between;
}
</style>
