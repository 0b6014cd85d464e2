<script setup lang="ts">
// A collection of mine: what it is called and says, which lessons it holds in which order, and who may see its page.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import {
  COLLECTION_SEEN_BY,
  type BodyOf,
  type Collection,
  type contract,
} from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import HandOn from '../sharing/HandOn.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import ManagedPage from '../ui/ManagedPage.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import CollectionLessons from '../home/CollectionLessons.vue'

const props = defineProps<{ collectionId: string }>()
const { t } = useI18n()
const router = useRouter()
const params = { collectionId: props.collectionId }
const { value, error, reload } = useLoaded(async () => {
  const [{ lessons }, { collections }] = await Promise.all([call('lessons'), call('collections')])
  const collection = collections.find(({ id }) => id === props.collectionId) ?? null
  if (collection) document.title = collection.title
  return { lessons, collection }
})
const collection = computed(() => value.value?.collection ?? null)
const kept = ref(false)
const fault = ref<unknown>(null)
let again: () => Promise<void> = () => Promise.resolve()
type Change = BodyOf<(typeof contract)['changeCollection']>

/** What stands on the screen is always what the server has. */
async function tryIt(work: () => Promise<Collection | null>): Promise<void> {
  again = () => tryIt(work)
  fault.value = null
  kept.value = false
  try {
    const changed = await work()
    if (changed && value.value) value.value = { ...value.value, collection: changed }
    kept.value = true
  } catch (caught) {
    fault.value = caught
  }
}
const change = (body: Change) => tryIt(() => call('changeCollection', { params, body }))
function rename(event: Event): void {
  const title = (event.target as HTMLInputElement).value.trim()
  if (title !== '' && title !== collection.value?.title) void change({ title })
}
const isLeaving = ref(false)
const giveUp = () =>
  tryIt(async () => {
    await call('dropCollection', { params })
    await router.push('/')
    return null
  })
const address = computed(() => `${location.origin}/open-collections/${collection.value?.code}`)
</script>

<template>
  <ManagedPage :error="error" :ready="value !== null" @retry="reload">
    <template #back>
      <RouterLink to="/">{{ t('home.lessons') }}</RouterLink>
    </template>
    <p v-if="value && !collection" class="muted">{{ t('collection.gone') }}</p>
    <template v-else-if="value && collection">
      <FaultNotice v-if="fault" :error="fault" @retry="again()" />
      <div class="columns">
        <section>
          <h1 dir="auto">{{ collection.title }}</h1>
          <p class="muted" role="status">{{ t(kept ? 'sharing.kept' : 'sharing.atOnce') }}</p>
          <CollectionLessons
            :collection="collection"
            :lessons="value.lessons"
            @change="change($event)"
          />
        </section>
        <section class="about">
          <label>
            {{ t('home.collectionTitle') }}
            <input class="fb-input" maxlength="200" :value="collection.title" @change="rename" />
          </label>
          <label>
            {{ t('collection.summary') }}
            <textarea
              class="fb-input"
              rows="4"
              maxlength="2000"
              :value="collection.summary"
              @change="change({ summary: ($event.target as HTMLTextAreaElement).value })"
            />
          </label>
          <fieldset>
            <legend>{{ t('collection.seenBy') }}</legend>
            <label v-for="one in COLLECTION_SEEN_BY" :key="one" class="option">
              <input
                type="radio"
                name="seenBy"
                :checked="collection.seenBy === one"
                @change="change({ seenBy: one })"
              />
              {{ t(`collection.by.${one}`) }}
            </label>
          </fieldset>
          <template v-if="collection.seenBy !== 'me'">
            <HandOn :address="address" :title="collection.title" />
            <p>
              <RouterLink :to="{ name: 'open-collection', params: { code: collection.code } }">{{
                t('collection.asSeen')
              }}</RouterLink>
            </p>
          </template>
          <p>
            <button
              v-if="!isLeaving"
              type="button"
              class="fb-button small"
              @click="isLeaving = true"
            >
              {{ t('collection.giveUp') }}
            </button>
            <template v-else>
              {{ t('collection.giveUpSure') }}
              <button type="button" class="fb-button small" @click="giveUp">
                {{ t('collection.giveUpYes') }}
              </button>
              <button type="button" class="fb-button plain small" @click="isLeaving = false">
                {{ t('collection.keepIt') }}
              </button>
            </template>
          </p>
        </section>
      </div>
    </template>
  </ManagedPage>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(280px, 1fr);
  gap: 24px 48px;
  align-items: start;
}
.about {
  display: grid;
  gap: 16px;
}
.about label:not(.option) {
  display: grid;
  gap: 4px;
}
fieldset {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  border: 0;
}
.option {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.option input {
  accent-color: var(--fern);
}
@media (max-width: 820px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
