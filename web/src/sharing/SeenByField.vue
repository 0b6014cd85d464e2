<script setup lang="ts">
// Who may learn the lesson; where only people named may, who they are.
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { SEEN_BY, type SeenBy, type Sharing } from '@fernbrake/core/contract'
import ChoiceLine from './ChoiceLine.vue'
import { readAddresses } from './readAddresses.ts'

const props = defineProps<{ sharing: Sharing; canChange: boolean }>()
const emit = defineEmits<{
  seenBy: [seenBy: SeenBy]
  invite: [emails: string[]]
  uninvite: [email: string]
}>()
const { t } = useI18n()
const id = useId()
const typed = ref('')
const read = computed(() => readAddresses(typed.value))
const fresh = computed(() =>
  read.value.addresses.filter((email) => !props.sharing.invited.includes(email)),
)

function invite(): void {
  if (fresh.value.length === 0) return
  emit('invite', fresh.value)
  typed.value = read.value.others.join('\n')
}
</script>

<template>
  <div v-if="!canChange">
    <h2 class="legend">{{ t('sharing.seenBy') }}</h2>
    <b>{{ t(`sharing.by.${sharing.seenBy}`) }}</b>
    <span class="help">{{ t(`sharing.byHelp.${sharing.seenBy}`) }}</span>
  </div>
  <fieldset v-else>
    <legend class="legend">{{ t('sharing.seenBy') }}</legend>
    <template v-for="choice in SEEN_BY" :key="choice">
      <ChoiceLine
        type="radio"
        :name="id"
        :value="choice"
        :checked="sharing.seenBy === choice"
        :label="t(`sharing.by.${choice}`)"
        :help="t(`sharing.byHelp.${choice}`)"
        @change="emit('seenBy', choice)"
      />
      <div v-if="choice === 'people' && sharing.seenBy === choice" class="people">
        <ul v-if="sharing.invited.length > 0" :aria-label="t('sharing.invited')">
          <li v-for="email in sharing.invited" :key="email">
            <span>{{ email }}</span>
            <Button
              :label="t('sharing.uninvite')"
              :aria-label="t('sharing.uninviteWhom', { email })"
              size="small"
              severity="secondary"
              variant="text"
              @click="emit('uninvite', email)"
            />
          </li>
        </ul>
        <p v-else class="muted">{{ t('sharing.nobodyInvited') }}</p>
        <form @submit.prevent="invite">
          <label :for="`${id}-new`">{{ t('sharing.addresses') }}</label>
          <Textarea :id="`${id}-new`" v-model="typed" rows="3" maxlength="100000" />
          <p v-if="read.others.length > 0" class="help" role="status">
            {{
              t(
                'sharing.notAddresses',
                { lines: read.others.slice(0, 3).join(', ') },
                read.others.length,
              )
            }}
          </p>
          <Button
            type="submit"
            size="small"
            :label="t('sharing.invite', fresh.length)"
            :disabled="fresh.length === 0"
          />
        </form>
      </div>
    </template>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  border: 0;
}
.legend {
  padding: 0 0 8px;
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
}
.help {
  display: block;
  color: var(--ink-2);
  font-size: 13.5px;
}
.people {
  margin-inline-start: 30px;
  padding: 12px 0 4px;
}
ul {
  max-height: 240px;
  margin: 0 0 12px;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 2px 0;
  border-bottom: 1px solid var(--line);
  overflow-wrap: anywhere;
}
form {
  display: grid;
  gap: 8px;
  justify-items: start;
}
form > label {
  font-size: 13.5px;
  font-weight: 600;
  color: var(--ink-2);
}
textarea {
  width: 100%;
}
</style>
