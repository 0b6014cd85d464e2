<script setup lang="ts">
// The words of a line with their marks, and formulas between them.
import { h, type VNode } from 'vue'
import type { Run, TextMark } from '@fernbrake/core/fields'
import FormulaText from './FormulaText.vue'
import { usePlaces } from './usePlaces.ts'

const filled = usePlaces()
const props = defineProps<{ runs: readonly Run[] }>()
const TAGS: Record<TextMark, string> = {
  bold: 'strong',
  italic: 'em',
  code: 'code',
  sub: 'sub',
  super: 'sup',
  highlight: 'mark',
}

function drawn(run: Run): VNode | string {
  if ('tex' in run) return h(FormulaText, { tex: run.tex })
  return (run.marks ?? []).reduce<VNode | string>(
    (inner, mark) => h(TAGS[mark], [inner]),
    filled(run.text),
  )
}
const Line = () => props.runs.map(drawn)
</script>

<template>
  <Line />
</template>

<style scoped>
/* Straw like a marker pen; the letters keep their ink. */
mark {
  padding: 0 2px;
  background: var(--straw-soft);
  box-shadow: inset 0 -2px 0 var(--straw);
  color: inherit;
}
</style>
