<template>
  <svg viewBox="0 0 32 32" width="30" height="30" aria-hidden="true" class="mark">
    <path d="M4 20 H28" />
    <path d="M9 20 C4 14 6 8 13 4 C15 11 13 16 9 20 Z" />
    <path d="M20 20 C16 16 17 12 22 9 C24 14 23 17 20 20 Z" class="full" />
    <path d="M12 20 V24 C14 27 20 27 23 24" />
  </svg>
</template>

<style scoped>
.mark {
  flex: none;
  fill: none;
  stroke: var(--fern);
  stroke-width: 2.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.full {
  fill: var(--fern);
}
</style>
