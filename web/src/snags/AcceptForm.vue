<script setup lang="ts">
import { ref } from "vue";

/** Why a snag may stay, or several alike; a stop wants a sentence. */
const props = defineProps<{ stop: boolean; many?: number }>();
const emit = defineEmits<{ accept: [why: string] }>();
const reason = ref("");
const whose = props.many ? "they" : "it";
</script>

<template>
  <form class="row" @submit.prevent="emit('accept', reason.trim())">
    <label class="field grow"
      >{{ stop ? `Why ${whose} may stay, in a sentence` : `Why ${whose} may stay`
      }}<input v-model="reason" required :minlength="stop ? 12 : 1" maxlength="1000"
    /></label>
    <button type="submit" class="act">Accept {{ many ?? "" }}</button>
  </form>
</template>

<style scoped>
.row {
  gap: 6px;
  margin-top: 6px;
}
.grow {
  flex: 1;
}
</style>
