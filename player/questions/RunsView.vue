<script setup lang="ts">
// The words of a line with their marks, and formulas between them.
import { h, type VNode } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Run, TextMark } from '@fernbrake/core/fields'
import FormulaText from './FormulaText.vue'
import { usePlaces } from './usePlaces.ts'

const filled = usePlaces()
const { t } = useI18n()
const props = defineProps<{ runs: readonly Run[]; pressed?: boolean }>()
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
  const words = (run.marks ?? []).reduce<VNode | string>(
    (inner, mark) => h(TAGS[mark], [inner]),
    filled(run.text),
  )
  return run.address === undefined ? words : linked(words, run.address)
}

/** Leads away in a tab of its own, so that nobody loses their place; in what is pressed as a whole it is told apart alone. */
function linked(words: VNode | string, href: string): VNode {
  if (props.pressed) return h('u', [words])
  const says = h('span', { class: 'visually-hidden' }, ` (${t('player.opens.newTab')})`)
  return h('a', { href, target: '_blank', rel: 'noopener noreferrer' }, [words, says])
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
