<script setup lang="ts">
import { ref, shallowRef, watch } from "vue";
import type { ZxcvbnFactory } from "@zxcvbn-ts/core";
import { shown } from "../../drawing/marks";

/** How long a passphrase holds against guessing. It is judged here, in the browser: neither stored nor sent. */
const GUESSES_PER_S = 1e6;
const YEAR_S = 365.25 * 86_400;
const STRONG_YEARS = 10;
const typed = ref("");
const seen = ref(false);
const estimator = shallowRef<ZxcvbnFactory | null>(null);
const trouble = ref(false);
const verdict = ref<{ log10: number; years: number; strong: boolean } | null>(null);

async function load() {
  if (estimator.value) return;
  try {
    const [{ ZxcvbnFactory }, common] = await Promise.all([
      import("@zxcvbn-ts/core"),
      import("@zxcvbn-ts/language-common"),
    ]);
    estimator.value = new ZxcvbnFactory({
      dictionary: common.dictionary,
      graphs: common.adjacencyGraphs,
    });
  } catch {
    trouble.value = true;
  }
}
watch([typed, estimator], () => {
  if (!typed.value || !estimator.value) {
    verdict.value = null;
    return;
  }
  const { guessesLog10 } = estimator.value.check(typed.value.slice(0, 100));
  const years = 10 ** guessesLog10 / GUESSES_PER_S / YEAR_S;
  verdict.value = { log10: guessesLog10, years, strong: years >= STRONG_YEARS };
});
const time = (years: number) =>
  years > 1e6
    ? "more than a million years"
    : years >= 1
      ? `${shown(years, 0)} years`
      : years * 365.25 >= 1
        ? `${shown(years * 365.25, 0)} days`
        : years * 365.25 * 24 >= 1
          ? `${shown(years * 365.25 * 24, 0)} hours`
          : "less than an hour";
</script>

<template>
  <div class="strength">
    <label class="field">
      How strong is a passphrase? It is neither stored nor sent
      <input
        v-model="typed"
        :type="seen ? 'text' : 'password'"
        autocomplete="off"
        spellcheck="false"
        maxlength="200"
        @focus="load"
      />
    </label>
    <label class="seen"><input v-model="seen" type="checkbox" /> Show it</label>
    <p v-if="trouble" class="bad">The estimator could not be loaded; reload the page to try again.</p>
    <p v-else-if="verdict" role="status" :class="{ bad: !verdict.strong }">
      <b>{{ verdict.strong ? "Strong" : "Weak" }}:</b> about 10<sup>{{ Math.round(verdict.log10) }}</sup>
      guesses, {{ time(verdict.years) }} at a million a second, as a rented machine makes them from a recorded
      handshake. Strong from {{ STRONG_YEARS }} years on.
    </p>
  </div>
</template>

<style scoped>
.strength {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: end;
}
.strength .field {
  min-width: 320px;
}
.seen {
  display: flex;
  gap: 6px;
  align-items: center;
  padding-bottom: 6px;
}
p {
  margin: 0;
  flex-basis: 100%;
}
</style>
