<script setup lang="ts">
import { useNarrow } from "../app/useNarrow";
import { useBench } from "./store";

/** The bar above the bench: which plan, whether it is stored, undo and redo, and what is found from anywhere. */
defineProps<{ dark: boolean }>();
const emit = defineEmits<{ find: []; theme: [] }>();
const bench = useBench();
const narrow = useNarrow();
</script>

<template>
  <header>
    <RouterLink to="/plans" class="brand">Sk<em>e</em>lto</RouterLink>
    <h1>{{ bench.plan!.name }}</h1>
    <span class="facts">
      {{ bench.plan!.region }} ·
      {{ bench.plan!.mainsVoltageV ? `${bench.plan!.mainsVoltageV} V` : "mains not known" }} ·
      <span role="status"
        >edit {{ bench.revision }},
        {{
          bench.saving === "safe" ? "safe on disk" : bench.saving === "saving" ? "saving…" : "not saved"
        }}</span
      >
      <span v-if="bench.others" role="status" class="others">{{ bench.others }}</span>
    </span>
    <span class="right">
      <button type="button" :disabled="!bench.undoLabel" @click="bench.step('undo')">
        Undo<span v-if="bench.undoLabel && !narrow">: {{ bench.undoLabel }}</span>
      </button>
      <button v-if="!narrow" type="button" :disabled="!bench.redoLabel" @click="bench.step('redo')">
        Redo<span v-if="bench.redoLabel">: {{ bench.redoLabel }}</span>
      </button>
      <RouterLink v-if="!narrow" to="/calculators" class="calc">Calculators</RouterLink>
      <button type="button" class="find" @click="emit('find')">Find anything <kbd>Ctrl K</kbd></button>
      <button v-if="!narrow" type="button" @click="emit('theme')">
        {{ dark ? "Light" : "Dark" }}
      </button>
    </span>
  </header>
</template>

<style scoped src="../app/bar.css"></style>
<style scoped>
header {
  white-space: nowrap;
}
header h1 {
  overflow: hidden;
  text-overflow: ellipsis;
  max-width: 300px;
  unicode-bidi: isolate;
}
.facts {
  color: #c9d1d7;
  font-size: 13px;
}
.others {
  color: #f0c5a8;
  margin-left: 8px;
}
.right {
  margin-left: auto;
  display: flex;
  gap: 6px;
  min-width: 0;
}
.right button {
  background: none;
  border: 1px solid #6b7883;
  border-radius: 3px;
  padding: 2px 9px;
  cursor: pointer;
  max-width: 210px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.right button:disabled {
  color: #97a3ad;
  border-color: #4d5a65;
  cursor: default;
}
.calc {
  color: inherit;
  align-self: center;
  font-size: 13px;
  padding: 0 4px;
}
kbd {
  font: inherit;
  color: #c9d1d7;
  margin-left: 8px;
}
@media (max-width: 820px) {
  header {
    flex-wrap: wrap;
    white-space: normal;
    gap: 6px 10px;
  }
  header .right {
    flex-wrap: wrap;
  }
  .right button,
  .calc {
    min-height: 40px;
  }
}
@media (max-width: 480px) {
  .facts {
    width: 100%;
    order: 5;
  }
  kbd {
    display: none;
  }
}
</style>
