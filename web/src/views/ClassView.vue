<script setup lang="ts">
// A class: its people, and beside them what is done with them.
import Button from 'primevue/button'
import { computed, ref, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import AssignmentDesk from '../classes/AssignmentDesk.vue'
import AddNames from '../classes/AddNames.vue'
import CardsPanel from '../classes/CardsPanel.vue'
import ClassSettings from '../classes/ClassSettings.vue'
import ClassSheet from '../classes/ClassSheet.vue'
import MarkBook from '../classes/MarkBook.vue'
import JoinPanel from '../classes/JoinPanel.vue'
import MemberSheet from '../classes/MemberSheet.vue'
import PeopleTable from '../classes/PeopleTable.vue'
import { useClass } from '../classes/useClass.ts'
import { useSession } from '../stores/session.ts'
import BesideSheet from '../ui/BesideSheet.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import ManagedPage from '../ui/ManagedPage.vue'

const props = defineProps<{ classId: string }>()
const { t } = useI18n()
const [route, router] = [useRoute(), useRouter()]
const session = useSession()
const desk = useClass(props.classId)
const { value: school, error, reload, fault } = desk
const SHEETS = ['names', 'cards', 'join', 'settings'] as const
const PLACE_WORDS = {
  assignments: 'assign.title',
  people: 'assign.people',
  marks: 'markBook.title',
} as const
/** A class without anybody in it begins with people. */
const PLACES = ['assignments', 'people', 'marks'] as const
const place = computed((): (typeof PLACES)[number] => {
  const asked = PLACES.find((one) => one === route.query.at)
  return asked ?? (school.value?.members.length === 0 ? 'people' : 'assignments')
})
const sheet = ref<(typeof SHEETS)[number] | null>(null)
const chosenId = ref<string | null>(null)
const chosen = computed(() => school.value?.members.find(({ id }) => id === chosenId.value) ?? null)
const here = computed(() => school.value?.members.filter(({ leftAt }) => !leftAt).length ?? 0)
const said = ref('')

function open(name: (typeof SHEETS)[number] | null): void {
  // People stay in sight, also when the first have just come in.
  if (route.query.at !== 'people') void router.replace({ query: { at: 'people' } })
  sheet.value = sheet.value === name ? null : name
  chosenId.value = null
  fault.value = null
}
function choose(personId: string): void {
  chosenId.value = chosenId.value === personId ? null : personId
  sheet.value = null
  fault.value = null
}
function added(count: number): void {
  said.value = t('classes.added', count)
  sheet.value = 'cards'
}
watchEffect(() => (document.title = school.value?.title ?? t('classes.all')))
</script>

<template>
  <ManagedPage :error="error" :ready="school !== null" :height="220" @retry="reload">
    <template #back>
      <RouterLink :to="{ name: 'classes' }">{{ t('classes.toAll') }}</RouterLink>
    </template>
    <template v-if="school">
      <div class="top">
        <h1 dir="auto">{{ school.title }}</h1>
        <div v-if="place === 'people'" class="tools" role="group" :aria-label="t('classes.tools')">
          <Button
            v-for="name in SHEETS"
            :key="name"
            :label="t(`classes.sheet.${name}`)"
            :severity="name === 'names' ? undefined : 'secondary'"
            :variant="name === 'names' ? undefined : 'outlined'"
            :aria-expanded="sheet === name"
            @click="open(name)"
          />
        </div>
      </div>
      <nav class="places" :aria-label="t('classes.places')">
        <RouterLink
          v-for="one in PLACES"
          :key="one"
          :to="{ query: one === 'assignments' ? {} : { at: one } }"
          :aria-current="place === one ? 'page' : undefined"
          >{{ t(PLACE_WORDS[one]) }}
          <span v-if="one === 'people'" class="muted">{{ here }}</span></RouterLink
        >
      </nav>
      <p v-if="school.isOver" class="notice straw">{{ t('classes.overHelp') }}</p>
      <p v-if="said && place === 'people'" class="notice fern" role="status">{{ said }}</p>
      <FaultNotice v-if="fault" :error="fault" @retry="reload" />
      <AssignmentDesk v-if="place === 'assignments'" :school="school" />
      <MarkBook v-else-if="place === 'marks'" :class-id="classId" />
      <BesideSheet v-else :open="sheet !== null || chosen !== null">
        <section :aria-label="t('classes.peopleTitle')">
          <p v-if="school.members.length === 0" class="empty">{{ t('classes.nobody') }}</p>
          <PeopleTable v-else :school="school" :chosen-id="chosenId" @choose="choose" />
        </section>
        <template #sheet>
          <ClassSheet
            v-if="sheet"
            :key="sheet"
            :title="t(`classes.sheet.${sheet}`)"
            @close="open(null)"
          >
            <AddNames v-if="sheet === 'names'" :school="school" :desk="desk" @added="added" />
            <CardsPanel v-else-if="sheet === 'cards'" :school="school" :desk="desk" />
            <JoinPanel v-else-if="sheet === 'join'" :school="school" :desk="desk" />
            <ClassSettings
              v-else
              :school="school"
              :desk="desk"
              :me="session.person?.id ?? null"
              @gone="router.push({ name: 'classes' })"
            />
          </ClassSheet>
          <ClassSheet v-else-if="chosen" :key="chosen.id" :title="chosen.name" @close="open(null)">
            <MemberSheet :school="school" :member="chosen" :desk="desk" />
          </ClassSheet>
        </template>
      </BesideSheet>
    </template>
  </ManagedPage>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  margin-bottom: 20px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.places {
  display: flex;
  gap: 24px;
  margin-bottom: 20px;
  border-bottom: 1px solid var(--line);
}
.places a {
  padding: 6px 2px 9px;
  font-weight: 600;
  color: var(--ink-2);
  text-decoration: none;
}
.places a[aria-current] {
  color: var(--ink);
  box-shadow: inset 0 -3px 0 var(--fern);
}
.notice {
  margin-bottom: 14px;
}
</style>
