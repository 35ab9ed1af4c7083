<script setup lang="ts">
/** Why there is no answer, at the place where it was asked. */
defineProps<{ trouble: string | null }>();
</script>

<template>
  <p v-if="trouble" class="bad pad" role="alert">{{ trouble }}</p>
</template>

<style scoped>
.pad {
  padding: 6px 14px;
}
</style>
