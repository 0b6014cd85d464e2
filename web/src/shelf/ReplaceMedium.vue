<script setup lang="ts">
// Putting another medium in the place of one in all drafts: what would change is told first, and all of it is taken back at once.
import Button from 'primevue/button'
import { computed, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import LabelledSelect from '../ui/LabelledSelect.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import { replacements } from './replacements.ts'

const props = defineProps<{ media: Media; all: readonly Media[]; inDrafts: number }>()
const emit = defineEmits<{ replaced: [] }>()
const { t, n } = useI18n()
const others = computed(() =>
  props.all.filter(
    ({ id, kind, state, hosted }) =>
      // A hosted film cannot lie on another, or on a page; in a film's place it is put on the bench.
      id !== props.media.id && kind === props.media.kind && state === 'ready' && hosted === null,
  ),
)
/** From so many on, they are looked for by their words. */
const MANY = 8
const choices = computed(() => others.value.map(({ id, title }) => ({ value: id, label: title })))
const by = ref('')
const next = computed(() => others.value.find(({ id }) => id === by.value) ?? null)
const params = computed(() => ({ mediaId: props.media.id }))
const comparison = useLoaded(async () =>
  by.value
    ? (await call('compareMedia', { params: params.value, query: { by: by.value } })).lessons
    : null,
)
watch(by, (chosen) => {
  if (chosen !== '') told.value = ''
  void comparison.reload()
})
const possible = computed(() =>
  (comparison.value.value ?? []).filter(({ isPossible }) => isPossible),
)

/** What tells the two apart, each as it is and as it would be. */
const rows = computed(() => {
  const other = next.value
  if (!other) return []
  const { media } = props
  const length = ({ durationMs }: Media) => (durationMs ? clockTime(durationMs) : '')
  const size = ({ width, height }: Media) => (width ? `${width} × ${height}` : '')
  const pages = ({ pageCount }: Media) => (pageCount ? n(pageCount) : '')
  const sound = ({ kind, hasSound }: Media) =>
    kind === 'film' ? t(hasSound ? 'shelf.compare.withSound' : 'shelf.compare.silent') : ''
  const told = { length, size, pages, sound, licence: (one: Media) => one.licence }
  return Object.entries(told)
    .map(([name, of]) => ({ name, now: of(media), then: of(other) }))
    .filter(({ now, then }) => now !== '' || then !== '')
})
type Compared = NonNullable<(typeof comparison.value)['value']>[number]
/** What would lie beyond the end in a lesson; '' where nothing would. */
function beyond({ cues, cutShort, lines, stretches, firstMs }: Compared): string {
  const parts = (
    [
      ['cues', cues],
      ['cutShort', cutShort],
      ['lines', lines],
      ['stretches', stretches],
    ] as const
  )
    .filter(([, count]) => count > 0)
    .map(([name, count]) => t(`shelf.compare.${name}`, count))
  if (parts.length === 0 || firstMs === null) return ''
  return t('shelf.compare.beyond', { what: parts.join(', '), time: clockTime(firstMs) })
}

const troubled = computed(() =>
  (comparison.value.value ?? []).filter((one) => !one.isPossible || beyond(one) !== ''),
)
const fitting = computed(() => (comparison.value.value?.length ?? 0) - troubled.value.length)

const fault = shallowRef<unknown>(null)
const told = ref('')
const left = ref(0)
const busy = ref(false)
/** What was tried last, for whoever tries again. */
let tried = () => Promise.resolve()
async function act(work: () => Promise<void>): Promise<void> {
  tried = () => act(work)
  busy.value = true
  fault.value = null
  told.value = ''
  try {
    await work()
  } catch (error) {
    fault.value = error
  } finally {
    busy.value = false
    emit('replaced')
  }
}
const replace = () =>
  act(async () => {
    const chosen = by.value
    const reply = await call('replaceMedia', { params: params.value, body: { by: chosen } })
    by.value = ''
    if (reply.done.length > 0) replacements.set(props.media.id, { by: chosen, done: reply.done })
    told.value = t('shelf.replaced', reply.lessons.length)
    left.value = reply.left.length
  })
const last = computed(() => replacements.get(props.media.id) ?? null)
const takeBack = () =>
  act(async () => {
    const { by: chosen, done } = last.value!
    const body = { by: chosen, done: [...done] }
    const reply = await call('takeBackReplacement', { params: params.value, body })
    replacements.delete(props.media.id)
    told.value = t('shelf.takenBack', reply.lessons.length)
    left.value = 0
    if (reply.left.length > 0) told.value += ` ${t('shelf.notTakenBack', reply.left.length)}`
  })
</script>

<template>
  <form v-if="inDrafts > 0 && others.length > 0" @submit.prevent="replace">
    <LabelledSelect
      v-model="by"
      :label="t('shelf.replaceBy')"
      :options="choices"
      :filter="choices.length > MANY"
    />
    <template v-if="next">
      <table>
        <thead>
          <tr>
            <td />
            <th scope="col">{{ t('shelf.compare.now') }}</th>
            <th scope="col">{{ t('shelf.compare.then') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td />
            <td v-for="one in [media, next]" :key="one.id">
              <img
                v-if="one.files.includes('poster')"
                :src="mediaFileAddress(one.id, 'poster')"
                alt=""
              />
              <span dir="auto">{{ one.title }}</span>
            </td>
          </tr>
          <tr v-for="row in rows" :key="row.name" :class="{ differs: row.now !== row.then }">
            <th scope="row">{{ t(`shelf.compare.${row.name}`) }}</th>
            <td dir="auto">{{ row.now || t('shelf.compare.none') }}</td>
            <td dir="auto">{{ row.then || t('shelf.compare.none') }}</td>
          </tr>
        </tbody>
      </table>
      <FaultNotice
        v-if="comparison.error.value"
        :error="comparison.error.value"
        @retry="comparison.reload"
      />
      <div v-else-if="comparison.loading.value" class="skeleton wait" />
      <ul v-else>
        <li v-for="lesson in troubled" :key="lesson.id">
          <b dir="auto">{{ lesson.title || t('bench.untitled') }}</b>
          <span v-if="!lesson.isPossible" class="warn">{{ t('shelf.compare.impossible') }}</span>
          <span v-else class="warn">{{ beyond(lesson) }}</span>
        </li>
        <li v-if="fitting > 0" class="muted">{{ t('shelf.compare.fits', fitting) }}</li>
      </ul>
      <Button
        type="submit"
        class="go"
        :label="t('shelf.replace', possible.length)"
        size="small"
        :disabled="busy || comparison.loading.value || possible.length === 0"
      />
    </template>
  </form>
  <FaultNotice v-if="fault" :error="fault" @retry="tried()" />
  <p v-if="told" role="status">{{ told }}</p>
  <p v-if="left > 0" class="notice straw" role="status">{{ t('shelf.left', left) }}</p>
  <Button
    v-if="last"
    class="go"
    :label="t('shelf.takeBack', last.done.length)"
    size="small"
    severity="secondary"
    variant="outlined"
    :disabled="busy"
    @click="takeBack"
  />
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
}
table {
  border-collapse: collapse;
  table-layout: fixed;
  width: 100%;
  font-size: 13.5px;
}
th,
td {
  padding-block: 4px;
  padding-inline: 0 8px;
  border-bottom: 1px solid var(--line);
  text-align: start;
  vertical-align: top;
  overflow-wrap: anywhere;
}
th {
  color: var(--ink-2);
  font-weight: 400;
}
.differs td {
  font-weight: 650;
}
img {
  display: block;
  width: 100%;
  height: 64px;
  margin-bottom: 4px;
  object-fit: contain;
  background: var(--sunk);
}
ul {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  font-size: 13.5px;
  list-style: none;
}
li {
  display: grid;
}
.warn {
  justify-self: start;
  padding: 1px 8px;
  background: var(--straw-soft);
  color: var(--ink);
}
.wait {
  height: 40px;
}
.go {
  justify-self: start;
}
p {
  margin: 0;
}
</style>
