<script setup lang="ts">
// The desk of a part that is neither film nor quiz, by its kind.
import type { PartOfThings } from '@fernbrake/core/lesson'
import ChronicleDesk from './chronicle/ChronicleDesk.vue'
import DeckDesk from './deck/DeckDesk.vue'
import PageDesk from './page/PageDesk.vue'
import StillDesk from './still/StillDesk.vue'

defineProps<{
  part: PartOfThings
  /** Something of the whole lesson lies where the sheet is. */
  covered: boolean
}>()
</script>

<template>
  <PageDesk v-if="part.kind === 'page'" :part="part" :covered="covered" />
  <StillDesk v-else-if="part.kind === 'still'" :part="part" :covered="covered" />
  <DeckDesk v-else-if="part.kind === 'deck'" :part="part" :covered="covered" />
  <ChronicleDesk v-else :part="part" :covered="covered" />
</template>
