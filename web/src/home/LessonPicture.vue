<script setup lang="ts">
// The picture a lesson is known by; a frond where it has none, or none yet.
import { ref, watch } from 'vue'
import { mediaFileAddress } from '@fernbrake/core/contract'
import FernMark from '../ui/FernMark.vue'

const props = defineProps<{ mediaId: string | null }>()
const isMissing = ref(false)
watch(
  () => props.mediaId,
  () => (isMissing.value = false),
)
</script>

<template>
  <img
    v-if="mediaId && !isMissing"
    :src="mediaFileAddress(mediaId, 'poster')"
    alt=""
    loading="lazy"
    @error="isMissing = true"
  />
  <FernMark v-else class="mark" />
</template>
