<script setup lang="ts">
import Button from "primevue/button";
import Dialog from "primevue/dialog";
import Splitter from "primevue/splitter";
import SplitterPanel from "primevue/splitterpanel";
import { computed, onBeforeUnmount, onMounted, ref, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import PlanDrawing from "../drawing/PlanDrawing.vue";
import { useNarrow } from "../app/useNarrow";
import { applyTheme, currentTheme } from "../app/theme";
import { forgetBack, whenBack } from "../app/whenBack";
import { Problem, type Medium } from "../api/client";
import SnagDock from "../snags/SnagDock.vue";
import WithoutStrip from "../without/WithoutStrip.vue";
import WeighedChange from "./WeighedChange.vue";
import FindBox from "./FindBox.vue";
import PanelLayout from "./PanelLayout.vue";
import { LAYOUT, LAYOUTS, layoutOf, type Layout } from "./layout";
import StagePanel from "./StagePanel.vue";
import StageRail from "./StageRail.vue";
import ShortcutsCard from "./ShortcutsCard.vue";
import { partOf, stageId, stageOf, STAGES } from "./stages";
import CoverageBar from "../coverage/CoverageBar.vue";
import { useCoverage } from "../coverage/store";
import SectionDrawing from "../drawing/SectionDrawing.vue";
import { useGo } from "./useGo";
import { useOthers } from "./useOthers";
import { type Clock, outageOf, outageText, useBench } from "./store";

const route = useRoute();
const router = useRouter();
const bench = useBench();
const coverage = useCoverage();
useOthers();
const problem = ref<string | null>(null);
const drawing = ref(false);
const dockOpen = ref(window.innerWidth > 820);
const finding = ref(false);
/** Whether the cut through the house is in view instead of a sheet. */
const cutting = ref(false);
const theme = ref(currentTheme());
/** Where the panel is; remembered. */
const layout = ref(layoutOf(localStorage.getItem(LAYOUT)));
watch(layout, (now) => localStorage.setItem(LAYOUT, now));

const stage = computed(() => stageOf(route.params.stage));
/** On a phone or a narrow window: one column, the drawing only when it is asked for. */
const narrow = useNarrow();
const narrowLayout = ref<Layout>("full");
const shownLayout = computed({
  get: () => (narrow.value ? narrowLayout.value : layout.value),
  set: (to: Layout) => (narrow.value ? (narrowLayout.value = to) : (layout.value = to)),
});
const snagsOf = (id: string) => {
  const count = bench.shown?.stages.find((s) => stageId(s.stage) === id)?.snags;
  return count ? ` (${count})` : "";
};
/** Where the first presses of Tab lead. */
const skips = [
  { to: "panel", words: "To the panel" },
  { to: "drawing", words: "To the drawing" },
  { to: "snags", words: "To the snags" },
];
const skip = (to: string) => document.getElementById(to)?.focus();
const keysOpen = ref(false);

/** Whether the panel takes the whole bench: what it shows has no place on the sheet. */
const whole = computed(() => STAGES[stage.value]!.parts[partOf(stage.value, bench.part)]!.whole ?? false);

/** What the address supposes gone, and when. */
function supposed(): [string[], Clock] {
  const of = (key: string) => (route.query[key] ? String(route.query[key]) : null);
  return [
    (of("without") ?? "").split(",").filter(Boolean),
    { for: of("for"), from: of("from"), at: of("at") },
  ];
}

async function open() {
  problem.value = null;
  try {
    const asked = { ...route.query };
    await bench.open(String(route.params.id), ...supposed());
    if (asked.select) bench.select(String(asked.select));
    bench.part = asked.part ? String(asked.part) : null;
    coverage.medium = asked.radio ? (String(asked.radio) as Medium) : coverage.medium;
    cutting.value = asked.cut === "yes";
    const floor = String(asked.floor ?? "");
    if (floor === "site" || (bench.plan && floor in bench.plan.floors)) bench.floor = floor;
  } catch (e) {
    problem.value = e instanceof Problem ? e.message : String(e);
    // it opens by itself once the server is back
    if (!(e instanceof Problem) || e.status === 0 || e.status >= 500) whenBack(open);
  }
}
watch(() => route.params.id, open, { immediate: true });

/** How often something was supposed when the address was last written. */
let steps = 0;
// the address carries stage, selection and what is supposed gone
watch(
  () => [
    bench.outageQuery,
    bench.selection,
    bench.floor,
    bench.part,
    coverage.medium,
    cutting.value ? "yes" : null,
    stage.value,
  ],
  ([outage, selection, floor, part, radio, cut]) => {
    if (!bench.plan) return;
    const query: Record<string, string> = outageOf(outage ?? "");
    if (selection) query.select = selection;
    if (floor) query.floor = floor;
    if (part) query.part = part;
    if (radio && stage.value === "links") query.radio = radio;
    if (cut) query.cut = cut;
    const to = { path: `/plans/${bench.id}/${stage.value}`, query };
    // what is supposed is one step of the browser's history
    const before = outageText(route.query);
    const pressed = bench.supposed !== steps;
    steps = bench.supposed;
    void (pressed && before !== (outage ?? "") ? router.push(to) : router.replace(to));
  },
);
// back and forward step through what was supposed
watch(
  () => outageText(route.query),
  (asked) => {
    if (bench.plan && bench.id === route.params.id && asked !== bench.outageQuery)
      void bench.suppose(...supposed());
  },
);
watch(stage, () => {
  drawing.value = false;
  bench.part = bench.nextPart;
  bench.nextPart = null;
});

// the coverage follows the plan, the sheet, what is supposed gone, and the hand
watch(
  () => [bench.id, bench.revision, stage.value === "links"] as const,
  ([, revision, shown]) => {
    if (shown && revision > 0) void coverage.refresh();
  },
);
watch(
  () => [coverage.medium, bench.floor, bench.outageQuery],
  () => {
    if (stage.value === "links" && bench.plan) void coverage.load();
  },
);
watch(
  () => bench.dragOps,
  (ops) => {
    if (stage.value !== "links") return;
    if (ops) void coverage.preview(ops);
    else coverage.endPreview();
  },
);

const failures = computed(() => bench.shown?.failures ?? []);
/** The reason of the first one that failed by itself; what needs it fails for the same. */
const failureReason = computed(() => {
  const why =
    (failures.value.find((f) => !f.why.includes("could not be worked out")) ?? failures.value[0])?.why ?? "";
  return why.charAt(0).toUpperCase() + why.slice(1) + ".";
});

const floors = computed(() =>
  Object.entries(bench.plan?.floors ?? {})
    .map(([id, f]) => ({ id, name: f.name, base: f.baseM, building: f.building }))
    .sort(
      (a, b) =>
        floorsIn(b.building) - floorsIn(a.building) ||
        a.building.localeCompare(b.building) ||
        b.base - a.base,
    ),
);

function floorsIn(building: string): number {
  return Object.values(bench.plan?.floors ?? {}).filter((f) => f.building === building).length;
}

const go = useGo();

function keys(event: KeyboardEvent) {
  const command = event.ctrlKey || event.metaKey;
  const typing = /^(INPUT|SELECT|TEXTAREA)$/.test((event.target as HTMLElement).tagName);
  if (command && event.key.toLowerCase() === "k") {
    event.preventDefault();
    finding.value = true;
  } else if (command && !typing && event.key.toLowerCase() === "z") {
    event.preventDefault();
    void bench.step(event.shiftKey ? "redo" : "undo");
  } else if (command && !typing && event.key.toLowerCase() === "y") {
    event.preventDefault();
    void bench.step("redo");
  } else if (event.key === "?" && !typing && !command) {
    keysOpen.value = true;
  } else if (event.altKey && /^[1-9]$/.test(event.key)) {
    const id = Object.keys(STAGES)[Number(event.key) - 1];
    if (id) {
      event.preventDefault();
      go(id);
    }
  } else if (event.key === "Escape" && !typing) {
    drawing.value = false;
  }
}
/** What the find box can do besides going somewhere. */
const actions = computed(() => [
  { name: "Undo", what: "action", words: bench.undoLabel ?? "", act: () => void bench.step("undo") },
  { name: "Redo", what: "action", words: bench.redoLabel ?? "", act: () => void bench.step("redo") },
  {
    name: "Calculators",
    what: "page",
    words: "formula airtime fresnel voltage drop",
    act: () => void router.push("/calculators"),
  },
  { name: "All plans", what: "page", words: "list new import copy", act: () => void router.push("/plans") },
  {
    name: "Walk test on a phone",
    what: "page",
    words: "measure mobile",
    act: () => void router.push(`/plans/${bench.id}/walk`),
  },
  {
    name: theme.value === "dark" ? "Light paper" : "Dark paper",
    what: "setting",
    words: "theme night colour contrast",
    act: toggleTheme,
  },
  {
    name: "Export this plan",
    what: "action",
    words: "download save file backup json",
    act: () => window.location.assign(`/api/plans/${bench.id}/export`),
  },
  {
    name: "Nothing is gone",
    what: "action",
    words: "restore outage without",
    act: () => void bench.suppose([]),
  },
  ...(Object.keys(LAYOUTS) as Layout[]).map((where) => ({
    name: `Panel ${where === "full" ? "alone" : where}`,
    what: "setting",
    words: "layout divider drawing",
    act: () => (layout.value = where),
  })),
]);
/** Asks before the window goes while edits wait to be stored. */
function stay(event: Event) {
  if (bench.unsaved.length) event.preventDefault();
}
onMounted(() => {
  window.addEventListener("keydown", keys);
  window.addEventListener("beforeunload", stay);
});
onBeforeUnmount(() => {
  forgetBack(open);
  window.removeEventListener("keydown", keys);
  window.removeEventListener("beforeunload", stay);
});

function toggleTheme() {
  theme.value = theme.value === "dark" ? "light" : "dark";
  applyTheme(theme.value);
}
</script>

<template>
  <div v-if="bench.plan && bench.shown" class="frame">
    <div class="skips">
      <a v-for="s in skips" :key="s.to" :href="`#${s.to}`" @click.prevent="skip(s.to)">{{ s.words }}</a>
    </div>
    <header>
      <RouterLink to="/plans" class="brand">Sk<em>e</em>lto</RouterLink>
      <h1>{{ bench.plan.name }}</h1>
      <span class="facts">
        {{ bench.plan.region }} ·
        {{ bench.plan.mainsVoltageV ? `${bench.plan.mainsVoltageV} V` : "mains not known" }} ·
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
        <button type="button" class="find" @click="finding = true">Find anything <kbd>Ctrl K</kbd></button>
        <button v-if="!narrow" type="button" @click="toggleTheme">
          {{ theme === "dark" ? "Light" : "Dark" }}
        </button>
      </span>
    </header>
    <WithoutStrip />
    <WeighedChange v-if="bench.weighed" />
    <div v-if="bench.message" class="message" role="alert">
      <span
        >{{ bench.message }}
        <b v-if="bench.unsaved.length">
          {{ bench.unsaved.length === 1 ? "One edit waits" : `${bench.unsaved.length} edits wait` }}
          to be stored. That happens by itself once the server is back.</b
        ></span
      >
      <button
        v-if="bench.saving === 'failed'"
        type="button"
        class="act"
        @click="((bench.message = null), bench.retry())"
      >
        Try again
      </button>
      <button type="button" class="soft" @click="bench.message = null">Close</button>
    </div>
    <div v-if="failures.length" class="message failures" role="status">
      <span
        ><b>Not worked out:</b> {{ failures.map((f) => f.fact).join(", ") }}. {{ failureReason }} What does
        not need them stands; the plan can be edited, undone and exported.</span
      >
      <button type="button" class="act" @click="bench.guarded(() => bench.assess())">
        Work them out again
      </button>
    </div>
    <div class="body" :class="{ folded: !dockOpen, narrow }">
      <StageRail v-if="!narrow" :stage="stage" @go="go" />
      <div v-else class="stages">
        <select :value="stage" aria-label="Stage" @change="go(($event.target as HTMLSelectElement).value)">
          <option v-for="(s, id) in STAGES" :key="id" :value="id">{{ s.name }}{{ snagsOf(id) }}</option>
        </select>
      </div>
      <main>
        <template v-if="!whole && shownLayout !== 'full'">
          <div class="tabs" role="group" aria-label="Sheets">
            <button
              v-for="f in floors"
              :key="f.id"
              type="button"
              :aria-pressed="bench.floor === f.id && !cutting"
              :class="{ current: bench.floor === f.id && !cutting }"
              @click="((bench.floor = f.id), (cutting = false))"
            >
              {{ f.name }}
            </button>
            <button
              type="button"
              :aria-pressed="bench.floor === 'site' && !cutting"
              :class="{ current: bench.floor === 'site' && !cutting }"
              @click="((bench.floor = 'site'), (cutting = false))"
            >
              whole site
            </button>
            <button
              type="button"
              :aria-pressed="cutting"
              :class="{ current: cutting }"
              @click="cutting = true"
            >
              section
            </button>
          </div>
        </template>
        <Splitter
          v-if="!whole && shownLayout !== 'full'"
          :key="shownLayout"
          class="split"
          :layout="shownLayout === 'below' ? 'vertical' : 'horizontal'"
          :state-key="`skelto.split.${shownLayout}`"
          state-storage="local"
          :gutter-size="6"
          :step="4"
          :pt="{ gutterHandle: { 'aria-label': 'Divider between drawing and panel' } }"
        >
          <SplitterPanel
            id="drawing"
            tabindex="-1"
            :size="shownLayout === 'below' ? 59 : 50"
            :min-size="15"
            class="half"
          >
            <SectionDrawing v-if="cutting" />
            <PlanDrawing
              v-else
              :stage="stage"
              :drawing="drawing"
              @drawn="drawing = false"
              @draw="drawing = !drawing"
            />
            <CoverageBar v-if="stage === 'links' && !cutting" />
          </SplitterPanel>
          <SplitterPanel :size="shownLayout === 'below' ? 41 : 50" :min-size="15" class="half">
            <section id="panel" class="panel" tabindex="-1" :aria-label="`Stage ${stage}`">
              <StagePanel :stage="stage" />
            </section>
            <PanelLayout v-model="shownLayout" />
          </SplitterPanel>
        </Splitter>
        <div v-else class="half full">
          <section id="panel" class="panel" tabindex="-1" :aria-label="`Stage ${stage}`">
            <StagePanel :stage="stage" />
          </section>
          <PanelLayout v-if="!whole" v-model="shownLayout" />
        </div>
      </main>
      <div id="snags" class="side" tabindex="-1">
        <button type="button" class="fold" :aria-expanded="dockOpen" @click="dockOpen = !dockOpen">
          {{ dockOpen ? "Fold away" : "Snags" }}
        </button>
        <SnagDock v-if="dockOpen" :stage="stage" @go="go" />
      </div>
    </div>
    <ShortcutsCard v-model="keysOpen" />
    <FindBox v-model="finding" :actions="actions" />
    <Dialog :visible="bench.stale !== null" modal :closable="false" header="The plan was changed elsewhere">
      <p class="stale">
        Another window changed this plan meanwhile. Your edit “{{ bench.stale?.label }}” was not stored;
        nothing is lost.
      </p>
      <div class="row">
        <Button
          v-if="bench.stale?.ops.length"
          label="Make my edit on the newer plan"
          @click="bench.settleStale(true)"
        />
        <Button label="Take the newer plan" severity="secondary" @click="bench.settleStale(false)" />
      </div>
    </Dialog>
  </div>
  <main v-else class="waiting">
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-else role="status">Opening the plan…</p>
    <p v-if="problem"><button type="button" class="act" @click="open">Try again</button></p>
    <RouterLink to="/plans">All plans</RouterLink>
  </main>
</template>

<style scoped>
/* captions for screen readers are placed absolutely: nothing in here may make the page itself longer */
.frame {
  height: 100vh;
  position: relative;
  overflow: clip;
  display: flex;
  flex-direction: column;
}
header {
  background: var(--bar);
  color: var(--bar-ink);
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 7px 14px;
  white-space: nowrap;
}
.brand {
  font-size: 18px;
  font-weight: 600;
  color: inherit;
  text-decoration: none;
}
.brand em {
  font-style: normal;
  color: #e0986b;
}
header h1 {
  font-size: 15px;
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
.message {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 7px 14px;
  background: var(--sheet);
  border-bottom: 2px solid var(--unsafe);
  color: var(--unsafe);
  overflow-wrap: anywhere;
}
.message span {
  flex: 1;
}
.failures {
  border-bottom-color: var(--hair);
  color: var(--ink);
}
.body {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr) 286px;
}
.body.folded {
  grid-template-columns: 190px minmax(0, 1fr) 70px;
}
main {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-left: 1px solid var(--hair);
  border-right: 1px solid var(--hair);
  background: var(--sheet);
}
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
  padding: 4px 10px 0;
  border-bottom: 1px solid var(--hair);
}
.tabs button {
  background: none;
  border: 0;
  padding: 4px 10px 6px;
  cursor: pointer;
  border-bottom: 2px solid transparent;
}
.tabs button.current {
  font-weight: 600;
  border-bottom-color: var(--copper);
}
.split {
  flex: 1;
  min-height: 0;
  border: 0;
  border-radius: 0;
  background: none;
}
.half {
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
  overflow: hidden;
}
.panel {
  position: relative;
  flex: 1;
  overflow: auto;
  min-height: 0;
}
.full {
  flex: 1;
}
.split :deep(.p-splitter-gutter) {
  background: var(--hair);
}
.split :deep(.p-splitter-gutter:hover) {
  background: var(--copper);
}
.side {
  min-height: 0;
  display: flex;
  flex-direction: column;
  position: relative;
}
.fold {
  position: absolute;
  right: 10px;
  top: 10px;
  background: none;
  border: 0;
  text-decoration: underline;
  color: var(--link);
  cursor: pointer;
  font-size: 12px;
}
.skips a {
  position: absolute;
  left: 8px;
  top: -60px;
  z-index: 20;
  background: var(--sheet);
  color: var(--link);
  border: 2px solid var(--copper);
  padding: 6px 12px;
}
.skips a:focus {
  top: 6px;
}
.panel:focus-visible,
.side:focus-visible {
  outline-offset: -3px;
}
.stages select {
  width: 100%;
  min-height: 44px;
  font-size: 16px;
}
@media (max-width: 1100px) {
  .body {
    grid-template-columns: 150px minmax(0, 1fr) 240px;
  }
  .body.folded {
    grid-template-columns: 150px minmax(0, 1fr) 70px;
  }
}
@media (max-width: 820px) {
  .frame {
    height: auto;
    min-height: 100vh;
    overflow: visible;
  }
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
  .body,
  .body.folded {
    display: flex;
    flex-direction: column;
  }
  main {
    border: 0;
  }
  .split {
    min-height: 80vh;
  }
  .full .panel {
    overflow: visible;
  }
  .side {
    border-top: 1px solid var(--hair);
    padding-top: 30px;
  }
  .fold {
    min-height: 44px;
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
.stale {
  max-width: 420px;
  margin-bottom: 14px;
}
.waiting {
  padding: 40px;
  gap: 10px;
}
</style>
