<script setup lang="ts">
// How all have answered so far, drawn as bars that are a table underneath; asked for again while it is looked at.
import { computed, inject, onScopeDispose, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { TALLIES } from './answerView.ts'
import type { Tally } from '../hosts/Host.ts'

const props = defineProps<{
  questionId: string
  bars: { id: string; label: string; colour: string | null; own: boolean }[]
}>()
const { t, n } = useI18n()
/** Often enough to see others answer, in ms. */
const AGAIN_MS = 4000
const read = inject(TALLIES, null)
const tally = shallowRef<Tally | null>(null)
const failed = ref(false)

async function ask(): Promise<void> {
  if (!read || document.visibilityState === 'hidden') return
  try {
    tally.value = await read(props.questionId)
    failed.value = false
  } catch {
    failed.value = true
  }
}
void ask()
const timer = setInterval(() => void ask(), AGAIN_MS)
onScopeDispose(() => clearInterval(timer))

const rows = computed(() => {
  const { answered, counts } = tally.value ?? { answered: 0, counts: {} }
  return props.bars.map((bar) => {
    const count = counts[bar.id] ?? 0
    return { ...bar, count, share: answered > 0 ? count / answered : 0 }
  })
})
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })
</script>

<template>
  <div class="tally">
    <table v-if="tally">
      <caption>
        {{
          t('player.tally', { n: tally.answered }, tally.answered)
        }}
      </caption>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <th scope="row" dir="auto">
            {{ row.label }} <small v-if="row.own">{{ t('player.yourPick') }}</small>
          </th>
          <td class="bar">
            <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
              <rect x="0" y="0" width="100" height="12" class="room" />
              <rect
                x="0"
                y="0"
                height="12"
                :width="row.share * 100"
                :fill="row.colour ?? 'var(--fern)'"
              />
            </svg>
          </td>
          <td class="figure">{{ percent(row.share) }}</td>
          <td class="figure">{{ n(row.count) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="failed" role="status">{{ t('player.tallyFailed') }}</p>
    <p v-else role="status">{{ t('player.tallyComing') }}</p>
  </div>
</template>

<style scoped>
.tally {
  min-height: 120px;
  margin-bottom: 12px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
caption {
  margin-bottom: 8px;
  font-size: 13.5px;
  color: var(--ink-2);
  text-align: start;
}
th {
  width: 40%;
  padding-block: 8px;
  padding-inline: 0 8px;
  font-weight: 400;
  text-align: start;
  overflow-wrap: anywhere;
}
small {
  color: var(--ink-2);
  font-weight: 650;
}
.bar svg {
  display: block;
  width: 100%;
  height: 16px;
}
.room {
  fill: var(--sunk);
}
.figure {
  width: 3.2em;
  padding-inline-start: 8px;
  font-family: var(--mono);
  text-align: end;
}
</style>
