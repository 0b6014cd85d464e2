<script setup lang="ts">
// The categories of a chronicle: what they are called and which colour stands for each.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder } from '@fernbrake/core/fields'
import { edits, type ChroniclePart } from '@fernbrake/core/lesson'
import ColourField from '../../ColourField.vue'
import WordsField from '../../WordsField.vue'
import { useRights, useBench } from '../../useBench.ts'
import { useThings } from '../useThings.ts'

const props = defineProps<{ part: ChroniclePart }>()
const bench = useBench()
const rights = useRights()
const { draft } = bench
const { t } = useI18n()
const { set } = useThings(() => props.part)
const categories = computed(() => inOrder(Object.values(props.part.categories)))
/** Inks that can be told apart and stand well on paper; each new category takes the next. */
const COLOURS = ['#385873', '#A5461D', '#24603F', '#693A62', '#7C5F00']

function add(): void {
  const colour = COLOURS[categories.value.length % COLOURS.length]!
  const things = [{ id: nanoid(), name: '', colour }]
  draft.make(edits.addThings, { partId: props.part.id, map: 'categories', things })
}
const remove = (thingId: string) =>
  draft.make(edits.removeThing, { partId: props.part.id, thingId })
</script>

<template>
  <fieldset>
    <legend>{{ t('player.part.categories') }}</legend>
    <div v-for="category in categories" :key="category.id" class="row">
      <ColourField
        :label="t('parts.colour')"
        :colour="category.colour"
        usual="#24603F"
        @change="$event && set(category.id, { colour: $event })"
      />
      <WordsField
        :label="t('parts.categoryName')"
        :text="category.name"
        :max="100"
        @change="set(category.id, { name: $event })"
      />
      <Button
        v-if="rights.canEdit.value"
        :label="t('sheet.delete')"
        severity="danger"
        variant="text"
        size="small"
        @click="remove(category.id)"
      />
    </div>
    <Button
      v-if="rights.canEdit.value"
      class="add"
      :label="t('parts.addCategory')"
      severity="secondary"
      variant="outlined"
      size="small"
      @click="add"
    />
  </fieldset>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  align-items: end;
  gap: 10px;
}
.add {
  align-self: start;
}
</style>
