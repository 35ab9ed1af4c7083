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
import BenchHeader from "./BenchHeader.vue";
import BenchMessages from "./BenchMessages.vue";
import SheetTabs from "./SheetTabs.vue";
import { LAYOUT, layoutOf, type Layout } from "./layout";
import StagePanel from "./StagePanel.vue";
import StageRail from "./StageRail.vue";
import ShortcutsCard from "./ShortcutsCard.vue";
import { partOf, stageId, stageOf, STAGES } from "./stages";
import CoverageBar from "../coverage/CoverageBar.vue";
import { useCoverage } from "../coverage/store";
import SectionDrawing from "../drawing/SectionDrawing.vue";
import { useActions } from "./useActions";
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
const dark = ref(currentTheme() === "dark");
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

const go = useGo();
const actions = useActions(layout, dark, toggleTheme);

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
  } else if (event.altKey && /^[0-9]$/.test(event.key)) {
    // 0 stands behind 9 on the keyboard, and for the tenth
    const id = Object.keys(STAGES)[(Number(event.key) + 9) % 10];
    if (id) {
      event.preventDefault();
      go(id);
    }
  } else if (event.key === "Escape" && !typing) {
    drawing.value = false;
  }
}
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
  dark.value = !dark.value;
  applyTheme(dark.value ? "dark" : "light");
}
</script>

<template>
  <div v-if="bench.plan && bench.shown" class="frame">
    <div class="skips">
      <a v-for="s in skips" :key="s.to" :href="`#${s.to}`" @click.prevent="skip(s.to)">{{ s.words }}</a>
    </div>
    <BenchHeader :dark="dark" @find="finding = true" @theme="toggleTheme" />
    <WithoutStrip />
    <WeighedChange v-if="bench.weighed" />
    <BenchMessages />
    <div class="body" :class="{ folded: !dockOpen, narrow }">
      <StageRail v-if="!narrow" :stage="stage" @go="go" />
      <div v-else class="stages">
        <select :value="stage" aria-label="Stage" @change="go(($event.target as HTMLSelectElement).value)">
          <option v-for="(s, id) in STAGES" :key="id" :value="id">{{ s.name }}{{ snagsOf(id) }}</option>
        </select>
      </div>
      <main>
        <SheetTabs v-if="!whole && shownLayout !== 'full'" v-model:cutting="cutting" />
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
.stale {
  max-width: 420px;
  margin-bottom: 14px;
}
.waiting {
  padding: 40px;
  gap: 10px;
}
</style>
