<script setup lang="ts">
// From a lesson that was just published straight to the class that is to learn it.
import { computed, ref, useId, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { call } from '../api/client.ts'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ lessonId: string }>()
const { t } = useI18n()
const id = useId()
const { value } = useLoaded(async () => (await call('classes')).classes)
const classes = computed(() => (value.value ?? []).filter(({ isOver }) => !isOver))
const classId = ref('')
watchEffect(() => (classId.value ||= classes.value[0]?.id ?? ''))
const place = computed(() => ({
  name: 'class',
  params: { classId: classId.value },
  // A class without anybody in it would begin with people.
  query: { give: props.lessonId, at: 'assignments' },
}))
</script>

<template>
  <!-- A list that does not come keeps nobody from the link. -->
  <p v-if="value && classes.length === 0">
    <RouterLink :to="{ name: 'classes' }">{{ t('publish.firstClass') }}</RouterLink>
  </p>
  <div v-else-if="classes.length > 0" class="give">
    <label :for="id">{{ t('publish.class') }}</label>
    <select :id="id" v-model="classId" class="fb-input">
      <option v-for="one in classes" :key="one.id" :value="one.id">{{ one.title }}</option>
    </select>
    <RouterLink class="fb-button" :to="place">{{ t('publish.give') }}</RouterLink>
  </div>
</template>

<style scoped>
.give {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 4px 10px;
}
label {
  grid-column: 1 / -1;
  font-weight: 600;
  font-size: 13.5px;
}
a {
  text-decoration: none;
}
</style>
