<script setup lang="ts">
// Opens a lesson's draft and shows its bench.
import { useI18n } from 'vue-i18n'
import { onMounted, watch } from 'vue'
import BenchDesk from '../bench/BenchDesk.vue'
import { openBenchDraft, type Draft } from '../bench/useDraft.ts'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ lessonId: string }>()
const { t } = useI18n()
const { value: draft, error, loading, reload } = useLoaded(open)

/** One that is open comes to what is new by itself. */
function open(): Promise<Draft> {
  return draft.value ? Promise.resolve(draft.value) : openBenchDraft(props.lessonId)
}
onMounted(() =>
  watch(
    () => draft.value?.lesson.value.title,
    (title) => (document.title = title ?? t('app.name')),
    { immediate: true },
  ),
)
</script>

<template>
  <BenchDesk v-if="draft" :draft="draft" />
  <template v-else>
    <AppBar />
    <main class="page">
      <FaultNotice v-if="error" :error="error" @retry="reload" />
      <div v-else-if="loading" role="status" :aria-label="t('app.loading')" class="bones">
        <div class="skeleton" />
        <div class="skeleton" />
      </div>
    </main>
  </template>
</template>

<style scoped>
.bones {
  display: grid;
  grid-template-columns: 56fr 44fr;
  gap: 20px;
}
.bones .skeleton {
  height: 420px;
}
</style>
