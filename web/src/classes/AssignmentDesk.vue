<script setup lang="ts">
// What a class is to learn: the list, and beside it the sheet in which a lesson is given or a gift changed.
import Button from 'primevue/button'
import { computed, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import type { Assignment, BodyOf, Class, Contract } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import BesideSheet from '../ui/BesideSheet.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import { useQuery } from '../ui/useQuery.ts'
import AssignmentForm from './AssignmentForm.vue'
import AssignmentList from './AssignmentList.vue'
import ClassSheet from './ClassSheet.vue'

const props = defineProps<{ school: Class }>()
const { t } = useI18n()
const params = computed(() => ({ classId: props.school.id }))
const { value, error, loading, reload } = useLoaded(() =>
  call('assignments', { params: params.value }).then((reply) => reply.assignments),
)
/** What the sheet is about: an assignment, a new one, or nothing. */
const NEW = 'new'
const route = useRoute()
/** The lesson that somebody comes with to give it. */
const brought = typeof route.query.give === 'string' ? route.query.give : null
const open = ref<string | null>(brought === null ? null : NEW)
// It is brought once: a page that is loaded anew begins with the list.
const writeQuery = useQuery()
if (brought !== null) writeQuery({ give: undefined })
const chosen = computed(() => value.value?.find(({ id }) => id === open.value) ?? null)
const fault = shallowRef<unknown>(null)
const busy = ref(false)

async function change(carryOut: () => Promise<{ assignments: Assignment[] }>): Promise<boolean> {
  fault.value = null
  busy.value = true
  try {
    value.value = (await carryOut()).assignments
    return true
  } catch (caught) {
    fault.value = caught
    return false
  } finally {
    busy.value = false
  }
}
async function save(body: BodyOf<Contract['saveAssignment']>): Promise<void> {
  if (await change(() => call('saveAssignment', { params: params.value, body }))) open.value = null
}
async function drop(assignmentId: string): Promise<void> {
  const which = { ...params.value, assignmentId }
  if (await change(() => call('dropAssignment', { params: which }))) open.value = null
}
const place = (assignmentId: string, beforeId: string | null) =>
  void change(() =>
    call('placeAssignment', { params: { ...params.value, assignmentId }, body: { beforeId } }),
  )
</script>

<template>
  <FaultNotice v-if="error" :error="error" @retry="reload" />
  <FaultNotice v-if="fault && open === null" :error="fault" @retry="reload" />
  <div v-if="loading && !value" role="status" :aria-label="t('app.loading')">
    <div class="skeleton bone" />
  </div>
  <BesideSheet v-if="value" :open="open !== null">
    <section :aria-label="t('assign.title')">
      <p class="tools">
        <Button
          :label="t('assign.new')"
          :aria-expanded="open === NEW"
          @click="open = open === NEW ? null : NEW"
        />
      </p>
      <p v-if="value.length === 0" class="empty">{{ t('assign.none') }}</p>
      <AssignmentList
        v-else
        :school="school"
        :assignments="value"
        :chosen-id="open"
        @choose="open = open === $event ? null : $event"
        @place="place"
      />
    </section>
    <template #sheet>
      <ClassSheet
        v-if="chosen || open === NEW"
        :key="open!"
        :title="chosen ? t('assign.changing') : t('assign.new')"
        @close="open = null"
      >
        <AssignmentForm
          :school="school"
          :assignment="chosen"
          :lesson-id="brought"
          :busy="busy"
          :fault="fault"
          @save="save"
          @drop="drop(chosen!.id)"
        />
      </ClassSheet>
    </template>
  </BesideSheet>
</template>

<style scoped>
.tools {
  margin-bottom: 14px;
}
.bone {
  height: 220px;
}
</style>
