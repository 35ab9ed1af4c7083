<script setup lang="ts">
import { shown } from "../../drawing/marks";
import { useFar } from "./far";

/** Which of the paths with ground a part is about. */
const far = useFar();
</script>

<template>
  <label class="field">
    Path
    <select v-model="far.path">
      <option v-for="r in far.rows.filter((x) => x.path)" :key="r.path!" :value="r.path">
        {{ r.fromName }} – {{ r.toName }}{{ r.marginDb === null ? "" : `, ${shown(r.marginDb, 1)} dB` }}
      </option>
    </select>
  </label>
</template>

<style scoped>
select {
  max-width: 340px;
}
</style>
