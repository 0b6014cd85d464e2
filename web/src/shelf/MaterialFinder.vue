<script setup lang="ts">
// Looking for a medium: by words on the shelf and in all archives at once, or by its address.
import Button from 'primevue/button'
import { computed, onMounted, ref, useId, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  aboutMaterial,
  mediaFileAddress,
  previewAddress,
  type Material,
  type Media,
} from '@fernbrake/core/contract'
import { addressMeant, isWebAddress } from '@fernbrake/core/fields'
import { clockTime, TERMS_WANTED } from '@fernbrake/core/media'
import FaultNotice from '../ui/FaultNotice.vue'
import LabelledSelect from '../ui/LabelledSelect.vue'
import FoundThings, { type FoundThing } from './FoundThings.vue'
import { kindByEnding } from './kindOfFile.ts'
import { useMaterial } from './useMaterial.ts'
import type { Wanted } from './wanted.ts'

const props = defineProps<{
  /** Null for every kind. */
  kind: Media['kind'] | null
  takesHosted?: boolean
  busy?: boolean
  /** Whether what is on the shelf can be chosen too. */
  withShelf?: boolean
  /** What is there already. */
  except?: string | null
}>()
const emit = defineEmits<{ chosen: [media: Media]; fetch: [wanted: Wanted] }>()
const { t } = useI18n()
const id = useId()
const field = useTemplateRef('field')
onMounted(() => field.value?.focus())
const typed = ref('')
const address = computed(() => addressMeant(typed.value))
/** Nobody who looks for words writes one of these; the name of a file is words. */
const isAddress = computed(
  () =>
    /^\s*(https?:\/\/|www\.|<iframe\b|[^\s/]+[.:][^\s/]*\/)/i.test(typed.value) &&
    isWebAddress(address.value),
)
/** So many of what an archive finds are looked through. */
const LOOKED_THROUGH = 100
const KINDS = ['film', 'picture', 'sound', 'document'] as const
const chosenKind = ref<Media['kind'] | null>(null)
/** Which kind is looked for, where the place would take any. */
const soughtKind = ref<Media['kind'] | 'any'>('any')
/** What an address most likely leads to, by its ending; a page is that of a film. */
const kindOfAddress = computed(() => kindByEnding(address.value.split(/[?#]/)[0]!) ?? 'film')
const addressKind = computed({
  get: () => props.kind ?? chosenKind.value ?? kindOfAddress.value,
  set: (kind) => (chosenKind.value = kind),
})
const words = computed(() => (isAddress.value ? '' : typed.value))
const { terms, shelf, onShelf, asking, archives, isLooking, takenBefore } = useMaterial(
  words,
  () => ({
    kind: props.kind ?? (soughtKind.value === 'any' ? null : soughtKind.value),
    takesHosted: props.takesHosted ?? false,
    except: props.except ?? null,
  }),
)
const kinds = computed(() => KINDS.map((value) => ({ value, label: t(`shelf.kind.${value}`) })))
const soughtKinds = computed(() => [
  { value: 'any', label: t('shelf.filter.all') },
  ...(['film', 'picture', 'sound'] as const).map((value) => ({
    value,
    label: t(`shelf.filter.${value}`),
  })),
])
/** Those that have something come first. */
const inOrder = computed(() =>
  archives.value.toSorted((a, b) => Math.min(b.found.length, 1) - Math.min(a.found.length, 1)),
)
const choices = computed(() =>
  TERMS_WANTED.toReversed().map((value) => ({ value, label: t(`take.terms.${value}`) })),
)

function fetchIt(): void {
  if (isAddress.value) emit('fetch', { kind: addressKind.value, address: address.value })
}
function take(material: Material, archive: string): void {
  const known = takenBefore(material)
  // It lies here already, with all that was written of it since.
  if (known) emit('chosen', known)
  else
    emit('fetch', {
      kind: material.kind,
      address: material.address,
      about: aboutMaterial(material, archive),
    })
}
const shelfThings = computed(() =>
  onShelf.value.map((media): FoundThing => ({
    key: media.id,
    title: media.title,
    picture: media.files.includes('poster') ? mediaFileAddress(media.id, 'poster') : null,
    told: [media.durationMs ? clockTime(media.durationMs) : '', media.licence].filter(Boolean),
    page: null,
    act: () => emit('chosen', media),
  })),
)
const thingsOf = (found: readonly Material[], archive: string) =>
  found.map((material): FoundThing => ({
    key: material.address,
    title: material.title,
    picture: material.preview ? previewAddress(material.preview) : null,
    told: [
      props.kind === null ? t(`shelf.kind.${material.kind}`) : '',
      material.maker,
      material.licence || material.licenceAddress || t('take.noLicence'),
      material.stays ? t('take.stays') : '',
      takenBefore(material) ? t('take.already') : '',
    ].filter(Boolean),
    page: material.page,
    act: () => take(material, archive),
  }))
</script>

<template>
  <form class="finder" role="search" :aria-label="t('take.find')" @submit.prevent="fetchIt">
    <div class="row">
      <div class="what">
        <label :for="id">{{ t(kind ? `take.findOf.${kind}` : 'take.findAny') }}</label>
        <input
          :id="id"
          ref="field"
          v-model="typed"
          type="search"
          class="fb-input"
          dir="auto"
          maxlength="2000"
          autocomplete="off"
          :aria-describedby="`${id}-help`"
        />
      </div>
      <template v-if="isAddress">
        <LabelledSelect
          v-if="kind === null"
          v-model="addressKind"
          class="terms"
          :label="t('take.whatItIs')"
          :options="kinds"
        />
        <Button type="submit" class="go" :label="t('take.fetchIt')" :disabled="busy" />
      </template>
      <template v-else>
        <LabelledSelect
          v-if="kind === null"
          v-model="soughtKind"
          class="terms"
          :label="t('take.kind')"
          :options="soughtKinds"
        />
        <LabelledSelect
          v-model="terms"
          class="terms"
          :label="t('shelf.field.licence')"
          :options="choices"
        />
      </template>
    </div>
    <p :id="`${id}-help`" class="muted">
      <template v-if="!isAddress">{{
        t(withShelf ? 'take.findHelp' : 'take.findHelpAny')
      }}</template>
      <template v-else>{{
        t(addressKind === 'film' ? 'take.filmAddressHelp' : 'take.addressHelp')
      }}</template>
    </p>
    <template v-if="!isAddress">
      <section v-if="withShelf && shelfThings.length > 0" :aria-label="t('take.onShelf')">
        <h3>
          {{ t('take.onShelf') }} <span class="muted">{{ shelfThings.length }}</span>
        </h3>
        <FoundThings :things="shelfThings" :busy="busy" />
      </section>
      <p v-else-if="withShelf && shelf.value.value && words.trim() === ''" class="muted">
        {{ t('take.shelfEmpty') }}
      </p>
      <FaultNotice v-if="asking.error.value" :error="asking.error.value" @retry="asking.reload" />
      <p v-else-if="isLooking" role="status">{{ t('take.looking') }}</p>
      <template v-else>
        <section v-for="(archive, index) in inOrder" :key="index" :aria-label="archive.name">
          <h3>
            <span dir="auto">{{ archive.name }}</span>
            <span v-if="archive.found.length > 0" class="muted">{{ archive.found.length }}</span>
            <a v-if="archive.home" :href="archive.home" target="_blank" rel="noopener">{{
              t('take.lookThere')
            }}</a>
          </h3>
          <p v-if="archive.state !== 'answered'" class="muted" role="status">
            {{ t(`take.archive.${archive.state}`) }}
          </p>
          <p v-else-if="archive.found.length === 0" class="muted" role="status">
            {{ t('take.nothing') }}
          </p>
          <FoundThings v-else :things="thingsOf(archive.found, archive.name)" :busy="busy" />
          <p v-if="archive.total > LOOKED_THROUGH" class="muted">
            {{ t('take.veryMany', archive.total) }}
          </p>
        </section>
      </template>
    </template>
  </form>
</template>

<style scoped>
.finder {
  display: grid;
  gap: 10px;
  padding: 12px 14px 14px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: end;
}
.what {
  display: grid;
  flex: 1 1 220px;
  gap: 4px;
}
.terms {
  flex: 0 1 190px;
}
.go {
  flex: none;
}
label {
  font-size: 13.5px;
  font-weight: 600;
}
h3 {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: baseline;
  margin: 4px 0 6px;
  font-size: 14px;
}
h3 .muted {
  font-weight: 400;
}
h3 a {
  margin-inline-start: auto;
  font-size: 13.5px;
  font-weight: 400;
}
p {
  margin: 0;
  font-size: 13.5px;
}
</style>
