<script setup lang="ts">
// A roster, pasted or read from a file: what will happen is shown before it happens.
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { computed, ref, shallowRef, useId, useTemplateRef } from 'vue'
import { nanoid } from 'nanoid'
import { useI18n } from 'vue-i18n'
import {
  COLUMN_MEANINGS,
  countRoster,
  LARGEST_ROSTER_FILE,
  MOST_MEMBERS,
  planRoster,
  readRosterTable,
  type ColumnMeaning,
  type RosterState,
} from '@fernbrake/core/classes'
import type { Class } from '@fernbrake/core/contract'
import { decodeText } from '@fernbrake/core/fields'
import { call } from '../api/client.ts'
import type { ClassDesk } from './useClass.ts'

const props = defineProps<{ school: Class; desk: ClassDesk }>()
const emit = defineEmits<{ added: [count: number] }>()
const { t, n } = useI18n()
const id = useId()
const typed = ref('')
const picker = useTemplateRef('picker')
const tooLarge = ref(false)
/** What was opened is a workbook or a picture, say, out of which no names can be read. */
const isNoText = ref(false)
/** What somebody said the columns mean, where that is not what was guessed. */
const told = shallowRef<ColumnMeaning[] | null>(null)
const read = computed(() => readRosterTable(typed.value))
const table = computed(() => {
  const { meanings } = read.value
  return { ...read.value, meanings: told.value?.length === meanings.length ? told.value : meanings }
})
const entries = computed(() =>
  planRoster(
    table.value,
    props.school.members.map(({ id, name, leftAt }) => ({ id, name, hasLeft: leftAt !== null })),
  ),
)
const counts = computed(() => countRoster(entries.value))
const ORDER: RosterState[] = ['unfit', 'again', 'back', 'here', 'new']
/** What a teacher should look at comes first; more than these nobody reads. */
const MOST_SHOWN = 100
const shown = computed(() =>
  [...entries.value]
    .sort((a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state))
    .slice(0, MOST_SHOWN),
)
const taken = computed(() =>
  entries.value.filter(({ state }) => state === 'new' || state === 'back'),
)
/** People who are there already may still be put in a group that the list names. */
const regrouped = computed(() =>
  entries.value.filter(({ state, group }) => state === 'here' && group !== ''),
)
const room = computed(() => MOST_MEMBERS - props.school.members.length)

async function open(file: File | undefined): Promise<void> {
  tooLarge.value = (file?.size ?? 0) > LARGEST_ROSTER_FILE
  isNoText.value = false
  if (!file || tooLarge.value) return
  const text = decodeText(new Uint8Array(await file.arrayBuffer()))
  isNoText.value = text === null
  if (text === null) return
  told.value = null
  typed.value = text
}
function tell(at: number, meaning: ColumnMeaning): void {
  told.value = table.value.meanings.map((one, index) => (index === at ? meaning : one))
}

/** Ids are kept for each name, so that sending again after a lost answer makes nobody twice. */
const ids = new Map<string, string>()
function idOf(name: string): string {
  if (!ids.has(name)) ids.set(name, nanoid())
  return ids.get(name)!
}
async function add(): Promise<void> {
  const members = [...taken.value, ...regrouped.value].map(({ name, group }) => ({
    id: idOf(name),
    name,
    ...(group === '' ? {} : { group }),
  }))
  const count = taken.value.length
  const params = { classId: props.school.id }
  if (await props.desk.change(() => call('addRoster', { params, body: { members } }))) {
    typed.value = ''
    emit('added', count)
  }
}
</script>

<template>
  <div class="field">
    <label :for="id">{{ t('classes.namesLabel') }}</label>
    <Textarea
      :id="id"
      v-model="typed"
      rows="7"
      dir="auto"
      :placeholder="t('classes.namesExample')"
      @drop.prevent="open($event.dataTransfer?.files[0])"
      @dragover.prevent
    />
  </div>
  <div>
    <input
      ref="picker"
      class="visually-hidden"
      type="file"
      accept=".csv,.txt,.tsv,text/csv,text/plain"
      tabindex="-1"
      :aria-label="t('classes.fromFile')"
      @change="open(($event.target as HTMLInputElement).files?.[0])"
    />
    <Button
      :label="t('classes.fromFile')"
      size="small"
      severity="secondary"
      variant="outlined"
      @click="picker?.click()"
    />
  </div>
  <p v-if="tooLarge" class="fault" role="alert">{{ t('classes.fileTooLarge') }}</p>
  <p v-if="isNoText" class="fault" role="alert">{{ t('classes.fileNoText') }}</p>
  <fieldset v-if="entries.length > 0 && table.meanings.length > 1">
    <legend>{{ t('classes.columns') }}</legend>
    <label v-for="(meaning, at) in table.meanings.slice(0, 12)" :key="at" class="column">
      <span class="mono small" dir="auto">{{ table.rows[0]?.[at] ?? '' }}</span>
      <select
        :value="meaning"
        :aria-label="t('classes.columnIs', { number: at + 1 })"
        @change="tell(at, ($event.target as HTMLSelectElement).value as ColumnMeaning)"
      >
        <option v-for="one in COLUMN_MEANINGS" :key="one" :value="one">
          {{ t(`classes.meaning.${one}`) }}
        </option>
      </select>
    </label>
  </fieldset>
  <section v-if="entries.length > 0" class="plan" :aria-label="t('classes.plan')">
    <div role="status">
      <ul class="counts">
        <template v-for="state in [...ORDER].reverse()" :key="state">
          <li v-if="counts[state] > 0" :class="state">
            {{ t(`classes.state.${state}`, { n: n(counts[state]) }, counts[state]) }}
          </li>
        </template>
      </ul>
    </div>
    <table>
      <caption class="visually-hidden">
        {{
          t('classes.plan')
        }}
      </caption>
      <tbody>
        <tr v-for="entry in shown" :key="entry.line" :class="entry.state">
          <td class="mono line">{{ entry.line }}</td>
          <td dir="auto">{{ entry.name || '–' }}</td>
          <td>
            {{ entry.fault ? t(`classes.fault.${entry.fault}`) : t(`classes.will.${entry.state}`) }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="entries.length > MOST_SHOWN" class="help">
      {{ t('classes.more', { count: n(entries.length - MOST_SHOWN) }) }}
    </p>
    <p v-if="taken.length > room" class="fault" role="alert">
      {{ t('classes.full', { most: n(MOST_MEMBERS), over: n(taken.length - room) }) }}
    </p>
    <Button
      :label="t('classes.add', { n: n(taken.length) }, taken.length)"
      :disabled="taken.length + regrouped.length === 0 || taken.length > room"
      :loading="desk.busy.value"
      @click="add"
    />
  </section>
</template>

<style scoped>
.column {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
}
.column span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
select {
  padding: 5px 8px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 13.5px;
}
.small {
  font-size: 13.5px;
}
.counts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  margin: 0 0 10px;
  padding: 0;
  font-weight: 600;
  list-style: none;
}
.counts .unfit,
.counts .again {
  color: var(--rust);
}
table {
  display: block;
  max-height: 300px;
  margin-bottom: 12px;
  border: 1px solid var(--line);
  overflow-y: auto;
  border-collapse: collapse;
  font-size: 13.5px;
}
tbody {
  display: table;
  width: 100%;
}
td {
  padding: 4px 8px;
  border-bottom: 1px solid var(--line);
  overflow-wrap: anywhere;
}
.line {
  width: 3.2em;
  color: var(--ink-2);
  text-align: end;
}
tr.unfit,
tr.again {
  background: var(--rust-soft);
}
tr.here {
  color: var(--ink-2);
}
</style>
