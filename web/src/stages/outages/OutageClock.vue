<script setup lang="ts">
import { computed, ref } from "vue";
import { STATE_WORDS } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { NO_CLOCK, useBench } from "../../plan/store";

/** How long the supposed outage lasts, and what changes in it when. */
const bench = useBench();
const outage = computed(() => bench.assessment?.outage);
const lasts = computed(() => outage.value?.lastsH ?? null);
const moments = computed(() => bench.assessment?.moments ?? []);
const trouble = ref<string | null>(null);
const iso = (hours: number) => `PT${Math.ceil(hours * 3600 * 1000) / 1000}S`;

/** Stops of the slider: the beginning, right after each moment at which something changes, the end. */
const stops = computed(() => [
  0,
  ...moments.value.map((m) => Math.min(lasts.value ?? 0, m.atH + 1 / 3600)),
  lasts.value ?? 0,
]);
const at = computed(() => {
  const now = outage.value?.atH ?? 0;
  const before = stops.value.filter((h) => h <= now + 1e-6).length - 1;
  return Math.max(0, before);
});
const words = (stop: number) =>
  stop === 0
    ? "at the beginning"
    : stop === stops.value.length - 1
      ? "at the end"
      : (moments.value[stop - 1]?.when.replace(/^after/, "right after") ?? "");

function setLength(event: Event) {
  const field = event.target as HTMLInputElement;
  const raw = field.value.trim().replace(",", ".");
  trouble.value = null;
  if (raw === "") return void bench.suppose(bench.without, NO_CLOCK);
  const hours = Number(raw);
  if (!(hours > 0 && hours <= 8784)) {
    trouble.value = `"${field.value}" is not a length from 0 to 8784 hours; nothing was changed.`;
    return;
  }
  void bench.suppose(bench.without, { ...bench.clock, for: iso(hours), at: null });
}
const setBegin = (event: Event) =>
  bench.suppose(bench.without, { ...bench.clock, from: (event.target as HTMLInputElement).value || null });
const look = (stop: number) =>
  bench.suppose(bench.without, { ...bench.clock, at: iso(Math.min(stops.value[stop]!, lasts.value ?? 0)) });
</script>

<template>
  <section aria-label="How long the outage lasts" class="clock">
    <div class="row">
      <label class="field row-field">
        Lasts, h
        <input
          class="short"
          inputmode="decimal"
          placeholder="not said"
          :value="lasts ?? ''"
          @change="setLength"
        />
      </label>
      <template v-if="lasts !== null">
        <label class="field row-field">
          Begins
          <input type="datetime-local" :value="bench.clock.from ?? ''" @change="setBegin" />
        </label>
        <label v-if="moments.length" class="field row-field">
          Moment
          <input
            type="range"
            min="0"
            :max="stops.length - 1"
            step="1"
            :value="at"
            :aria-valuetext="words(at)"
            @change="look(Number(($event.target as HTMLInputElement).value))"
          />
          <span>{{ words(at) }}</span>
        </label>
      </template>
      <span v-else class="quiet">Right after it began: no battery has run down yet.</span>
    </div>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-if="lasts !== null && !moments.length" class="quiet">
      Nothing runs out in that time{{ bench.without.length ? "" : ", for nothing is out" }}.
    </p>
    <table v-if="moments.length">
      <caption class="unseen">
        What changes while it lasts
      </caption>
      <thead>
        <tr>
          <th>When</th>
          <th>What runs out</th>
          <th>Devices whose state changes</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(m, index) in moments" :key="m.atH" :class="{ chosen: at === index + 1 }">
          <td>
            <button type="button" class="plain" @click="look(index + 1)">{{ m.when }}</button>
          </td>
          <td>{{ m.words }}</td>
          <td>
            <span v-if="!m.changes.length" class="quiet">none</span>
            <span v-for="(c, i) in m.changes.slice(0, 8)" :key="c.device">
              <template v-if="i">, </template>
              <button
                type="button"
                class="plain"
                :title="c.sentence"
                @click="bench.select(pointer('devices', c.device))"
              >
                {{ c.name }}</button><span class="quiet"> {{ STATE_WORDS[c.after] }}</span>
            </span>
            <span v-if="m.changes.length > 8" class="quiet"> and {{ m.changes.length - 8 }} more</span>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.clock {
  margin: 4px 0 10px;
}
.row-field {
  flex-direction: row;
  align-items: center;
  gap: 5px;
}
.short {
  width: 70px;
}
input[type="range"] {
  width: 180px;
}
</style>
