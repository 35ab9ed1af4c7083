<script setup lang="ts">
import { added, removed, replaced, type FieldOf, type ValueOf } from "../../plan/patch";
import { computed, onMounted, reactive } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Op } from "../../api/client";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import { usePlanQuery } from "../../app/useQuery";
import { choice, text } from "../../app/typed";
import { percent, shown } from "../../drawing/marks";
import { freeId } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { alone } from "../../plan/units";
import { useParts } from "./parts";

/** Wall boxes and enclosures: what is in them, whether it fits, stays cool and is kept apart. */
const bench = useBench();
const parts = useParts();
onMounted(() => void parts.load());
const plan = computed(() => bench.plan!);
const { answer: fits, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/housings", { params: { path: { id } }, signal })),
);
const kinds = computed(() => parts.all.filter((p) => p.kind === "WALL_BOX" || p.kind === "ENCLOSURE"));
const fresh = reactive({ name: "", part: "" });
const ticked = (event: Event) => (event.target as HTMLInputElement).checked;
const inside = (id: string) => Object.entries(plan.value.units).filter(([, u]) => u.housing === id);
const outside = computed(() => Object.entries(plan.value.units).filter(([, u]) => !u.housing && !alone(u)));
async function add() {
  const id = freeId(fresh.name, plan.value.housings);
  const value = { name: fresh.name, part: fresh.part || null, closed: false, riseK: null };
  if (await bench.edit([added(["housings", id], value)], `add ${fresh.name}`)) fresh.name = "";
}
function remove(id: string) {
  const ops: Op[] = inside(id).map(([unit]) => replaced(["units", unit, "housing"], null));
  void bench.edit([...ops, removed("housings", id)], `remove ${plan.value.housings[id]!.name}`);
}
function mount(id: string, event: Event) {
  const unit = text(event);
  (event.target as HTMLSelectElement).value = "";
  if (unit) void bench.put(["units", unit, "housing"], id, `mount ${plan.value.units[unit]!.name}`);
}
const put = <F extends FieldOf<"housings">>(id: string, field: F, value: ValueOf<"housings", F>) =>
  bench.put<["housings", string, F]>(
    ["housings", id, field],
    value,
    `${field} of ${plan.value.housings[id]!.name}`,
  );
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="panel-body">
    <form class="row" @submit.prevent="add">
      <label class="field grow"
        >Name<input v-model="fresh.name" required maxlength="120" placeholder="box behind the hall switch"
      /></label>
      <label class="field">
        Box
        <select v-model="fresh.part">
          <option value="">not chosen</option>
          <option v-for="p in kinds" :key="p.id" :value="p.id">{{ p.name }}</option>
        </select>
      </label>
      <button type="submit" class="act">Add box</button>
    </form>
    <p v-if="!Object.keys(plan.housings).length" class="quiet">
      No box yet. Add a wall box or an enclosure and mount units in it: its depth, its heat and whether mains
      and low voltage meet are looked at.
    </p>
    <section v-for="(h, id) in plan.housings" :key="id" class="inspect" :aria-label="h.name">
      <div class="row">
        <EditField label="Name" :value="h.name" :save="(v: string) => put(String(id), 'name', v)" />
        <label class="field">
          Box
          <select :value="h.part ?? ''" @change="put(String(id), 'part', choice($event))">
            <option value="">not chosen</option>
            <option v-for="p in kinds" :key="p.id" :value="p.id">{{ p.name }}</option>
          </select>
        </label>
        <EditField
          label="Measured rise, K"
          numeric
          optional
          placeholder="reckoned"
          :value="h.riseK"
          :save="(v: number | null) => put(String(id), 'riseK', v)"
        />
        <label class="tick"
          ><input type="checkbox" :checked="h.closed" @change="put(String(id), 'closed', ticked($event))" />
          out of reach once the wall is closed</label
        >
        <label class="field">
          Mount a unit
          <select value="" @change="mount(String(id), $event)">
            <option value="">choose…</option>
            <option v-for="[unit, u] in outside" :key="unit" :value="unit">{{ u.name }}</option>
          </select>
        </label>
        <button type="button" class="soft" @click="remove(String(id))">Remove box</button>
      </div>
      <p>
        <span v-if="!inside(String(id)).length" class="quiet">Nothing is in it.</span>
        <span v-for="[unit, u] in inside(String(id))" :key="unit" class="in">
          {{ u.name }}
          <button
            type="button"
            class="plain"
            :aria-label="`Take out ${u.name}`"
            @click="bench.put(['units', unit, 'housing'], null, `take ${u.name} out`)"
          >
            Take out
          </button>
        </span>
      </p>
      <template v-if="fits?.[id]">
        <p>
          <template v-if="fits[id].wallBox">
            <span :class="{ bad: fits[id].stackMm > fits[id].depthMm }"
              >Stack {{ shown(fits[id].stackMm, 0) }} mm with wires</span
            >, {{ shown(fits[id].depthMm, 0) }} mm deep
          </template>
          <span v-else-if="fits[id].depthMm" :class="{ bad: fits[id].filled > 0.7 }"
            >{{ percent(fits[id].filled) }} of its floor taken</span
          >
          · inside
          <FigureButton :figure="fits[id].heat" :name="`Heat in ${h.name}`"
            ><span :class="{ bad: fits[id].insideC > 50 }"
              >{{ shown(fits[id].insideC, 0) }} °C</span
            ></FigureButton
          >
          ({{ shown(fits[id].heatW, 1) }} W) ·
          <span :class="{ bad: fits[id].mains && fits[id].low && !fits[id].separated }">{{
            fits[id].mains && fits[id].low
              ? fits[id].separated
                ? "mains and low voltage, in two halves"
                : "mains and low voltage together"
              : fits[id].mains
                ? "mains only"
                : "low voltage only"
          }}</span>
        </p>
        <p class="quiet">{{ fits[id].parts.join(" · ") }}</p>
      </template>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.in {
  margin-right: 14px;
}
</style>
