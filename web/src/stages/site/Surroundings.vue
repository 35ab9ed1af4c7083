<script setup lang="ts">
import { added, removed } from "../../plan/patch";
import { computed, reactive } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Plan } from "../../api/client";
import { usePlanQuery } from "../../app/useQuery";
import EditField from "../../app/EditField.vue";
import { text } from "../../app/typed";
import { REGIONS } from "../../plan/regions";
import { freeId, pointer } from "../../plan/pointers";
import { command } from "../../plan/commands";
import { useBench } from "../../plan/store";

/** What the site as a whole says of itself: region, mains, place on earth, buildings and outdoor spots. */
const bench = useBench();
const plan = computed(() => bench.plan!);

type Ground = "buildings" | "spots";
const entries = computed(() => [
  ...Object.entries(plan.value.buildings).map(([id, b]) => ({ map: "buildings" as Ground, id, ...b })),
  ...Object.entries(plan.value.spots).map(([id, s]) => ({ map: "spots" as Ground, id, ...s })),
]);
const AXES = { xM: "East, m", yM: "North, m", zM: "Ground, m" } as const;
const holdsFloors = (id: string) => Object.values(plan.value.floors).some((f) => f.building === id);

const setPlace = (field: "latitudeDeg" | "longitudeDeg", value: number) =>
  bench.put(
    ["place"],
    { latitudeDeg: 0, longitudeDeg: 0, ...plan.value.place, [field]: value },
    "place on earth",
  );
const { answer: degrees, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/degrees", { params: { path: { id } }, signal })),
);
/** Puts a building or a spot where these degrees say; the metres follow. */
async function byDegrees(path: string, axis: "latitudeDeg" | "longitudeDeg", value: number) {
  let done = false;
  await bench.guarded(async () => {
    const found = await answer(
      api.POST("/api/plans/{id}/placed-by-degrees", {
        params: { path: { id: bench.id } },
        body: { path, place: { ...degrees.value![path]!, [axis]: value } },
      }),
    );
    done = await bench.edit(found.edits, found.label);
  });
  return done;
}
const rename = (map: Ground, id: string, name: string) =>
  bench.put([map, id, "name"], name, `name of ${name}`);
const move = (map: Ground, id: string, axis: keyof typeof AXES, value: number) =>
  bench.put([map, id, axis], value, `place of ${plan.value[map][id]!.name}`);

function remove(map: Ground, id: string) {
  if (map === "spots") void command("remove-ground", { room: null, spot: id });
  else void bench.edit([removed(map, id)], `remove ${plan.value[map][id]!.name}`);
}

const fresh = reactive({ map: "buildings" as Ground, name: "" });
async function add() {
  const id = freeId(fresh.name, plan.value[fresh.map]);
  const value = { name: fresh.name, xM: 0, yM: 0, zM: 0 };
  const what = fresh.map === "spots" ? "spot" : "building";
  if (await bench.edit([added([fresh.map, id], value)], `${what} ${fresh.name}`)) {
    fresh.name = "";
  }
}
const setRegion = (event: Event) =>
  bench.put(["region"], (event.target as HTMLSelectElement).value as Plan["region"], "region");
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="row">
    <label class="field">
      Region, for the radio limits
      <select :value="plan.region" @change="setRegion">
        <option v-for="r in REGIONS" :key="r.id" :value="r.id">{{ r.name }}</option>
      </select>
    </label>
    <EditField
      label="Mains voltage, V"
      numeric
      optional
      :value="plan.mainsVoltageV"
      :save="(v: number | null) => bench.put(['mainsVoltageV'], v, 'mains voltage')"
    />
    <label class="field">
      Lengths and wires
      <select
        :value="plan.measures"
        @change="bench.put(['measures'], text($event) as Plan['measures'], 'measures')"
      >
        <option value="METRIC">metres and mm²</option>
        <option value="FEET">feet, inches and AWG</option>
      </select>
    </label>
    <EditField
      label="Latitude, °"
      numeric
      :value="plan.place?.latitudeDeg"
      :save="(v: number) => setPlace('latitudeDeg', v)"
    />
    <EditField
      label="Longitude, °"
      numeric
      :value="plan.place?.longitudeDeg"
      :save="(v: number) => setPlace('longitudeDeg', v)"
    />
  </div>
  <p class="quiet">
    Radio limits of the table of {{ bench.catalog!.regionTableDate }}; they are law: check with your
    regulator.
  </p>
  <table>
    <caption class="unseen">
      Buildings and outdoor spots
    </caption>
    <thead>
      <tr>
        <th>Building or spot</th>
        <th v-for="(head, axis) in AXES" :key="axis">{{ head }}</th>
        <th>Latitude, °</th>
        <th>Longitude, °</th>
        <th><span class="unseen">Remove</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="e in entries" :key="e.map + e.id">
        <td>
          <EditField
            bare
            :label="`Name of ${e.name}`"
            :value="e.name"
            :save="(v: string) => rename(e.map, e.id, v)"
          />
          <span class="quiet"> {{ e.map === "spots" ? "outdoor spot" : "building" }}</span>
        </td>
        <td v-for="(head, axis) in AXES" :key="axis">
          <EditField
            bare
            numeric
            :label="`${head} of ${e.name}`"
            :value="e[axis]"
            :save="(v: number) => move(e.map, e.id, axis, v)"
          />
        </td>
        <td v-for="axis in ['latitudeDeg', 'longitudeDeg'] as const" :key="axis">
          <EditField
            v-if="degrees?.[pointer(e.map, e.id)]"
            bare
            numeric
            :label="`${axis === 'latitudeDeg' ? 'Latitude' : 'Longitude'} of ${e.name}`"
            :value="Math.round(degrees![pointer(e.map, e.id)]![axis] * 1e6) / 1e6"
            :save="(v: number) => byDegrees(pointer(e.map, e.id), axis, v)"
          />
        </td>
        <td>
          <span v-if="e.map === 'buildings' && holdsFloors(e.id)" class="quiet">has floors</span>
          <button
            v-else
            type="button"
            class="plain"
            :aria-label="`Remove ${e.name}`"
            @click="remove(e.map, e.id)"
          >
            Remove
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <form class="row" @submit.prevent="add">
    <label class="field">
      New
      <select v-model="fresh.map">
        <option value="buildings">building</option>
        <option value="spots">outdoor spot</option>
      </select>
    </label>
    <label class="field">
      Name<input v-model="fresh.name" required maxlength="120" placeholder="turbine hut" />
    </label>
    <button type="submit" class="soft">Add</button>
  </form>
</template>

<style scoped src="../panel.css"></style>
