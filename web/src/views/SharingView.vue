<script setup lang="ts">
// Who may learn a lesson and how they get to it, who works on it, and what its editions brought.
import { computed, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  isAtLeast,
  type BodyOf,
  type contract,
  type LessonRoleName,
  type Sharing,
} from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import LessonHead from '../lesson/LessonHead.vue'
import EditionList from '../sharing/EditionList.vue'
import GiveCopies from '../sharing/GiveCopies.vue'
import HandOn from '../sharing/HandOn.vue'
import PeopleField from '../sharing/PeopleField.vue'
import SeenByField from '../sharing/SeenByField.vue'
import TalkField from '../sharing/TalkField.vue'
import { useSession } from '../stores/session.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ lessonId: string }>()
const { t } = useI18n()
const session = useSession()
const params = { lessonId: props.lessonId }
const { value, error, loading, reload } = useLoaded(async () => {
  const [draft, sharing] = await Promise.all([
    call('lesson', { params }),
    call('sharing', { params }),
  ])
  document.title = t('sharing.titleOf', { title: draft.lesson.title || t('bench.untitled') })
  return { draft, sharing }
})
const canChange = computed(() => value.value?.draft.role === 'owner')
const fault = shallowRef<unknown>(null)
const kept = ref(false)
/** Counts changes that were not taken in: the fields are then drawn anew, for a browser keeps a choice once made. */
const refused = ref(0)
let again: () => Promise<void> = () => Promise.resolve()

/** Sends a change; what stands on the screen is always what the server has. */
async function change(send: () => Promise<Sharing>): Promise<void> {
  again = () => change(send)
  fault.value = null
  kept.value = false
  try {
    const sharing = await send()
    if (value.value) value.value = { ...value.value, sharing }
    kept.value = true
  } catch (caught) {
    fault.value = caught
    refused.value += 1
  }
}
const share = (body: BodyOf<(typeof contract)['share']>) =>
  change(() => call('share', { params, body }))
const give = (email: string, role: LessonRoleName) =>
  change(() => call('giveRole', { params, body: { email, role } }))
const remove = (personId: string) =>
  change(() => call('removeRole', { params: { ...params, personId } }))
</script>

<template>
  <LessonHead
    :lesson-id="lessonId"
    :title="value ? value.draft.lesson.title || t('bench.untitled') : ''"
    :sees-results="isAtLeast(value?.draft.role ?? 'viewer', 'editor')"
  />
  <main class="page">
    <h1>{{ t('sharing.sharing') }}</h1>
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <div v-else-if="loading && !value" role="status" :aria-label="t('app.loading')">
      <div class="skeleton bone" />
    </div>
    <template v-else-if="value">
      <FaultNotice v-if="fault" :error="fault" @retry="again()" />
      <p class="kept muted" role="status">
        {{ canChange ? (kept ? t('sharing.kept') : t('sharing.atOnce')) : t('sharing.ownersOnly') }}
      </p>
      <div class="columns">
        <section>
          <SeenByField
            :key="refused"
            :sharing="value.sharing"
            :can-change="canChange"
            @seen-by="share({ seenBy: $event })"
            @invite="share({ invite: $event })"
            @uninvite="share({ uninvite: [$event] })"
          />
          <h2>{{ t('sharing.handOn') }}</h2>
          <HandOn
            v-if="value.sharing.linkCode"
            :code="value.sharing.linkCode"
            :title="value.draft.lesson.title"
          />
          <p v-else class="muted">{{ t('sharing.noLink') }}</p>
          <h2>{{ t('sharing.talk') }}</h2>
          <TalkField
            :key="refused"
            :lesson-id="lessonId"
            :sharing="value.sharing"
            :can-change="canChange"
            :teaches="isAtLeast(value.draft.role, 'editor')"
            @talks="share({ talks: $event })"
          />
        </section>
        <section>
          <h2>{{ t('sharing.people') }}</h2>
          <PeopleField
            :key="refused"
            :sharing="value.sharing"
            :can-change="canChange"
            :me="session.person?.id ?? null"
            @give="give"
            @take="remove"
          />
          <template v-if="canChange">
            <h2>{{ t('sharing.copies') }}</h2>
            <GiveCopies :lesson-id="lessonId" />
          </template>
          <h2>{{ t('sharing.editions') }}</h2>
          <EditionList v-if="value.draft.editions.length > 0" :editions="value.draft.editions" />
          <p v-else class="muted">{{ t('sharing.noEdition') }}</p>
        </section>
      </div>
    </template>
  </main>
</template>

<style scoped>
.back {
  margin-bottom: 8px;
}
.bone {
  height: 420px;
}
.kept {
  margin: 4px 0 20px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 440px), 1fr));
  gap: 32px 48px;
  align-items: start;
}
section {
  display: grid;
  gap: 14px;
  min-width: 0;
}
section > h2:not(:first-child) {
  margin-top: 16px;
}
</style>
