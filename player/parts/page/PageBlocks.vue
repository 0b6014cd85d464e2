<script setup lang="ts">
// The blocks of a page, or of one side of its columns, one under the other. Where they are edited, each is framed by
// whoever shows them.
import {
  blocksAt,
  COLUMN_SIDES,
  type ColumnsBlock,
  type ColumnSide,
  type PageBlock,
  type PagePart,
} from '@fernbrake/core/lesson'
import PageBlockView from './PageBlockView.vue'

type Place = { columnsId: string; side: ColumnSide } | undefined
defineProps<{ page: PagePart; place?: Place }>()
defineSlots<{
  /** A block that is no columns; without it, the block as learners see it. */
  block?: (given: { block: Exclude<PageBlock, { kind: 'columns' }> }) => unknown
  /** Before columns. */
  columns?: (given: { block: ColumnsBlock }) => unknown
  /** After all that stands in one place. */
  end?: (given: { place: Place }) => unknown
}>()
</script>

<template>
  <div class="blocks" :class="{ column: place }">
    <template v-for="block in blocksAt(page, place)" :key="block.id">
      <slot v-if="block.kind === 'columns'" name="columns" :block="block" />
      <div
        v-if="block.kind === 'columns'"
        class="columns"
        :class="[block.split, { stays: block.stays }]"
      >
        <PageBlocks
          v-for="side in COLUMN_SIDES"
          :key="side"
          :page="page"
          :place="{ columnsId: block.id, side }"
        >
          <template #block="{ block: inner }">
            <slot name="block" :block="inner"><PageBlockView :block="inner" /></slot>
          </template>
          <template #end="{ place: there }"><slot name="end" :place="there" /></template>
        </PageBlocks>
      </div>
      <slot v-else name="block" :block="block"><PageBlockView :block="block" /></slot>
    </template>
    <slot name="end" :place="place" />
  </div>
</template>

<style scoped>
/* A line of text as long as reads well, and beside it a margin for notes. */
.blocks:not(.column) {
  display: grid;
  grid-template-columns: minmax(0, 660px) minmax(0, 190px);
  column-gap: 28px;
  row-gap: 18px;
}
.column {
  display: flex;
  flex-direction: column;
  gap: 16px;
  min-width: 0;
}
.columns {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
  align-items: start;
}
.columns.firstWide {
  grid-template-columns: 3fr 2fr;
}
.columns.secondWide {
  grid-template-columns: 2fr 3fr;
}
.columns.stays > :first-child {
  position: sticky;
  top: 12px;
}
@media (max-width: 760px) {
  .blocks:not(.column),
  .columns,
  .columns.firstWide,
  .columns.secondWide {
    grid-template-columns: minmax(0, 1fr);
  }
  .columns.stays > :first-child {
    position: static;
  }
}
@media print {
  .columns.stays > :first-child {
    position: static;
  }
}
</style>
