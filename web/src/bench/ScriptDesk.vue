<script setup lang="ts">
// The script as a desk: the film read as a text, with the cues in its margin beside the line they belong to.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, nextTick, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { readCaptions, type CaptionFault } from '@fernbrake/core/formats'
import { cueStartMs, edits, lineIndexAt, type Cue } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import CueCard from './CueCard.vue'
import DeskTabs from './DeskTabs.vue'
import { useBench, type CueKind } from './useBench.ts'

const bench = useBench()
const { t } = useI18n()
const list = ref<HTMLElement | null>(null)
const picker = ref<HTMLInputElement | null>(null)
const faults = ref<CaptionFault[]>([])
const KINDS: CueKind[] = ['question', 'overlay', 'bookmark']

/** Cues by the line they begin in; those before the first line stand under −1. */
const cuesByLine = computed(() => {
  const groups = new Map<number, Cue[]>()
  for (const cue of bench.cues.value) {
    const index = lineIndexAt(bench.lines.value, cueStartMs(cue))
    const group = groups.get(index)
    if (group) group.push(cue)
    else groups.set(index, [cue])
  }
  return groups
})

watch(bench.lineIndex, async (index) => {
  await nextTick()
  const line = list.value?.querySelector<HTMLElement>(`[data-line="${index}"]`)
  if (!line || !list.value || list.value.matches(':focus-within')) return
  const { offsetTop, offsetHeight } = line
  const { scrollTop, clientHeight } = list.value
  const inView =
    offsetTop >= scrollTop + 20 && offsetTop + offsetHeight <= scrollTop + clientHeight - 40
  if (!inView) list.value.scrollTop = offsetTop - clientHeight / 3
})

function placeAt(kind: CueKind, index: number): void {
  const line = bench.lines.value[index]!
  // A question comes once its line has been said; what is to be seen comes with it.
  const atMs = kind === 'question' ? line.toMs : line.fromMs
  bench.seek(atMs)
  bench.place(kind, bench.mediaMs.value, kind === 'overlay' ? line.toMs : undefined)
}

async function take(file: File | undefined): Promise<void> {
  const partId = bench.part.value?.id
  if (!file || !partId) return
  const read = readCaptions(await file.text())
  faults.value = read.ok ? [] : read.faults
  if (!read.ok) return
  bench.draft.make(edits.importScript, {
    id: nanoid(),
    partId,
    language: bench.lesson.value.language,
    lines: read.lines.map((line) => ({ id: nanoid(10), ...line })),
  })
}

function onPicked(event: Event): void {
  const input = event.target as HTMLInputElement
  void take(input.files?.[0])
  input.value = ''
}
</script>

<template>
  <section
    class="desk"
    :aria-label="t('bench.script')"
    @dragover.prevent
    @drop.prevent="take($event.dataTransfer?.files[0])"
  >
    <header>
      <DeskTabs />
      <Button
        v-if="bench.canEdit.value && bench.part.value"
        :label="bench.lines.value.length > 0 ? t('bench.otherCaptions') : t('bench.bringCaptions')"
        severity="secondary"
        variant="text"
        size="small"
        @click="picker?.click()"
      />
      <input
        ref="picker"
        class="visually-hidden"
        type="file"
        accept=".vtt,.srt,text/vtt"
        tabindex="-1"
        data-test="captions"
        :aria-label="t('bench.bringCaptions')"
        @change="onPicked"
      />
    </header>
    <div v-if="faults.length > 0" class="notice faults" role="alert">
      <p>{{ t('bench.captionFaults') }}</p>
      <ul>
        <li v-for="fault in faults" :key="`${fault.line}-${fault.code}`">
          {{ t(`bench.captionFault.${fault.code}`, { line: fault.line }) }}
        </li>
      </ul>
    </div>
    <div ref="list" class="lines" tabindex="-1">
      <p v-if="bench.lines.value.length === 0" class="empty">{{ t('bench.noScript') }}</p>
      <div v-if="cuesByLine.has(-1)" class="line" data-line="-1">
        <span class="mono at" />
        <span class="text" />
        <div class="cards">
          <CueCard v-for="cue in cuesByLine.get(-1)" :key="cue.id" :cue="cue" />
        </div>
      </div>
      <div
        v-for="(line, index) in bench.lines.value"
        :key="line.id"
        class="line"
        :class="{ now: index === bench.lineIndex.value }"
        :data-line="index"
      >
        <span class="mono at">{{ clockTime(line.fromMs) }}</span>
        <div class="text">
          <button
            type="button"
            class="words"
            :lang="bench.script.value?.language"
            :aria-current="index === bench.lineIndex.value"
            @click="bench.seek(line.fromMs)"
          >
            {{ line.text }}
          </button>
          <div v-if="bench.canEdit.value" class="here">
            <button
              v-for="kind in KINDS"
              :key="kind"
              type="button"
              :aria-label="
                t('bench.placeHere', {
                  kind: t(`bench.kind.${kind}`),
                  time: clockTime(line.fromMs),
                })
              "
              @click="placeAt(kind, index)"
            >
              {{ t(`bench.addKind.${kind}`) }}
            </button>
          </div>
        </div>
        <div class="cards">
          <CueCard v-for="cue in cuesByLine.get(index)" :key="cue.id" :cue="cue" />
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.desk {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
  background: var(--surface);
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  min-height: 44px;
  padding: 0 8px 0 18px;
  border-bottom: 1px solid var(--line);
}
.faults {
  max-height: 40%;
  overflow: auto;
}
.faults ul {
  margin: 6px 0 0;
  padding-left: 18px;
}
.lines {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
.empty {
  padding: 24px 18px;
  color: var(--ink-2);
  max-width: 44ch;
}
.line {
  display: grid;
  grid-template-columns: 46px minmax(0, 1fr) minmax(150px, 38%);
  gap: 10px;
  padding: 8px 12px 4px 18px;
  content-visibility: auto;
  contain-intrinsic-size: auto 72px;
}
.line.now {
  background: var(--fern-soft);
}
.at {
  padding-top: 4px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.words {
  width: 100%;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.45;
  text-align: start;
  cursor: pointer;
}
.here {
  display: flex;
  gap: 4px 12px;
  min-height: 24px;
  opacity: 0;
}
.line:hover .here,
.line:focus-within .here {
  opacity: 1;
}
.here button {
  min-height: 24px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-size: 12.5px;
  font-weight: 600;
  white-space: nowrap;
  cursor: pointer;
}
.here button:hover {
  color: var(--fern);
  text-decoration: underline;
}
.cards {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-width: 0;
}
@media (hover: none) {
  .here {
    opacity: 1;
  }
}
</style>
