<script setup lang="ts">
// How a picture or a film sits in its frame.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceField from './ChoiceField.vue'

type Fit = 'whole' | 'fill'
defineProps<{ fit: Fit }>()
const emit = defineEmits<{ change: [fit: Fit] }>()
const { t } = useI18n()
const fits = computed(() =>
  (['whole', 'fill'] as const).map((value) => ({ value, label: t(`picture.fit.${value}`) })),
)
</script>

<template>
  <ChoiceField
    :label="t('picture.fits')"
    :value="fit"
    :choices="fits"
    @change="emit('change', $event)"
  />
</template>
