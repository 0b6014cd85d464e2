<script setup lang="ts">
// The routes that leave a part at its end, in the order in which they are tried.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, partsInOrder, routesFrom, type Part, type Route } from '@fernbrake/core/lesson'
import { followingPart, graphOf } from '@fernbrake/core/routes'
import ChoiceField from '../ChoiceField.vue'
import ConditionFields from '../ConditionFields.vue'
import WordsField from '../WordsField.vue'
import { useRights, useBench } from '../useBench.ts'

const props = defineProps<{ part: Part; pickedId?: string | null }>()
const bench = useBench()
const rights = useRights()
const { draft } = bench
const { t } = useI18n()
const routes = computed(() => routesFrom(bench.lesson.value, props.part.id))
const END = 'end'
const NOWHERE = 'nowhere'
const targets = computed(() => [
  ...partsInOrder(bench.lesson.value)
    .filter(({ id }) => id !== props.part.id)
    .map(({ id, title }) => ({ value: `part ${id}`, label: title || t('bench.untitled') })),
  { value: END, label: t('routes.toEnd') },
])
const valueOf = ({ target }: Route) =>
  target.to === 'part' ? `part ${target.partId}` : target.to === 'ending' ? END : NOWHERE
const targetsOf = (route: Route) =>
  valueOf(route) === NOWHERE
    ? [{ value: NOWHERE, label: t('routes.toNowhere') }, ...targets.value]
    : targets.value
function targetFrom(value: string): Route['target'] {
  if (value === NOWHERE) return { to: 'on' }
  return value === END ? { to: 'ending', message: '' } : { to: 'part', partId: value.slice(5) }
}
const set = (routeId: string, change: Partial<Pick<Route, 'target' | 'condition' | 'words'>>) =>
  draft.make(edits.setRoute, { routeId, change })

function add(): void {
  const { id: fromId } = props.part
  const next = followingPart(bench.lesson.value, fromId)
  const target = targetFrom(next ? `part ${next}` : END)
  draft.make(edits.addRoute, { id: nanoid(), fromId, target })
}
const order = computed(() => {
  const own = graphOf(bench.lesson.value).from.get(props.part.id) ?? []
  if (own.every(({ kind }) => kind !== 'order')) return t('routes.forkLeads')
  const next = followingPart(bench.lesson.value, props.part.id)
  const title = next && (bench.lesson.value.parts[next]!.title || t('bench.untitled'))
  return title ? t('routes.orderTo', { title }) : t('routes.orderEnd')
})
</script>

<template>
  <fieldset>
    <legend>{{ t('routes.ways') }}</legend>
    <p class="help">{{ routes.length === 0 ? order : t('routes.waysHelp') }}</p>
    <div
      v-for="(route, index) in routes"
      :key="route.id"
      class="way"
      :class="{ picked: route.id === pickedId }"
      role="group"
      :aria-label="t('fork.way', { number: index + 1 })"
    >
      <ChoiceField
        :label="t('routes.leadsTo')"
        :value="valueOf(route)"
        :choices="targetsOf(route)"
        @change="set(route.id, { target: targetFrom($event) })"
      />
      <WordsField
        v-if="route.target.to === 'ending'"
        :label="t('fork.endingWords')"
        :text="route.target.message"
        :max="2000"
        :rows="2"
        @change="set(route.id, { target: { to: 'ending', message: $event } })"
      />
      <ConditionFields
        :condition="route.condition"
        @change="set(route.id, { condition: $event })"
      />
      <WordsField
        :label="t('routes.words')"
        :text="route.words"
        :max="200"
        @change="set(route.id, { words: $event })"
      />
      <div v-if="rights.canEdit.value" class="buttons">
        <Button
          v-for="by in [-1, 1] as const"
          :key="by"
          :label="t(by < 0 ? 'quiz.up' : 'quiz.down')"
          :disabled="index + by < 0 || index + by >= routes.length"
          severity="secondary"
          variant="text"
          size="small"
          @click="draft.make(edits.moveRoute, { routeId: route.id, by })"
        />
        <Button
          :label="t('sheet.delete')"
          severity="danger"
          variant="text"
          size="small"
          @click="draft.make(edits.removeRoute, { routeId: route.id })"
        />
      </div>
    </div>
    <Button
      v-if="rights.canEdit.value"
      class="add"
      :label="t('routes.add')"
      severity="secondary"
      variant="outlined"
      size="small"
      @click="add"
    />
  </fieldset>
</template>

<style scoped>
.way {
  display: grid;
  gap: 10px;
  padding: 12px;
  border: 1px solid var(--line);
  border-inline-start: 4px solid var(--plum);
  border-radius: var(--radius);
}
.way.picked {
  background: var(--plum-soft);
}
.buttons {
  display: flex;
  justify-content: end;
}
.add {
  align-self: start;
}
</style>
