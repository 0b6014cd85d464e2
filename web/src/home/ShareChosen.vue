<script setup lang="ts">
// What can be done with the lessons that are chosen: put away, into a collection, and said of all at once who may learn them.
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { SEEN_BY, type Collection, type LessonCard, type SeenBy } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { useAct } from '../ui/useAct.ts'

const props = defineProps<{
  chosen: readonly LessonCard[]
  collections: readonly Collection[]
  /** The one that is shown, out of which they can be taken. */
  collection: Collection | null
}>()
const emit = defineEmits<{ changed: [] }>()
const { t } = useI18n()
const { busy, fault, act } = useAct()
const NEW = 'new'
const seenBy = ref<SeenBy>('link')
const target = ref(NEW)
const title = ref('')
const said = ref('')
let again: () => void = () => undefined
// Made once, so that a repeat after a lost answer begins no second collection.
let newId = nanoid()

const ids = computed(() => props.chosen.map(({ id }) => id))
const isAllAway = computed(() => props.chosen.length > 0 && props.chosen.every((one) => one.isAway))
const foreign = computed(() => props.chosen.filter(({ role }) => role !== 'owner').length)
const others = computed(() => props.collections.filter(({ id }) => id !== props.collection?.id))

async function carryOut(work: () => Promise<string>): Promise<void> {
  again = () => void carryOut(work)
  said.value = ''
  await act(async () => {
    said.value = await work()
    emit('changed')
  })
}
const share = () =>
  carryOut(async () => {
    const body = { lessonIds: ids.value, seenBy: seenBy.value }
    const { changed } = await call('shareSeveral', { body })
    return t('sharing.severalKept', changed)
  })
const putAway = () =>
  carryOut(async () => {
    const away = !isAllAway.value
    const { changed } = await call('putAway', { body: { lessonIds: ids.value, away } })
    return t(away ? 'home.putAwayDone' : 'home.takenOutDone', changed)
  })
const collect = () =>
  carryOut(async () => {
    if (target.value === NEW) {
      const body = { id: newId, title: title.value.trim(), lessonIds: ids.value }
      const made = await call('createCollection', { body })
      newId = nanoid()
      title.value = ''
      return t('home.collected', { title: made.title })
    }
    const params = { collectionId: target.value }
    const changed = await call('changeCollection', { params, body: { add: ids.value } })
    return t('home.collected', { title: changed.title })
  })
const leave = () =>
  carryOut(async () => {
    const params = { collectionId: props.collection!.id }
    const changed = await call('changeCollection', { params, body: { remove: ids.value } })
    return t('home.left', { title: changed.title })
  })
</script>

<template>
  <span class="count">{{ t('sharing.chosen', chosen.length) }}</span>
  <button
    type="button"
    class="fb-button small"
    :disabled="chosen.length === 0 || busy"
    @click="putAway"
  >
    {{ t(isAllAway ? 'home.takeOut' : 'home.putAway') }}
  </button>
  <form class="together" @submit.prevent="collect">
    <select v-model="target" class="fb-input" :aria-label="t('home.intoWhich')">
      <option :value="NEW">{{ t('home.newCollection') }}</option>
      <option v-for="one in others" :key="one.id" :value="one.id">{{ one.title }}</option>
    </select>
    <input
      v-if="target === NEW"
      v-model="title"
      class="fb-input"
      maxlength="200"
      :aria-label="t('home.collectionTitle')"
      :placeholder="t('home.collectionTitle')"
    />
    <button
      type="submit"
      class="fb-button small"
      :disabled="chosen.length === 0 || busy || (target === NEW && title.trim() === '')"
    >
      {{ t('home.collect') }}
    </button>
  </form>
  <button
    v-if="collection"
    type="button"
    class="fb-button small"
    :disabled="chosen.length === 0 || busy"
    @click="leave"
  >
    {{ t('home.takeFrom', { title: collection.title }) }}
  </button>
  <span class="together">
    <select v-model="seenBy" class="fb-input" :aria-label="t('sharing.setSeveral')">
      <option v-for="choice in SEEN_BY" :key="choice" :value="choice">
        {{ t(`sharing.by.${choice}`) }}
      </option>
    </select>
    <button
      type="button"
      class="fb-button small"
      :disabled="chosen.length === 0 || foreign > 0 || busy"
      @click="share"
    >
      {{ t('sharing.shareThem') }}
    </button>
  </span>
  <span v-if="foreign > 0" class="muted">{{ t('sharing.notAllMine', foreign) }}</span>
  <span v-if="said" role="status">{{ said }}</span>
  <FaultNotice v-if="fault" class="fault" :error="fault" @retry="again()" />
</template>

<style scoped>
.together {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 6px;
}
select,
input {
  width: auto;
  max-width: 220px;
  padding-block: 5px;
}
.fault {
  flex-basis: 100%;
}
</style>
