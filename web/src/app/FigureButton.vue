<script setup lang="ts">
import Popover from "primevue/popover";
import { nextTick, ref } from "vue";
import type { Figure } from "../api/client";

defineProps<{ figure: Figure | null; name: string }>();
const popover = ref<InstanceType<typeof Popover> | null>(null);
/** A page shows a hundred figures; the card of one is made when it is first opened. */
const opened = ref(false);
async function open(event: MouseEvent) {
  const button = event.currentTarget;
  opened.value = true;
  await nextTick();
  popover.value?.toggle(event, button);
}
</script>

<template>
  <button v-if="figure" type="button" class="figure" :title="`How ${name} comes about`" @click.stop="open">
    <slot />
  </button>
  <slot v-else />
  <Popover v-if="opened" ref="popover">
    <div v-if="figure" class="card">
      <h3>{{ name }}</h3>
      <p class="formula">{{ figure.formula }}</p>
      <table v-if="Object.keys(figure.inputs).length">
        <tbody>
          <tr v-for="(value, input) in figure.inputs" :key="input">
            <td class="quiet">{{ input }}</td>
            <td class="number">{{ value }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">Source: {{ figure.source }}</p>
      <p v-if="figure.extrapolated" class="bad">Extrapolated: outside the range that the source states.</p>
    </div>
  </Popover>
</template>

<style scoped>
.figure {
  background: none;
  border: 0;
  border-bottom: 1px dotted var(--copper);
  padding: 0;
  cursor: pointer;
  color: inherit;
  text-align: inherit;
}
.card {
  max-width: 340px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.card h3::first-letter {
  text-transform: uppercase;
}
.card .number {
  white-space: normal;
}
.formula {
  font-weight: 500;
}
</style>
