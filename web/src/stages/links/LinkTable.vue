<script setup lang="ts">
import { choice } from "../../app/typed";
import { added, removed, replaced, type FieldOf, type ValueOf } from "../../plan/patch";
import { computed, ref, watch } from "vue";
import { answer, api, type LinkOption, type LinkReport, type Op } from "../../api/client";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { usePlanQuery } from "../../app/useQuery";
import { percent, shown } from "../../drawing/marks";
import { freeId, pointer, thingOf } from "../../plan/pointers";
import { useLength } from "../../app/useLength";
import { useBench } from "../../plan/store";
import type { TableColumn } from "../../table/columns";
import DataTable from "../../table/DataTable.vue";
import BudgetStair from "./BudgetStair.vue";

const bench = useBench();
const { length } = useLength();
const plan = computed(() => bench.shownPlan!);
const mediumName = (id: string) => bench.catalog!.media.find((m) => m.id === id)?.name ?? id;
const unitName = (id: string) => plan.value.units[id]?.name ?? id;

/** The unit concerned: the selected one, that of the selected device, or the outer end of the selected link. */
const unit = computed<string | null>(() => {
  const thing = thingOf(bench.selection);
  if (!thing) return null;
  if (thing[0] === "units") return thing[1];
  if (thing[0] === "devices") return plan.value.devices[thing[1]]?.unit ?? null;
  return thing[0] === "links" ? (plan.value.links[thing[1]]?.from ?? null) : null;
});
/** For a moment after an edit the reports are those of the plan before it. */
const reports = computed<LinkReport[]>(() =>
  Object.values(bench.shown?.links ?? {}).filter((r) => r.link in plan.value.links),
);
const own = computed(() => {
  const thing = thingOf(bench.selection);
  if (thing?.[0] === "links") return reports.value.filter((r) => r.link === thing[1]);
  return reports.value.filter((r) => r.from === unit.value);
});
const turned = ref(false);
const worst = (r: LinkReport) => r.runs.reduce((a, b) => (b.budget.marginDb < a.budget.marginDb ? b : a));
const shownRuns = (r: LinkReport) =>
  r.runs.length < 2 ? r.runs : r.runs.filter((run) => (run === worst(r)) !== turned.value);
const options = ref<LinkOption[]>([]);
const trouble = ref<string | null>(null);
const comparing = ref(false);
watch(
  () => [unit.value, bench.revision],
  () => {
    options.value = [];
    if (comparing.value) void compare();
  },
);

async function compare() {
  trouble.value = null;
  comparing.value = true;
  const asked = unit.value;
  if (!asked) return;
  try {
    const found = await answer(
      api.GET("/api/plans/{id}/link-options/{unit}", { params: { path: { id: bench.id, unit: asked } } }),
    );
    if (asked === unit.value) options.value = found;
    if (found.length === 0)
      trouble.value =
        "Nothing in the plan receives anything yet: put in a switch, an access point or a gateway.";
  } catch (e) {
    trouble.value = e instanceof Error ? e.message : String(e);
  }
}
async function chooseForMe() {
  await compare();
  const best = options.value.find((o) => o.best);
  if (best) await use(best);
  else if (!trouble.value) trouble.value = "No link may be proposed; the table says why each is ruled out.";
}
const use = (option: LinkOption) =>
  bench.propose(option.edits, `link of ${unitName(unit.value!)} by ${mediumName(option.medium)}`);

/** The choice of a person: that medium, to the receiver that hears best, even where Skelto would not. */
async function chooseMedium(event: Event) {
  const asked = (event.target as HTMLSelectElement).value;
  byHand.value = BY_HAND.find(([m]) => m === asked)?.[0] ?? null;
  if (byHand.value) {
    (event.target as HTMLSelectElement).value = "";
    return;
  }
  const [medium, direction] = (event.target as HTMLSelectElement).value.split("/");
  (event.target as HTMLSelectElement).value = "";
  if (!medium) return;
  await compare();
  const option = options.value.find((o) => o.medium === medium && o.direction === direction);
  if (!option) {
    trouble.value = `Nothing in the plan receives ${mediumName(medium)} yet: put in a gateway or an access point for it.`;
    return;
  }
  const edits = option.edits.map((op) =>
    op.path.startsWith("/links/") && op.op === "add"
      ? { ...op, value: { ...(op.value as object), why: "chosen by hand" } }
      : op,
  );
  await bench.edit(edits, `link of ${unitName(unit.value!)} by ${mediumName(medium)}`);
}
/** Every unit that the other end of a link could be. */
const { answer: ends, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/link-ends", { params: { path: { id } }, signal })),
);
const endsOf = (id: string): [string, string][] =>
  (ends.value?.[id] ?? []).map((unit) => [unit, unitName(unit)]);
function setEnd(id: string, event: Event) {
  const to = (event.target as HTMLSelectElement).value;
  void bench.edit(
    [replaced(["links", id, "to"], to), replaced(["links", id, "why"], "chosen by hand")],
    `link of ${unitName(plan.value.links[id]!.from)} to ${unitName(to)}`,
  );
}
/** Units that have no link outward yet; the router is where links end. */
const unlinked = computed(() =>
  Object.entries(plan.value.units).filter(
    ([id, u]) =>
      u.kind !== "ROUTER" &&
      u.kind !== "SUPPLY" &&
      u.kind !== "COUPLER" &&
      !Object.values(plan.value.links).some((l) => l.from === id),
  ),
);
async function chooseForAll() {
  trouble.value = null;
  await bench.guarded(async () => {
    await bench.stored();
    const proposal = await answer(
      api.POST("/api/plans/{id}/link-proposal", { params: { path: { id: bench.id } } }),
    );
    if (proposal.edits.length) await bench.edit(proposal.edits, proposal.label);
    else
      trouble.value = "No link can be chosen for them yet: put in a router, access points or gateways first.";
  });
}
const darkEnd = (r: LinkReport) =>
  [r.from, r.to].map((id) => bench.shown?.troubles[id]).find((t) => t?.dark)?.why;
const anyDark = computed(() => Object.values(bench.shown?.troubles ?? {}).some((t) => t.dark));
const remove = (id: string) =>
  bench.edit([removed("links", id)], `remove link of ${unitName(plan.value.links[id]!.from)}`);
const CHOICES = [
  ["ETHERNET/TWO_WAY", "Ethernet"],
  ["WIFI_2G4/TWO_WAY", "Wi-Fi 2.4 GHz"],
  ["WIFI_5G/TWO_WAY", "Wi-Fi 5 GHz"],
  ["BLE/TWO_WAY", "Bluetooth LE"],
  ["MESH_802154/TWO_WAY", "802.15.4 mesh"],
  ["MESH_G9959/TWO_WAY", "G.9959 mesh"],
  ["SUB_GHZ/TWO_WAY", "sub-GHz OOK/FSK, two-way"],
  ["SUB_GHZ/ONE_WAY", "sub-GHz OOK/FSK, one-way"],
  ["CHIRP/TWO_WAY", "long-range chirp"],
] as const;
/** Media without a radio that are laid by hand, from unit to unit. */
const BY_HAND = [
  ["POWER_LINE", "power-line carrier"],
  ["RS485", "RS-485 bus"],
  ["INFRARED", "infrared"],
  ["CONTACT", "wired contact"],
] as const;
type ByHand = (typeof BY_HAND)[number][0];
const byHand = ref<ByHand | null>(null);
const others = computed(() =>
  Object.entries(plan.value.units).filter(([id, u]) => id !== unit.value && u.kind !== "SUPPLY"),
);
/** Lays a link that needs no radio to the unit that was picked. */
async function lay(event: Event) {
  const to = (event.target as HTMLSelectElement).value;
  const medium = byHand.value;
  if (!to || !medium || !unit.value) return;
  byHand.value = null;
  const name = `${unitName(unit.value)} ${unitName(to)}`;
  await bench.edit(
    [
      added(["links", freeId(name, bench.plan!.links)], {
        from: unit.value,
        to,
        medium,
        direction: medium === "INFRARED" || medium === "CONTACT" ? "ONE_WAY" : "TWO_WAY",
        lengthM: null,
        why: "chosen by hand",
        input: null,
        joined: null,
      }),
    ],
    `link of ${unitName(unit.value)} by ${mediumName(medium)}`,
  );
}
const isByHand = (medium: string) => BY_HAND.some(([m]) => m === medium);
const putLink = <F extends FieldOf<"links">>(
  link: string,
  field: F,
  value: ValueOf<"links", F>,
  label: string,
) => bench.put<["links", string, F]>(["links", link, field], value, label);

const chosen = ref<string[]>([]);
const wire = (r: LinkReport) =>
  r.medium === "POWER_LINE" ? "mains" : r.medium === "INFRARED" ? "light" : "cable";
const columns = computed<TableColumn<LinkReport>[]>(() => [
  { id: "from", head: "From", wide: true, value: (r) => unitName(r.from) },
  { id: "to", head: "To", value: (r) => unitName(r.to) },
  {
    id: "link",
    head: "Link",
    value: (r) => `${mediumName(r.medium)}${r.direction === "ONE_WAY" ? ", one way" : ""}`,
  },
  {
    id: "distance",
    head: "Distance, m",
    numeric: true,
    value: (r) => r.distanceM,
    shown: (r) => (r.distanceM === null ? "" : shown(r.distanceM, 2)),
  },
  {
    id: "margin",
    head: "Margin, dB",
    numeric: true,
    value: (r) => (r.trouble ? r.trouble : (r.marginDb ?? wire(r))),
    shown: (r) => r.trouble ?? (r.marginDb === null ? wire(r) : shown(r.marginDb, 1)),
  },
  {
    id: "chance",
    head: "Confidence",
    numeric: true,
    value: (r) => r.chance,
    shown: (r) => (r.chance === null ? "" : percent(r.chance)),
  },
  {
    id: "target",
    head: "Target",
    numeric: true,
    value: (r) => (r.chance === null ? null : r.target),
    shown: (r) => (r.chance === null ? "" : percent(r.target)),
  },
  ...(anyDark.value ? [{ id: "now", head: "Now", value: (r: LinkReport) => darkEnd(r) ?? "" }] : []),
]);
async function removeLinks(picked: LinkReport[], clear: () => void) {
  const ops = picked.map((r): Op => removed("links", r.link));
  if (await bench.edit(ops, picked.length === 1 ? "remove link" : `remove ${picked.length} links`)) clear();
}
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="panel-body">
    <section v-if="unit" aria-label="Link of the selected unit" class="one">
      <div class="row">
        <h3 class="grow">{{ unitName(unit) }}</h3>
        <label class="field">
          Link by
          <select @change="chooseMedium">
            <option value="">choose…</option>
            <option v-for="[id, name] in CHOICES" :key="id" :value="id">{{ name }}</option>
            <option v-for="[id, name] in BY_HAND" :key="id" :value="id">{{ name }}</option>
          </select>
        </label>
        <label v-if="byHand" class="field">
          By {{ mediumName(byHand) }} to
          <select @change="lay">
            <option value="">choose…</option>
            <option v-for="[id, u] in others" :key="id" :value="id">{{ u.name }}</option>
          </select>
        </label>
        <button type="button" class="act" @click="chooseForMe">Choose for me</button>
        <button
          type="button"
          class="soft"
          :aria-expanded="comparing"
          @click="comparing ? (comparing = false) : compare()"
        >
          {{ comparing ? "Hide comparison" : "Compare all" }}
        </button>
        <button type="button" class="soft" @click="bench.select(null)">All links</button>
      </div>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <p v-if="own.length === 0" class="quiet">It has no link outward yet.</p>
      <template v-for="r in own" :key="r.link">
        <div class="row head">
          <b class="grow">
            →
            <select
              v-if="endsOf(r.link).some(([id]) => id === r.to)"
              :aria-label="`Other end of the link of ${unitName(r.from)}`"
              :value="r.to"
              @change="setEnd(r.link, $event)"
            >
              <option v-for="[id, name] in endsOf(r.link)" :key="id" :value="id">{{ name }}</option>
            </select>
            <template v-else>{{ unitName(r.to) }}</template>
            <span class="quiet">
              {{ mediumName(r.medium)
              }}<template v-if="r.distanceM !== null"> · {{ length(r.distanceM) }}</template> ·
              {{ r.direction === "ONE_WAY" ? "one way" : "both ways"
              }}{{
                r.medium === "ETHERNET" || isByHand(r.medium)
                  ? ""
                  : r.indoor
                    ? " · by walls"
                    : " · outdoors: ground and trees not counted"
              }}
            </span>
          </b>
          <span v-if="r.trouble" class="bad">{{ r.trouble }}</span>
          <span v-else-if="r.marginDb !== null && r.chance !== null" :class="r.meets ? 'good' : 'bad'">
            <FigureButton :figure="r.chanceFigure" :name="`chance of the link to ${unitName(r.to)}`">
              margin {{ shown(r.marginDb, 1) }} dB · confidence {{ percent(r.chance) }} · target
              {{ percent(r.target) }}
            </FigureButton>
          </span>
          <FigureButton v-else :figure="r.chanceFigure" name="cable length"
            >{{ r.medium === "POWER_LINE" || r.medium === "INFRARED" ? "carries over" : "cable" }}
            {{ length(r.distanceM ?? 0, 1) }}</FigureButton
          >
          <template v-if="r.medium === 'CONTACT'">
            <EditField
              label="On its input"
              numeric
              optional
              placeholder="not said"
              :value="plan.links[r.link]?.input"
              :save="(v: number | null) => putLink(r.link, 'input', v, `input for ${unitName(r.from)}`)"
            />
            <label class="field">
              With others on it
              <select
                :value="plan.links[r.link]?.joined ?? ''"
                @change="putLink(r.link, 'joined', choice($event), `wiring of ${unitName(r.from)}`)"
              >
                <option value="">alone there</option>
                <option value="SERIES">in series</option>
                <option value="PARALLEL">in parallel</option>
              </select>
            </label>
          </template>
          <EditField
            v-if="['ETHERNET', 'RS485', 'CONTACT'].includes(r.medium)"
            label="Length by hand, m"
            numeric
            optional
            placeholder="estimate"
            :value="plan.links[r.link]?.lengthM"
            :save="
              (v: number | null) => bench.put(['links', r.link, 'lengthM'], v, `cable of ${unitName(r.from)}`)
            "
          />
          <button type="button" class="plain" @click="remove(r.link)">Remove</button>
        </div>
        <p v-if="darkEnd(r)" class="bad">Without what is out, it carries nothing: {{ darkEnd(r) }}.</p>
        <p v-if="plan.links[r.link]?.why" class="quiet">{{ plan.links[r.link]?.why }}</p>
        <p v-if="r.trouble && r.runs.length" class="quiet">
          As it is nothing arrives. Set alike, it would have this budget:
        </p>
        <template v-for="run in shownRuns(r)" :key="run.from">
          <p v-if="r.runs.length > 1" class="way">
            {{ unitName(run.from) }} → {{ unitName(run.to) }}
            <button type="button" class="plain" @click="turned = !turned">
              {{
                run === worst(r)
                  ? "the worse direction; show the other"
                  : "the better direction; show the worse"
              }}
            </button>
          </p>
          <BudgetStair :run="run" :report="r" :title="`${unitName(run.from)} to ${unitName(run.to)}`" />
        </template>
        <p v-if="r.runs.some((run) => run.budget.steps.some((s) => s.figure.extrapolated))" class="quiet">
          * extrapolated: outside the range that the source states.
        </p>
      </template>
      <p v-if="comparing && !options.length && !trouble" class="quiet" role="status">
        weighing every link that it could have…
      </p>
      <table v-if="comparing && options.length">
        <caption class="unseen">
          Links it could have
        </caption>
        <thead>
          <tr>
            <th>Link</th>
            <th>To</th>
            <th class="number">Margin, dB</th>
            <th class="number" title="that it works at this place; no share of time">Confidence</th>
            <th class="number">Reach, m</th>
            <th>Second path</th>
            <th>Battery</th>
            <th class="number">Cost</th>
            <th>What speaks for or against it</th>
            <th><span class="unseen">Use</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="o in options" :key="o.medium + o.direction" :class="{ chosen: o.best }">
            <td>{{ mediumName(o.medium) }}{{ o.direction === "ONE_WAY" ? ", one way" : "" }}</td>
            <td>{{ o.toName }}</td>
            <td class="number">{{ o.marginDb === null ? "" : shown(o.marginDb, 1) }}</td>
            <td class="number">{{ o.chance === null ? "" : percent(o.chance) }}</td>
            <td class="number">
              <FigureButton v-if="o.reachM !== null" :figure="o.reachFigure" name="reach">{{
                shown(o.reachM, 0)
              }}</FigureButton>
            </td>
            <td>{{ o.secondTo ?? "none" }}</td>
            <td>{{ o.battery }}</td>
            <td class="number">
              <FigureButton :figure="o.costFigure" name="cost">{{ shown(o.cost, 0) }}</FigureButton>
            </td>
            <td>
              <span v-if="o.ruledOut" class="bad">ruled out: {{ o.ruledOut }}</span
              ><span v-else>{{ o.best ? "first choice: " : "" }}{{ o.why }}</span>
            </td>
            <td>
              <button
                type="button"
                class="plain"
                :aria-label="`Use ${mediumName(o.medium)} to ${o.toName}`"
                @click="use(o)"
              >
                Use
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <template v-else>
      <p v-if="Object.keys(plan.units).length === 0" class="quiet">
        No unit yet. Put in a router, a hub and controllers at Controllers; then choose here how they talk.
      </p>
      <div v-else-if="unlinked.length" class="row">
        <span
          ><b>{{ unlinked.length }} without a link:</b> {{ unlinked.map(([, u]) => u.name).join(", ") }}</span
        >
        <button type="button" class="act" @click="chooseForAll">Choose for all of them</button>
      </div>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <p v-if="reports.length" class="quiet">
        Select a unit on the drawing or in the table to see its link as a falling stair, or to choose another.
      </p>
      <DataTable
        v-if="reports.length"
        id="links"
        v-model:chosen="chosen"
        label="All links"
        :rows="reports"
        :key-of="(r: LinkReport) => r.link"
        :name-of="(r: LinkReport) => `${unitName(r.from)} to ${unitName(r.to)}`"
        :columns="columns"
        :current="thingOf(bench.selection)?.[0] === 'links' ? thingOf(bench.selection)![1] : null"
        @open="(id: string) => bench.select(pointer('links', id))"
      >
        <template #margin="{ row: r }">
          <span v-if="r.trouble" class="bad">{{ r.trouble }}</span>
          <FigureButton
            v-else-if="r.marginDb !== null"
            :figure="worst(r).budget.marginFigure"
            :class="{ bad: !r.meets }"
            :name="`margin of ${unitName(r.from)}`"
            >{{ shown(r.marginDb, 1) }}</FigureButton
          >
          <template v-else>{{ wire(r) }}</template>
        </template>
        <template #chance="{ row: r }">
          <FigureButton
            v-if="r.chance !== null && !r.trouble"
            :figure="r.chanceFigure"
            :class="{ bad: !r.meets }"
            :name="`confidence of ${unitName(r.from)}`"
            >{{ percent(r.chance) }}</FigureButton
          >
        </template>
        <template #selected="{ rows: picked, clear }">
          <button type="button" class="soft" @click="removeLinks(picked, clear)">Remove</button>
        </template>
      </DataTable>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.one {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.good {
  color: var(--holds);
  font-weight: 500;
}
.head {
  align-items: center;
}
.head select {
  margin: 0 6px;
}
.way {
  font-weight: 500;
  font-size: 13px;
}
</style>
