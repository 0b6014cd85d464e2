<script setup lang="ts">
// Publishing cannot be taken back, so it is asked for in a dialog: what is in the way, what will happen, the link.
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { cueStartMs, findWhatBlocksPublishing } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import ChangeList from '../sharing/ChangeList.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import GiveToClass from '../sharing/GiveToClass.vue'
import { blockersInOrder, type Blocker } from './blockers.ts'
import { usePlaces, useSelection, useBench } from './useBench.ts'

const visible = defineModel<boolean>('visible', { required: true })
const bench = useBench()
const places = usePlaces()
const selection = useSelection()
const { draft } = bench
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const LONGEST_NAME = 60
const error = shallowRef<unknown>(null)
const busy = ref(false)
const done = ref(false)
const copying = useTemplateRef<{ $el: HTMLElement }>('copying')
const copied = ref(false)
const number = computed(() => draft.editions.value.length + 1)
const blockers = computed(() =>
  blockersInOrder(draft.lesson.value, findWhatBlocksPublishing(draft.lesson.value)),
)
/** Media that would not be in the edition, though they are meant for the lesson. */
const onTheirWay = computed(() => bench.placings.underWay.value)
const allKept = computed(() => draft.keeping.value === 'kept')
const address = computed(() => `${location.origin}/open/${draft.linkCode.value}`)

/** What stands before each, so that it can be told apart: where it is, and its words. */
function placeOf({ cue, words }: Blocker): string {
  const named = words ? t('publish.quoted', { words: shortened(words) }) : ''
  if (!cue) return named
  return `${clockTime(cueStartMs(cue))} ${t(`bench.kind.${cue.kind}`)} ${named}`.trim()
}
const titleOf = (partId: string) => draft.lesson.value.parts[partId]?.title || t('bench.untitled')
const shortened = (words: string) =>
  words.length > LONGEST_NAME ? `${words.slice(0, LONGEST_NAME).trimEnd()}…` : words

async function goTo({ cue, partId, thingId, onMap }: Blocker): Promise<void> {
  visible.value = false
  const params = { lessonId: draft.lessonId }
  if (onMap)
    return void router.push({ name: 'routes', params, query: { ...route.query, at: partId } })
  if (route.name !== 'bench') await router.push({ name: 'bench', params, query: route.query })
  if (cue) {
    places.goToPart(cue.partId)
    selection.select(cue.id, true)
  } else if (partId) {
    places.goToPart(partId)
    places.showThing(thingId)
  }
}

async function publish(): Promise<void> {
  busy.value = true
  error.value = null
  try {
    const reply = await call('publish', {
      params: { lessonId: draft.lessonId },
      body: {
        revision: draft.state.value.revision,
        number: number.value,
        ...(note.value.trim() ? { note: note.value.trim() } : {}),
        // Said only where the dialog has told how many they are.
        ...(inside.value > 0 ? { replaces: true } : {}),
      },
    })
    draft.editions.value = [...draft.editions.value, reply.edition]
    draft.linkCode.value = reply.linkCode
    done.value = true
    // What was pressed is gone; what comes next has the focus.
    await nextTick()
    copying.value?.$el.focus()
  } catch (caught) {
    error.value = caught
    await draft.catchUp()
    await news.reload()
  } finally {
    busy.value = false
  }
}

async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(address.value)
    copied.value = true
  } catch {
    document.querySelector<HTMLInputElement>('[data-test="link"]')?.select()
  }
}

/** What is new, and who would not get it, asked for when the dialog opens. */
const note = ref('')
const news = useLoaded(async () =>
  visible.value && number.value > 1
    ? call('unpublished', { params: { lessonId: draft.lessonId } })
    : null,
)
watch(visible, (now) => now && void news.reload())
const inside = computed(() => news.value.value?.learnersInside ?? 0)
/** Until it is known who is inside, nobody can be told of them. */
const isLooking = computed(() => number.value > 1 && news.loading.value)

function onHide(): void {
  done.value = false
  note.value = ''
  copied.value = false
  error.value = null
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    :header="done ? t('publish.doneTitle', { number: number - 1 }) : t('publish.title', { number })"
    :style="{ width: 'min(94vw, 560px)' }"
    @after-hide="onHide"
  >
    <div class="body">
      <template v-if="done">
        <p>{{ t('publish.done') }}</p>
        <div class="link">
          <InputText
            :model-value="address"
            readonly
            fluid
            data-test="link"
            :aria-label="t('publish.link')"
          />
          <Button
            ref="copying"
            class="copy"
            :label="copied ? t('publish.copied') : t('publish.copy')"
            @click="copy"
          />
        </div>
        <GiveToClass :lesson-id="draft.lessonId" />
        <p>
          <RouterLink :to="{ name: 'sharing', params: { lessonId: draft.lessonId } }">{{
            t('publish.toSharing')
          }}</RouterLink>
        </p>
      </template>
      <template v-else-if="blockers.length > 0">
        <p>{{ t('publish.blocked', blockers.length) }}</p>
        <ul>
          <li v-for="one in blockers" :key="`${one.issue.path.join('/')}-${one.issue.code}`">
            <b v-if="placeOf(one)" dir="auto">{{ placeOf(one) }}</b>
            {{ t(`publish.issue.${one.issue.code.replace('.', '_')}`) }}
            <button
              v-if="one.cue || one.partId"
              type="button"
              class="link-button"
              @click="goTo(one)"
            >
              {{
                one.cue
                  ? t('publish.goTo', { time: clockTime(cueStartMs(one.cue)) })
                  : t('publish.goToPart', { title: titleOf(one.partId!) })
              }}
            </button>
          </li>
        </ul>
      </template>
      <template v-else>
        <p>
          {{ number > 1 ? t('publish.next', { number, before: number - 1 }) : t('publish.first') }}
        </p>
        <template v-if="number > 1">
          <p v-if="inside > 0" class="notice straw">
            {{ t('publish.inside', { number: number - 1 }, inside) }}
          </p>
          <div v-if="news.value.value" class="news">
            <h3>{{ t('publish.news') }}</h3>
            <ChangeList
              v-if="news.value.value.changes.length > 0"
              :changes="news.value.value.changes"
            />
            <p v-else class="muted">{{ t('sharing.nothingNew') }}</p>
          </div>
          <div v-else-if="news.loading.value" class="skeleton wait" />
          <div class="field">
            <label for="edition-note">{{ t('publish.note') }}</label>
            <Textarea id="edition-note" v-model="note" rows="2" maxlength="1000" dir="auto" />
          </div>
        </template>
        <p v-if="!allKept" class="muted">{{ t('publish.waiting') }}</p>
        <FaultNotice v-if="error" :error="error" @retry="publish" />
        <p v-if="onTheirWay > 0" class="notice straw" role="status">
          {{ t('placing.publish', onTheirWay) }}
        </p>
        <div class="buttons">
          <Button
            :label="onTheirWay > 0 ? t('placing.publishAnyway') : t('publish.publish', { number })"
            :disabled="busy || !allKept || isLooking"
            data-test="publish"
            @click="publish"
          />
          <Button
            :label="t('publish.notNow')"
            severity="secondary"
            variant="text"
            autofocus
            @click="visible = false"
          />
        </div>
        <p v-if="draft.linkCode.value && number > 1" class="muted">
          {{ t('publish.currentLink') }}
          <a :href="address" target="_blank" rel="noopener">{{ address }}</a>
        </p>
      </template>
    </div>
  </Dialog>
</template>

<style scoped>
.body {
  display: flex;
  flex-direction: column;
  gap: 16px;
}
.link,
.buttons {
  display: flex;
  gap: 10px;
}
ul {
  margin: 0;
  padding-inline-start: 20px;
}
li + li {
  margin-top: 8px;
}
a {
  overflow-wrap: anywhere;
}
.news {
  max-height: 200px;
  overflow-y: auto;
}
.wait {
  height: 60px;
}
h3 {
  font-size: 15px;
}
.copy {
  flex: none;
}
</style>
