<script setup lang="ts">
// Going into a lesson with an account.
import { useI18n } from 'vue-i18n'

defineProps<{ busy: boolean }>()
const email = defineModel<string>('email', { required: true })
const password = defineModel<string>('password', { required: true })
const emit = defineEmits<{ submit: [] }>()
const { t } = useI18n()
</script>

<template>
  <form @submit.prevent="emit('submit')">
    <label for="email">{{ t('player.open.email') }}</label>
    <input
      id="email"
      v-model="email"
      type="text"
      autocapitalize="none"
      spellcheck="false"
      autocomplete="username"
      required
      aria-describedby="fault"
    />
    <label for="password">{{ t('player.open.password') }}</label>
    <input
      id="password"
      v-model="password"
      type="password"
      autocomplete="current-password"
      required
      aria-describedby="fault"
    />
    <button class="fb-button act" type="submit" :disabled="busy">
      {{ t('player.open.signIn') }}
    </button>
    <slot />
  </form>
</template>
