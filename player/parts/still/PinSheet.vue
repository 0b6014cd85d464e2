<script setup lang="ts">
// What a pin opens, beside the picture, so that what it is about stays in sight.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Pin } from '@fernbrake/core/lesson'
import PageCard from '../../pages/PageCard.vue'
import TextView from '../../questions/TextView.vue'
import type { PartsState } from '../../ui/partsState.ts'
import PartQuestion from '../PartQuestion.vue'
import { useSitting } from '../usePart.ts'

const props = defineProps<{ pin: Pin; name: string; parts: PartsState }>()
const emit = defineEmits<{ close: []; toPart: [partId: string] }>()
const { t } = useI18n()
const sitting = useSitting()!
/** The part that it leads to, where a gate or the order keeps the learner from it. */
const kept = computed(() => {
  const { opens } = props.pin
  const part = props.parts.all.find(({ id }) => opens.what === 'part' && id === opens.partId)
  return part && !part.isOpen ? part : null
})
const titleOf = (partId: string) => sitting.opened.lesson.parts[partId]?.title ?? ''
</script>

<template>
  <section id="pin-sheet" class="sheet" tabindex="-1" :aria-label="name">
    <header>
      <h2 dir="auto">{{ name }}</h2>
      <button class="fb-button plain" type="button" @click="emit('close')">
        {{ t('player.part.close') }}
      </button>
    </header>
    <TextView v-if="pin.opens.what === 'text'" class="text" :text="pin.opens.text" />
    <PartQuestion
      v-else-if="pin.opens.what === 'question'"
      class="question"
      :ask-id="pin.id"
      :question-id="pin.opens.questionId"
    />
    <PageCard
      v-else-if="pin.opens.what === 'link' && pin.opens.address"
      :block="{
        block: 'page',
        address: pin.opens.address,
        title: pin.opens.title,
        opens: pin.opens.opens,
      }"
    />
    <p v-else-if="kept">
      {{
        kept.shut === null
          ? t('player.part.inTurn')
          : t('player.part.opensWhen', { title: kept.title, when: kept.shut })
      }}
    </p>
    <button
      v-else-if="pin.opens.what === 'part' && pin.opens.partId"
      class="fb-button act"
      type="button"
      @click="emit('toPart', pin.opens.partId)"
    >
      {{ t('player.part.goTo', { title: titleOf(pin.opens.partId) }) }}
    </button>
  </section>
</template>

<style scoped>
.sheet {
  padding: 14px 24px 20px;
  border-bottom: 1px solid var(--line);
}
.sheet:focus-visible {
  outline-offset: -2px;
}
header {
  display: flex;
  align-items: start;
  justify-content: space-between;
  gap: 12px;
  margin-bottom: 8px;
}
h2 {
  padding-top: 8px;
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
header .fb-button {
  flex: none;
  padding-inline: 4px;
}
.text {
  display: block;
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.5;
}
.question {
  margin-inline: -24px;
  border-inline: 0;
}
</style>
