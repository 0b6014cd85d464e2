<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import AppBar from '../ui/AppBar.vue'

const { t } = useI18n()
</script>

<template>
  <AppBar />
  <main class="page">
    <h1>{{ t('nowhere.title') }}</h1>
    <p>
      {{ t('nowhere.help') }} <RouterLink to="/">{{ t('nowhere.home') }}</RouterLink>
    </p>
  </main>
</template>
