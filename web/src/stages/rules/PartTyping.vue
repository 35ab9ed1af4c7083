<script setup lang="ts">
import AutoComplete from "primevue/autocomplete";
import { ref } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import { useBench } from "../../plan/store";

/** A part of a rule typed in words: the server offers what it may mean, with the plan's things. */
type Part = Schemas["RulePart"];
const props = defineProps<{ what: "TRIGGER" | "TERM" | "ACTION"; label: string; example: string }>();
const emit = defineEmits<{ take: [part: Part] }>();
const bench = useBench();
const typed = ref<Part | string>("");
const offers = ref<Part[]>([]);
async function ask(text: string) {
  await bench.guarded(async () => {
    offers.value = await answer(
      api.GET("/api/plans/{id}/rules/parts", {
        params: { path: { id: bench.id }, query: { slot: props.what, text } },
      }),
    );
  });
}
function take(part: Part) {
  typed.value = "";
  emit("take", part);
}
</script>

<template>
  <AutoComplete
    v-model="typed"
    :suggestions="offers"
    option-label="text"
    :delay="120"
    :min-length="1"
    :placeholder="example"
    :aria-label="label"
    empty-search-message="Nothing in the plan reads so"
    class="typing"
    auto-option-focus
    @complete="ask($event.query)"
    @option-select="take($event.value)"
  />
</template>

<style scoped>
.typing {
  flex: 1 1 260px;
  max-width: 420px;
}
.typing :deep(input) {
  width: 100%;
  font: inherit;
  font-size: 13px;
  padding: 4px 8px;
}
</style>
