<script setup lang="ts">
// Who works on the lesson, and in which role.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { LESSON_ROLES, type LessonRoleName, type Sharing } from '@fernbrake/core/contract'

const props = defineProps<{ sharing: Sharing; canChange: boolean; me: string | null }>()
const emit = defineEmits<{
  give: [email: string, role: LessonRoleName]
  take: [personId: string]
}>()
const { t } = useI18n()
const id = useId()
const email = ref('')
const role = ref<LessonRoleName>('editor')
const roles = computed(() =>
  LESSON_ROLES.map((value) => ({ value, label: t(`sharing.role.${value}`) })),
)

/** A lesson is never without an owner. */
const isLastOwner = (person: Sharing['people'][number]) =>
  person.role === 'owner' &&
  props.sharing.people.filter(({ role }) => role === 'owner').length === 1

function give(): void {
  const words = email.value.trim()
  if (words === '') return
  emit('give', words, role.value)
  email.value = ''
}
</script>

<template>
  <ul>
    <li v-for="person in sharing.people" :key="person.id">
      <span class="who">
        <b dir="auto">{{ person.name }}</b>
        <template v-if="person.id === me"> · {{ t('sharing.you') }}</template>
        <span class="muted">{{ person.email }}</span>
      </span>
      <span v-if="!canChange || isLastOwner(person)">{{ t(`sharing.role.${person.role}`) }}</span>
      <Select
        v-else
        :model-value="person.role"
        :options="roles"
        option-label="label"
        option-value="value"
        size="small"
        :aria-label="t('sharing.roleOf', { name: person.name })"
        @update:model-value="emit('give', person.email, $event)"
      />
      <Button
        v-if="canChange && !isLastOwner(person)"
        :label="t('sharing.remove')"
        :aria-label="t('sharing.removeWhom', { name: person.name })"
        size="small"
        severity="secondary"
        variant="text"
        @click="emit('take', person.id)"
      />
    </li>
  </ul>
  <form v-if="canChange" @submit.prevent="give">
    <div class="field">
      <label :for="id">{{ t('sharing.email') }}</label>
      <InputText :id="id" v-model="email" type="email" maxlength="200" autocomplete="off" />
    </div>
    <div class="field">
      <span :id="`${id}-role`" class="label">{{ t('sharing.as') }}</span>
      <Select
        v-model="role"
        :aria-labelledby="`${id}-role`"
        :options="roles"
        option-label="label"
        option-value="value"
      />
    </div>
    <Button type="submit" :label="t('sharing.give')" :disabled="email.trim() === ''" />
  </form>
  <p v-if="canChange" class="help">{{ t(`sharing.roleHelp.${role}`) }}</p>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.who {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}
.who .muted {
  display: block;
  font-size: 13.5px;
}
form {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
}
form .field:first-child {
  flex: 1 1 180px;
}
.help {
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
