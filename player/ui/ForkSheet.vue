<script setup lang="ts">
// The film parts: the ways it can go on, and the time there is to choose one.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import TimeLeft from './TimeLeft.vue'
import { inOrder, type ForkCue } from '@fernbrake/core/lesson'

const props = defineProps<{
  fork: ForkCue
  countdown: { share: number; leftMs: number } | null
  /** The way could not be asked for yet; of no meaning where the learner chooses it. */
  failed: boolean
}>()
const emit = defineEmits<{ choose: [choiceId: string] }>()
const { t } = useI18n()
const ways = computed(() => inOrder(Object.values(props.fork.choices)))
</script>

<template>
  <section v-if="fork.decides" class="fork" :aria-label="t('player.wayAsked')">
    <h2>{{ t('player.wayAsked') }}</h2>
    <p class="help" role="status">
      {{ t(failed ? 'player.wayAskedLater' : 'player.wayAskedHelp') }}
    </p>
  </section>
  <section v-else class="fork" :aria-label="t('player.chooseWay')">
    <h2 dir="auto">{{ fork.prompt || t('player.chooseWay') }}</h2>
    <p class="help">{{ t('player.chooseHelp') }}</p>
    <TimeLeft v-if="countdown" :share="countdown.share" :left-ms="countdown.leftMs" />
    <ol>
      <li v-for="way in ways" :key="way.id">
        <button class="way" type="button" dir="auto" @click="emit('choose', way.id)">
          <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
            <path d="M10 18 V11 C10 6 15 7 15 2 M10 11 C10 6 5 7 5 2" />
          </svg>
          <span>{{ way.text }}</span>
        </button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.fork {
  padding: 28px;
}
h2 {
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
  line-height: 1.35;
  white-space: pre-line;
}
.help {
  margin: 6px 0 18px;
  color: var(--ink-2);
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li + li {
  margin-top: 10px;
}
.way {
  display: flex;
  gap: 12px;
  align-items: center;
  width: 100%;
  min-height: 56px;
  padding: 10px 16px;
  border: 1px solid var(--line-strong);
  border-inline-start: 4px solid var(--plum);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 17px;
  text-align: start;
  cursor: pointer;
}
.way:hover {
  background: var(--ground);
}
svg {
  flex: none;
  fill: none;
  stroke: var(--plum);
  stroke-width: 1.75;
}
@media (max-width: 760px) {
  .fork {
    padding: 18px 16px 24px;
  }
}
</style>
