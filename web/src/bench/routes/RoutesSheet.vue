<script setup lang="ts">
// What there is to say of all routes: what is wrong or doubtful, how long the ways are, how freely learners move.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import type { Extreme, RouteFinding, Survey } from '@fernbrake/core/routes'
import ChoiceField from '../ChoiceField.vue'
import SheetFrame from '../SheetFrame.vue'
import { useRights, useBench } from '../useBench.ts'

const props = defineProps<{ survey: Survey }>()
const emit = defineEmits<{ part: [partId: string] }>()
const bench = useBench()
const rights = useRights()
const { t, n } = useI18n()
const titleOf = (partId: string) => bench.lesson.value.parts[partId]?.title || t('bench.untitled')
const partOf = (finding: RouteFinding) =>
  'partIds' in finding ? finding.partIds[0]! : finding.partId
function wordsOf(finding: RouteFinding): string {
  const title = titleOf(partOf(finding))
  if (finding.code === 'neverTaken') return t(`routes.found.neverTaken.${finding.why}`, { title })
  if (finding.code === 'loop') {
    const titles = finding.partIds.map(titleOf).join(', ')
    return t('routes.found.loop', { titles })
  }
  if (finding.code === 'ring')
    return t('routes.found.ring', { title, time: clockTime(finding.atMs) })
  return t(`routes.found.${finding.code}`, { title })
}
/** Nothing takes no time at all. */
const whole = (minutes: number) => Math.max(1, Math.round(minutes))
/** Seconds are told where the minutes would hide how the ways differ, and of what takes less than two. */
function lasts(minutes: number, withSeconds: boolean): string {
  if (!withSeconds) return t('routes.minutes', { n: n(whole(minutes)) }, whole(minutes))
  const seconds = Math.max(1, Math.round(minutes * 60))
  const [full, rest] = [Math.floor(seconds / 60), seconds % 60]
  const tail = rest > 0 || full === 0 ? t('routes.seconds', { n: n(rest) }, rest) : ''
  const head = full > 0 ? t('routes.minutes', { n: n(full) }, full) : ''
  return [head, tail].filter(Boolean).join(' ')
}
const figures = computed(() => {
  const { measured } = props.survey
  if (!measured) return []
  const { shortest, longest } = measured
  const isHidden =
    shortest.minutes !== longest.minutes && whole(shortest.minutes) === whole(longest.minutes)
  const line = (name: string, { minutes, partIds }: Extreme) => ({
    name,
    figure: lasts(minutes, isHidden || minutes < 2),
    way: partIds.map(titleOf).join(' → '),
  })
  const marks = (name: string, { points, partIds }: Extreme) => ({
    name,
    figure: t('player.points', { n: n(points) }, points),
    way: partIds.map(titleOf).join(' → '),
  })
  const isOneWay =
    String(shortest.partIds) === String(longest.partIds) && shortest.minutes === longest.minutes
  if (isOneWay && measured.fewest.points === measured.most.points)
    return [line(t('routes.everyWay'), measured.longest), marks(t('routes.marks'), measured.most)]
  return [
    line(t('routes.shortest'), shortest),
    line(t('routes.longest'), longest),
    marks(t('routes.fewest'), measured.fewest),
    marks(t('routes.most'), measured.most),
  ]
})
const NAVIGATION = ['free', 'inOrder'] as const
const NUMBERING = ['numbers', 'letters', 'none'] as const
const choices = <T extends string>(of: string, values: readonly T[]) =>
  values.map((value) => ({ value, label: t(`routes.${of}.${value}`) }))
</script>

<template>
  <SheetFrame :title="t('routes.routes')" :closes="false">
    <p v-if="!rights.canEdit.value" class="notice straw">{{ t('bench.readOnly') }}</p>
    <div class="sheet-form">
      <section>
        <h3>{{ t('routes.findings') }}</h3>
        <p v-if="survey.findings.length === 0" class="help">{{ t('routes.noFindings') }}</p>
        <ul v-else>
          <li v-for="(finding, index) in survey.findings" :key="index">
            <button type="button" class="finding" @click="emit('part', partOf(finding))">
              {{ wordsOf(finding) }}
            </button>
          </li>
        </ul>
      </section>
      <section v-if="figures.length > 0">
        <h3>{{ t('routes.measures') }}</h3>
        <dl>
          <template v-for="one in figures" :key="one.name">
            <dt>{{ one.name }}</dt>
            <dd>
              <b>{{ one.figure }}</b>
              <span dir="auto">{{ one.way }}</span>
            </dd>
          </template>
        </dl>
        <p v-if="!survey.measured!.isWhole" class="help">{{ t('routes.notWhole') }}</p>
      </section>
      <fieldset>
        <legend>{{ t('routes.moving') }}</legend>
        <div class="pair">
          <ChoiceField
            :label="t('routes.navigationLabel')"
            :value="bench.lesson.value.navigation ?? 'free'"
            :choices="choices('navigation', NAVIGATION)"
            @change="bench.draft.make(edits.setTravelling, { navigation: $event })"
          />
          <ChoiceField
            :label="t('routes.numberingLabel')"
            :value="bench.lesson.value.numbering ?? 'numbers'"
            :choices="choices('numbering', NUMBERING)"
            @change="bench.draft.make(edits.setTravelling, { numbering: $event })"
          />
        </div>
      </fieldset>
    </div>
  </SheetFrame>
</template>

<style scoped>
h3 {
  margin-bottom: 6px;
  font-size: 15px;
}
ul {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.finding {
  width: 100%;
  padding: 8px 12px;
  border: 0;
  border-inline-start: 4px solid var(--straw);
  background: var(--straw-soft);
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.finding:hover {
  text-decoration: underline;
}
dl {
  display: grid;
  grid-template-columns: 9em minmax(0, 1fr);
  gap: 6px 12px;
  margin: 0;
}
dt {
  color: var(--ink-2);
}
dd {
  margin: 0;
}
dd span {
  display: block;
  color: var(--ink-2);
  font-size: 13.5px;
  overflow-wrap: anywhere;
}
.help {
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
