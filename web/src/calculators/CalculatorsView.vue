<script setup lang="ts">
import { computed, onMounted, reactive, ref, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import { answer, api, problemOf, type Schemas, patiently } from "../api/client";
import { applyTheme, currentTheme } from "../app/theme";
import PageFrame from "../app/PageFrame.vue";
import CurvePlot from "../app/CurvePlot.vue";
import { newest } from "../plan/newest";

/** Calculators that need no plan; the server works them with the code that plans are judged with. */
type Form = Schemas["CalculatorForm"];
type Field = Schemas["Field"];
interface Worked {
  out: Record<string, number>;
  formula: string;
  source: string;
  extrapolated: boolean;
}
type Values = Record<string, unknown>;

const route = useRoute();
const router = useRouter();
const forms = ref<Form[]>([]);
const values = reactive<Record<string, Values>>({});
const worked = ref<Worked | null>(null);
const trouble = ref<{ place: string; text: string } | null>(null);
const theme = ref(currentTheme());

const form = computed(() => forms.value.find((f) => f.name === route.params.name) ?? forms.value[0]);
onMounted(async () => {
  try {
    forms.value = await answer(api.GET("/api/calculators/forms"));
  } catch (e) {
    trouble.value = { place: "", text: String((e as Error).message) };
  }
});

const started = (f: Form): Values =>
  Object.fromEntries(f.inputs.map((i) => [i.name, JSON.parse(JSON.stringify(i.example)) as unknown]));
const asks = newest<{ name: string; body: string }>(async ({ name, body }) => {
  const response = await patiently(`/api/calculators/${name}`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body,
  }).catch(() => null);
  if (!response) {
    return () => {
      worked.value = null;
      trouble.value = { place: "", text: "Skelto's server does not answer; is it still running?" };
    };
  }
  const got = await response.json().catch(() => null);
  return () => {
    if (response.ok) {
      worked.value = got as Worked;
      trouble.value = null;
    } else {
      worked.value = null;
      trouble.value = {
        place: got?.errors?.[0]?.pointer ?? "",
        text: got?.errors?.[0]?.message ?? problemOf(response.status, got).message,
      };
    }
  };
});
watch(
  () => [form.value?.name, JSON.stringify(values[form.value?.name ?? ""] ?? null)] as const,
  ([name, body], before) => {
    if (!form.value || !name) return;
    if (name !== before?.[0]) worked.value = null;
    values[name] ??= started(form.value);
    if (body !== "null") void asks.ask({ name, body });
  },
  { immediate: true },
);
/** The input over which the curve is drawn: the one edited last, or the first number. */
const over = ref<string | null>(null);
const numbers = computed(() =>
  (form.value?.inputs ?? []).filter((i) => i.kind === "NUMBER" || i.kind === "WHOLE"),
);
const varied = computed(() => numbers.value.find((i) => i.name === over.value) ?? numbers.value[0]);
/** The figure whose curve is drawn. */
const drawnFigure = ref<string | null>(null);
const figures = computed(() => Object.entries(form.value?.outputs ?? {}));
const figureOf = computed(
  () => figures.value.find(([name]) => name === drawnFigure.value) ?? figures.value[0],
);
const curve = ref<{ over: string; x: number[]; out: Record<string, (number | null)[]> } | null>(null);
const curves = newest<{ name: string; over: string; body: string }>(async ({ name, over: of, body }) => {
  const response = await patiently(`/api/calculators/${name}/curve`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: `{"over":${JSON.stringify(of)},"inputs":${body}}`,
  }).catch(() => null);
  const got = response?.ok ? await response.json() : null;
  return () => (curve.value = got);
}, 1);
watch(
  () =>
    [form.value?.name, varied.value?.name, JSON.stringify(values[form.value?.name ?? ""] ?? null)] as const,
  ([name, of, body], before) => {
    if (name !== before?.[0]) curve.value = null;
    if (name && of && body !== "null") void curves.ask({ name, over: of, body });
  },
  { immediate: true },
);
const now = computed(() => values[form.value?.name ?? ""] ?? {});

function typed(holder: Values, field: Field, event: Event) {
  const text = (event.target as HTMLInputElement).value.trim().replace(",", ".");
  holder[field.name] = text === "" ? null : Number.isFinite(Number(text)) ? Number(text) : text;
}
const rows = (field: Field) => now.value[field.name] as Values[];
const addRow = (field: Field) =>
  rows(field).push(Object.fromEntries(field.fields.map((f) => [f.name, f.example as unknown])));
/** A figure with four digits that mean something, never as a power of ten below a million. */
function figure(value: number) {
  if (value === 0 || Math.abs(value) >= 1e6) return value === 0 ? "0" : value.toExponential(3);
  const digits = Math.max(0, Math.min(6, 3 - Math.floor(Math.log10(Math.abs(value)))));
  return value.toFixed(digits).replace("-", "−");
}
const at = (place: string) => (trouble.value?.place === place ? trouble.value.text : null);
const elsewhere = computed(
  () => trouble.value && !form.value?.inputs.some((i) => `/${i.name}` === trouble.value!.place),
);
function turn() {
  theme.value = theme.value === "dark" ? "light" : "dark";
  applyTheme(theme.value);
}
</script>

<template>
  <PageFrame title="Calculators" chapters="Calculators">
    <template #bar>
      <button type="button" @click="turn">{{ theme === "dark" ? "Light" : "Dark" }}</button>
    </template>
    <template #chapters>
      <button
        v-for="f in forms"
        :key="f.name"
        type="button"
        :aria-current="f.name === form?.name ? 'page' : undefined"
        @click="router.replace(`/calculators/${f.name}`)"
      >
        {{ f.title }}
      </button>
    </template>
    <main v-if="form" :key="form.name">
      <h2>{{ form.title }}</h2>
      <p class="quiet">{{ form.about }}</p>
      <div class="sheet">
        <form class="inputs" @submit.prevent>
          <template v-for="i in form.inputs" :key="i.name">
            <fieldset v-if="i.kind === 'LIST'">
              <legend>{{ i.label }}</legend>
              <div v-for="(row, n) in rows(i) ?? []" :key="n" class="row">
                <label v-for="f in i.fields" :key="f.name" class="field">
                  {{ f.label }}{{ f.unit ? `, ${f.unit}` : "" }}
                  <input inputmode="decimal" :value="row[f.name]" @input="typed(row, f, $event)" />
                  <span v-if="at(`/${i.name}/${n}/${f.name}`)" class="bad">{{
                    at(`/${i.name}/${n}/${f.name}`)
                  }}</span>
                </label>
                <button
                  type="button"
                  class="plain"
                  :aria-label="`Remove line ${n + 1} of ${i.label}`"
                  @click="rows(i).splice(n, 1)"
                >
                  Remove
                </button>
              </div>
              <button type="button" class="soft" @click="addRow(i)">Add a line</button>
              <span v-if="at(`/${i.name}`)" class="bad" role="alert">{{ at(`/${i.name}`) }}</span>
            </fieldset>
            <label v-else-if="i.kind === 'TRUTH'" class="tick">
              <input
                type="checkbox"
                :checked="now[i.name] === true"
                @change="now[i.name] = ($event.target as HTMLInputElement).checked"
              />
              {{ i.label }}
            </label>
            <label v-else class="field line">
              <span>{{ i.label }}{{ i.unit ? `, ${i.unit}` : "" }}</span>
              <select
                v-if="i.kind === 'WORD'"
                :value="now[i.name]"
                @change="now[i.name] = ($event.target as HTMLSelectElement).value"
              >
                <option v-for="w in i.words" :key="w" :value="w">{{ w }}</option>
              </select>
              <input
                v-else
                inputmode="decimal"
                :value="now[i.name]"
                :aria-invalid="at(`/${i.name}`) !== null || undefined"
                @focus="over = i.name"
                @input="typed(now, i, $event)"
              />
              <span v-if="at(`/${i.name}`)" class="bad" role="alert">{{ at(`/${i.name}`) }}</span>
            </label>
          </template>
        </form>
        <section class="answer" aria-live="polite" aria-label="Result">
          <template v-if="worked">
            <p v-for="(label, name) in form.outputs" :key="name" class="figure">
              <span>{{ label }}</span>
              <output>{{ figure(worked.out[name]!) }}</output>
            </p>
            <p class="formula">{{ worked.formula }}</p>
            <p class="quiet">Source: {{ worked.source }}</p>
            <p v-if="worked.extrapolated" class="bad">
              Extrapolated: outside the range that the source states.
            </p>
          </template>
          <template v-if="worked && curve && varied && figureOf && curve.out[figureOf[0]]">
            <div class="row over">
              <label class="field"
                >Drawn over
                <select :value="varied.name" @change="over = ($event.target as HTMLSelectElement).value">
                  <option v-for="n in numbers" :key="n.name" :value="n.name">{{ n.label }}</option>
                </select>
              </label>
              <label v-if="figures.length > 1" class="field"
                >Figure
                <select
                  :value="figureOf[0]"
                  @change="drawnFigure = ($event.target as HTMLSelectElement).value"
                >
                  <option v-for="[name, label] in figures" :key="name" :value="name">{{ label }}</option>
                </select>
              </label>
            </div>
            <CurvePlot
              v-if="curve.over === varied.name"
              :label="`${figureOf[1]} over ${varied.label}`"
              :x="curve.x"
              :x-label="`${varied.label}${varied.unit ? `, ${varied.unit}` : ''}`"
              :curves="[{ name: figureOf[1], y: curve.out[figureOf[0]]! }]"
              :y-label="figureOf[1]"
              :now="Number(now[varied.name])"
              :height="240"
            />
          </template>
          <p v-else-if="trouble" class="bad">
            {{ elsewhere ? `${trouble.place} ${trouble.text}` : "One of the inputs cannot be." }}
          </p>
        </section>
      </div>
      <p class="quiet">
        Also at <code>POST /api/calculators/{{ form.name }}</code
        >. Estimates, never a certificate; fixed wiring is for a licensed electrician where the law asks.
      </p>
    </main>
    <p v-else-if="trouble" class="bad" role="alert">{{ trouble.text }}</p>
  </PageFrame>
</template>

<style scoped>
main {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.sheet {
  display: grid;
  grid-template-columns: minmax(280px, 440px) minmax(260px, 1fr);
  gap: 34px;
  align-items: start;
}
.inputs {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
label.line {
  display: grid;
  grid-template-columns: 1fr 140px;
  align-items: center;
  font-size: 14px;
  color: var(--ink);
}
label.line .bad {
  grid-column: 1 / -1;
}
fieldset .row {
  flex-wrap: nowrap;
}
fieldset input {
  width: 120px;
}
fieldset {
  border: 1px solid var(--hair);
  display: flex;
  flex-direction: column;
  gap: 6px;
  align-items: flex-start;
}
.answer {
  border-left: 2px solid var(--copper);
  padding: 2px 0 2px 18px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.figure {
  display: flex;
  justify-content: space-between;
  gap: 18px;
  border-bottom: 1px solid var(--hair);
  padding-bottom: 4px;
}
output {
  font-size: 22px;
  font-weight: 600;
}
.formula {
  font-weight: 500;
}
code {
  font-size: 13px;
}
</style>
