<script setup lang="ts">
// A text as it is read: plain words, or marks, formulas, lists, tables, pictures, sounds and stretches of film. It is
// drawn from its parts and never as markup, so nothing in it can run.
import { computed } from 'vue'
import type { RichText } from '@fernbrake/core/fields'
import FormulaText from './FormulaText.vue'
import RunsView from './RunsView.vue'
import TextMedia from './TextMedia.vue'
import { usePlaces } from './usePlaces.ts'

const props = defineProps<{
  text: RichText
  /** In something that is pressed as a whole: a link in it would be pressed with it. */
  pressed?: boolean
}>()
const filled = usePlaces()
const blocks = computed(() => (typeof props.text === 'string' ? null : props.text.blocks))
</script>

<template>
  <span v-if="blocks === null" class="plain" dir="auto">{{ filled(text as string) }}</span>
  <span v-else class="rich">
    <template v-for="(block, index) in blocks" :key="index">
      <span v-if="block.block === 'paragraph'" class="paragraph" dir="auto">
        <RunsView :runs="block.runs" :pressed="pressed" />
      </span>
      <component
        :is="block.ordered ? 'ol' : 'ul'"
        v-else-if="block.block === 'list'"
        class="list"
        dir="auto"
      >
        <li v-for="(runs, at) in block.items" :key="at">
          <RunsView :runs="runs" :pressed="pressed" />
        </li>
      </component>
      <FormulaText v-else-if="block.block === 'formula'" :tex="block.tex" display />
      <span v-else-if="block.block === 'table'" class="table-room">
        <table>
          <tr v-for="(row, at) in block.rows" :key="at">
            <component
              :is="block.headed && at === 0 ? 'th' : 'td'"
              v-for="(runs, column) in row"
              :key="column"
              :scope="block.headed && at === 0 ? 'col' : undefined"
              dir="auto"
            >
              <RunsView :runs="runs" :pressed="pressed" />
            </component>
          </tr>
        </table>
      </span>
      <TextMedia v-else :block="block" />
    </template>
  </span>
</template>

<style scoped>
.plain {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.rich {
  display: block;
  overflow-wrap: anywhere;
}
.paragraph {
  display: block;
  white-space: pre-wrap;
}
.paragraph + *,
.list + *,
.table-room + * {
  margin-top: 0.5em;
}
.list {
  margin: 0.3em 0;
  padding-inline-start: 1.6em;
}
.table-room {
  display: block;
  overflow-x: auto;
}
table {
  /* A narrow screen moves a table sideways rather than break its words. */
  overflow-wrap: normal;
  border-collapse: collapse;
  font-family: var(--interface);
  font-size: 15px;
  font-weight: 400;
}
th,
td {
  height: 1.9em;
  padding: 4px 10px;
  border: 1px solid var(--line-strong);
  text-align: start;
}
th {
  background: var(--sunk);
  font-weight: 650;
}
</style>
