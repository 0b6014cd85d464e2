<script setup lang="ts">
// Publishing cannot be taken back, so it is asked for in a dialog: what is in the way, what will happen, the link.
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { findWhatBlocksPublishing } from '@fernbrake/core/lesson'
import type { Issue } from '@fernbrake/core/fields'
import { clockTime } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import ChangeList from '../sharing/ChangeList.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import { usePlaces, useSelection, useBench } from './useBench.ts'

const visible = defineModel<boolean>('visible', { required: true })
const bench = useBench()
const places = usePlaces()
const selection = useSelection()
const { draft } = bench
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const error = shallowRef<unknown>(null)
const busy = ref(false)
const done = ref(false)
const copied = ref(false)
const number = computed(() => draft.editions.value.length + 1)
const blockers = computed(() => findWhatBlocksPublishing(draft.lesson.value))
/** Media that would not be in the edition, though they are meant for the lesson. */
const onTheirWay = computed(() => bench.placings.underWay.value)
const allKept = computed(() => draft.keeping.value === 'kept')
const address = computed(() => `${location.origin}/open/${draft.linkCode.value}`)

function cueOf(issue: Issue): string | null {
  const [map, id] = issue.path
  return map === 'cues' && typeof id === 'string' && draft.lesson.value.cues[id] ? id : null
}
function placeOf(issue: Issue): string {
  const cue = draft.lesson.value.cues[cueOf(issue) ?? '']
  return cue ? clockTime(cue.kind === 'overlay' ? cue.fromMs : cue.atMs) : ''
}
/** The part whose gate or way on is wrong; those are mended on the map of routes. */
function gateOrWayAt(issue: Issue): string | null {
  const [map, id, inside] = issue.path
  const { parts, routes = {} } = draft.lesson.value
  if (map === 'routes' && typeof id === 'string') return routes[id]?.fromId ?? null
  return map === 'parts' && inside === 'gate' && typeof id === 'string' && parts[id] ? id : null
}
/** What the part is called in which something is wrong; null where it is in none. */
function titleAt(issue: Issue): string | null {
  const part = draft.lesson.value.parts[gateOrWayAt(issue) ?? partOf(issue)?.partId ?? '']
  return part ? part.title || t('bench.untitled') : null
}
/** The part in which something is wrong, and what of it. */
function partOf(issue: Issue): { partId: string; thingId: string | null } | null {
  const [map, partId, , id] = issue.path
  if (map !== 'parts' || typeof partId !== 'string' || !draft.lesson.value.parts[partId])
    return null
  return { partId, thingId: typeof id === 'string' ? id : null }
}
async function goTo(issue: Issue): Promise<void> {
  visible.value = false
  const at = gateOrWayAt(issue)
  const params = { lessonId: draft.lessonId }
  if (at) return void router.push({ name: 'routes', params, query: { ...route.query, at } })
  if (route.name !== 'bench') await router.push({ name: 'bench', params, query: route.query })
  const cueId = cueOf(issue)
  const part = partOf(issue)
  if (part) {
    places.goToPart(part.partId)
    places.showThing(part.thingId)
  } else if (cueId) {
    places.goToPart(draft.lesson.value.cues[cueId]!.partId)
    selection.select(cueId, true)
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
            class="copy"
            :label="copied ? t('publish.copied') : t('publish.copy')"
            @click="copy"
          />
        </div>
        <p>
          <RouterLink :to="{ name: 'sharing', params: { lessonId: draft.lessonId } }">{{
            t('publish.toSharing')
          }}</RouterLink>
        </p>
      </template>
      <template v-else-if="blockers.length > 0">
        <p>{{ t('publish.blocked', blockers.length) }}</p>
        <ul>
          <li v-for="issue in blockers" :key="`${issue.path.join('/')}-${issue.code}`">
            {{ t(`publish.issue.${issue.code.replace('.', '_')}`) }}
            <button v-if="cueOf(issue)" type="button" class="link-button" @click="goTo(issue)">
              {{ t('publish.goTo', { time: placeOf(issue) }) }}
            </button>
            <button
              v-else-if="titleAt(issue)"
              type="button"
              class="link-button"
              @click="goTo(issue)"
            >
              {{ t('publish.goToPart', { title: titleAt(issue) }) }}
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
  line-height: 1.9;
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
