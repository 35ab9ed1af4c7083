<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { usePlanQuery, useQuery } from "../../app/useQuery";
import { words } from "../../drawing/marks";
import { added, removed } from "../../plan/patch";
import { pointer, thingOf } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** What each controller must be told, as text by a template, as a file and on paper; and two controllers beside one another. */
const bench = useBench();
const { answer: all, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/controllers", { params: { path: { id } }, signal })),
);
const { answer: standard } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/templates", { params: { path: { id } }, signal })),
);
const chosen = ref("");
/** The controller that is selected, or that what is selected hangs on. */
watch(
  () => [bench.selection, all.value] as const,
  () => {
    const thing = thingOf(bench.selection);
    const unit = thing?.[0] === "devices" ? bench.plan?.devices[thing[1]]?.unit : thing?.[1];
    const known = (id: string | null | undefined) => all.value?.some((c) => c.unit === id);
    if (unit && known(unit)) chosen.value = unit;
    else if (!known(chosen.value)) chosen.value = all.value?.[0]?.unit ?? "";
  },
  { immediate: true },
);
const controller = computed(() => all.value?.find((c) => c.unit === chosen.value));
const FORMS: Record<string, string> = {
  listing: "a listing",
  header: "a C header",
  environment: "an environment file",
  own: "by a template of my own",
};
const ENDS: Record<string, string> = { listing: "txt", header: "h", environment: "env", own: "txt" };
const form = ref("listing");
const KEPT = "skelto.template";
const own = ref(localStorage.getItem(KEPT) ?? "");
watch(form, (now) => {
  if (now === "own" && !own.value) own.value = standard.value?.listing ?? "";
});
watch(own, (text) => localStorage.setItem(KEPT, text));
const { answer: written, trouble: unwritten } = useQuery(
  () =>
    chosen.value
      ? { unit: chosen.value, form: form.value, own: form.value === "own" ? own.value : null }
      : null,
  (asked, signal) => {
    const path = { id: bench.id, unit: asked.unit };
    const where = "/api/plans/{id}/names/controllers/{unit}/written";
    return answer(
      asked.own === null
        ? api.GET(where, { params: { path, query: { template: asked.form } }, signal })
        : api.POST(where, { params: { path }, body: { template: asked.own }, signal }),
    );
  },
);
function save() {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([written.value!.text], { type: "text/plain" }));
  link.download = `${chosen.value}.${ENDS[form.value]}`;
  link.click();
  URL.revokeObjectURL(link.href);
}
const beside = ref("");
const { answer: differences, trouble: incomparable } = useQuery(
  () => (chosen.value && beside.value ? { unit: chosen.value, other: beside.value } : null),
  (asked, signal) =>
    answer(
      api.GET("/api/plans/{id}/names/controllers/{unit}/difference/{other}", {
        params: { path: { id: bench.id, ...asked } },
        signal,
      }),
    ),
);
const same = computed(() => (differences.value ?? []).filter((d) => d.verdict === "SAME").length);
const VERDICTS: Record<Schemas["BoardDifference"]["verdict"], string> = {
  MUST_DIFFER: "must differ, and does not",
  DIFFERENT: "different",
  SAME: "the same",
};
const file = (what: string) =>
  `/api/plans/${bench.id}/names/controllers/${encodeURIComponent(chosen.value)}/${what}`;
const SECRET_WORDS = { NOT_SET: "not known to be set", FACTORY: "the factory's", SET: "set" } as const;
const lamp = ref("");
const meaning = ref("");
const indicator = (it: string, means: string | null) => {
  const path = ["units", chosen.value, "indicators", it] as const;
  return bench.edit(
    [means === null ? removed(...path) : added(path, means)],
    `lamps of ${controller.value!.name}`,
  );
};
async function addIndicator() {
  if (await indicator(lamp.value.trim(), meaning.value.trim())) lamp.value = meaning.value = "";
}
const terminals = computed(() =>
  (controller.value?.devices ?? []).flatMap((d) => d.terminals.map((t) => ({ ...t, device: d }))),
);
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="unanswered" />
    <p v-if="all && !all.length" class="quiet">
      The plan has no controller yet; they are made at Controllers, or proposed at Build.
    </p>
    <template v-else-if="controller">
      <div class="row">
        <label class="field">
          Controller
          <select v-model="chosen" @change="bench.select(pointer('units', chosen))">
            <option v-for="c in all" :key="c.unit" :value="c.unit">{{ c.name }}</option>
          </select>
        </label>
        <label class="field">
          Beside it
          <select v-model="beside">
            <option value="">no other</option>
            <option v-for="c in all!.filter((o) => o.unit !== chosen)" :key="c.unit" :value="c.unit">
              {{ c.name }}
            </option>
          </select>
        </label>
        <a :href="file('sheet')" download>Sheet for the box, PDF</a>
        <a :href="file('file')" download>File, JSON</a>
        <a v-if="bench.plan?.units[chosen]?.talks === 'REQUEST'" :href="file('openapi')" download
          >What it answers, OpenAPI</a
        >
      </div>
      <QueryTrouble :trouble="incomparable" />
      <section v-if="beside && differences" aria-label="Two controllers">
        <table>
          <caption>
            {{
              same
            }}
            fields are the same; these are not, or must not be
          </caption>
          <thead>
            <tr>
              <th>Field</th>
              <th>{{ controller.name }}</th>
              <th>{{ all!.find((c) => c.unit === beside)?.name }}</th>
              <th>Is that right?</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="d in differences.filter((f) => f.verdict !== 'SAME')" :key="d.what">
              <td>{{ d.what }}</td>
              <td>{{ d.one ?? "–" }}</td>
              <td>{{ d.other ?? "–" }}</td>
              <td :class="{ bad: d.verdict === 'MUST_DIFFER' }">
                {{ VERDICTS[d.verdict] }}
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <div class="two">
        <section aria-label="Terminals">
          <h3>
            {{ controller.name }}<template v-if="controller.where">, {{ controller.where }}</template>
          </h3>
          <p class="quiet">
            {{ controller.network.address ?? "no address" }} ·
            {{ controller.network.hardwareAddress ?? "no hardware address" }} · host name
            <code>{{ controller.host }}</code>
          </p>
          <table v-if="terminals.length">
            <caption class="unseen">
              Terminals of
              {{
                controller.name
              }}
            </caption>
            <thead>
              <tr>
                <th>Terminal</th>
                <th>Device</th>
                <th>Inverted</th>
                <th>Pull-up</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="t in terminals"
                :key="`${t.device.device} ${t.connection}`"
                :class="{ chosen: bench.selection === pointer('devices', t.device.device) }"
              >
                <td>
                  <code>{{ t.terminal ?? "none chosen" }}{{ t.behind ? ` → ${t.behind}` : "" }}</code>
                </td>
                <td>
                  <button
                    type="button"
                    class="plain"
                    @click="bench.select(pointer('devices', t.device.device))"
                  >
                    {{ t.device.name }}
                  </button>
                  <span class="quiet">, {{ t.connection }}</span>
                </td>
                <td>{{ t.inverted ? "yes" : "no" }}</td>
                <td>{{ t.pull === "NONE" ? "–" : t.pull === "UP" ? "of the pin" : words(t.pull) }}</td>
              </tr>
            </tbody>
          </table>
          <p v-else class="quiet">Nothing is connected to its terminals yet.</p>
          <h3>What its lamps and sounds mean</h3>
          <div v-for="(means, it) in controller.indicators" :key="it" class="row">
            <EditField
              :label="String(it)"
              optional
              wide
              :value="means"
              :save="(v: string | null) => indicator(String(it), v)"
            />
          </div>
          <form class="row" @submit.prevent="addIndicator">
            <label class="field">
              Lamp or sound
              <input v-model="lamp" type="text" maxlength="120" placeholder="red, blinking" />
            </label>
            <label class="field grow">
              Means
              <input v-model="meaning" type="text" maxlength="120" placeholder="no broker" />
            </label>
            <button type="submit" class="soft" :disabled="!lamp.trim() || !meaning.trim()">Add it</button>
          </form>
          <template v-if="controller.secrets.length">
            <h3>Secrets that it is told</h3>
            <ul class="secrets">
              <li v-for="s in controller.secrets" :key="s.key">
                {{ s.name }}:
                <span :class="{ bad: s.state === 'FACTORY' }">{{ SECRET_WORDS[s.state] }}</span>
              </li>
            </ul>
          </template>
        </section>
        <section aria-label="Text for the controller">
          <div class="row">
            <label class="field">
              Written as
              <select v-model="form">
                <option v-for="(name, id) in FORMS" :key="id" :value="id">{{ name }}</option>
              </select>
            </label>
            <button type="button" class="soft" :disabled="!written" @click="save">Save it</button>
          </div>
          <label v-if="form === 'own'" class="field">
            Template, kept in this browser
            <textarea v-model="own" rows="8" spellcheck="false"></textarea>
          </label>
          <QueryTrouble :trouble="unwritten" />
          <pre v-if="written" tabindex="0" aria-label="As it is written">{{ written.text }}</pre>
          <p class="quiet">Secrets are never in it.</p>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="./tables.css"></style>
<style scoped>
caption {
  text-align: left;
  padding: 6px 8px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 20px;
}
td code {
  font-size: 12px;
  white-space: nowrap;
}
pre,
textarea {
  font-family: var(--mono, monospace);
  font-size: 12px;
}
pre {
  max-height: 420px;
  overflow: auto;
  background: var(--sheet);
  border: 1px solid var(--line);
  padding: 8px 10px;
  margin: 8px 0;
}
textarea {
  width: 100%;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
