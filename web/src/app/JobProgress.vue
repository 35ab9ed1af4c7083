<script setup lang="ts">
/** How far long work is, in words and as a bar. */
defineProps<{ share: number; doing: string }>();
</script>

<template>
  <div class="row" role="status">
    <progress :value="share" max="1" aria-label="Progress" />
    <span>{{ Math.round(share * 100) }} %, {{ doing }}</span>
  </div>
</template>

<style scoped>
progress {
  width: 220px;
  accent-color: var(--copper);
}
</style>
