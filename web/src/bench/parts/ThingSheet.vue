<script setup lang="ts">
// The sheet of one thing of a part: what can be done with it, and its fields.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Part } from '@fernbrake/core/lesson'
import PlaceButtons from '../quiz/PlaceButtons.vue'
import SheetFrame from '../SheetFrame.vue'
import { usePlaces, useRights } from '../useBench.ts'
import { useThings } from './useThings.ts'

const props = withDefaults(
  defineProps<{
    part: Part
    thingId: string
    title: string
    /** The things among which it stands, in order. */
    order: readonly string[]
    /** False where order is that of time. */
    moves?: boolean
  }>(),
  { moves: true },
)
const places = usePlaces()
const rights = useRights()
const { t } = useI18n()
const { move, copy, remove } = useThings(() => props.part)
const at = computed(() => props.order.indexOf(props.thingId))
</script>

<template>
  <SheetFrame :title="title" @close="places.thingId.value = null">
    <template v-if="rights.canEdit.value" #actions>
      <PlaceButtons
        :can-up="at > 0"
        :can-down="at < order.length - 1"
        :moves="moves"
        @move="move(thingId, $event)"
        @remove="remove(thingId, order)"
      >
        <Button
          :label="t('quiz.copy')"
          severity="secondary"
          variant="text"
          size="small"
          @click="copy(thingId)"
        />
      </PlaceButtons>
    </template>
    <p v-if="!rights.canEdit.value" class="notice straw">{{ t('bench.readOnly') }}</p>
    <div class="sheet-form"><slot /></div>
  </SheetFrame>
</template>
