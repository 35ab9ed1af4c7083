<script setup lang="ts">
import { computed, onUnmounted, watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { usePlanQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { removed, replaced } from "../../plan/patch";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { useRulesView } from "./view";

/** What motion sensors, beams and cameras see, drawn on the plan, and which ways into the house nobody watches. */
const bench = useBench();
const view = useRulesView();
const plan = computed(() => bench.plan!);
const { answer: sights, trouble } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/rules/sights", { params: { path: { id } }, signal })),
);
watch(sights, (now) => (view.sights = now?.sensors ?? []));
onUnmounted(() => (view.sights = []));
type Sight = Schemas["Sight"];
/** A beginning by kind, to be changed to what the sheet of the part says. */
const USUAL: Record<string, Sight> = {
  MOTION: { rangeM: 8, angleDeg: 110, towardsDeg: 0 },
  BEAM: { rangeM: 10, angleDeg: 6, towardsDeg: 0 },
  CAMERA: { rangeM: 15, angleDeg: 90, towardsDeg: 0 },
};
const sensors = computed(() =>
  Object.entries(plan.value.devices)
    .filter(([, d]) => d.kind in USUAL)
    .sort(([, a], [, b]) => a.name.localeCompare(b.name, undefined, { numeric: true })),
);
const area = (id: string) => sights.value?.sensors.find((s) => s.device === id)?.areaM2;
const put = (id: string, sight: Sight | null) =>
  bench.edit(
    sight ? [replaced(["devices", id, "sight"], sight)] : [removed("devices", id, "sight")],
    `sight of ${plan.value.devices[id]!.name}`,
  );
const change = (id: string, said: Partial<Sight>) => put(id, { ...plan.value.devices[id]!.sight!, ...said });
const works = (id: string, said: { holdS: number | null } | { warmUpS: number | null }) => {
  const device = plan.value.devices[id]!;
  return bench.edit(
    [replaced(["devices", id, "works"], { ...device.works, ...said })],
    `how ${device.name} works`,
  );
};
const called = (o: Schemas["OutsideOpening"]) =>
  `${plan.value.openings[o.opening]?.kind.toLowerCase() ?? "opening"} of ${plan.value.rooms[o.room]?.name ?? o.room}`;
const names = (ids: string[]) => ids.map((id) => plan.value.devices[id]?.name ?? id).join(", ");
const openings = computed(() =>
  [...(sights.value?.openings ?? [])].sort(
    (a, b) =>
      Number(a.high) - Number(b.high) ||
      Number(a.seenBy.length + a.toldBy.length > 0) - Number(b.seenBy.length + b.toldBy.length > 0) ||
      called(a).localeCompare(called(b)),
  ),
);
const watched = (o: Schemas["OutsideOpening"]) => o.seenBy.length + o.toldBy.length > 0;
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="trouble" />
    <p v-if="!sensors.length" class="quiet">There is no motion sensor, beam or camera in the plan yet.</p>
    <section v-for="[id, d] in sensors" :key="id" class="sensor" :aria-label="d.name">
      <div class="head">
        <button type="button" class="plain" @click="bench.select(pointer('devices', id))">
          {{ d.name }}
        </button>
        <span v-if="d.sight" class="quiet">{{
          area(id) === undefined ? "it has no place yet" : `sees ${shown(area(id)!, 0)} m²`
        }}</span>
        <button
          v-if="d.sight"
          type="button"
          class="plain"
          :aria-label="`clear what ${d.name} sees`"
          @click="put(id, null)"
        >
          clear
        </button>
        <button
          v-else
          type="button"
          class="plain"
          :aria-label="`Say what it sees: ${d.name}`"
          @click="put(id, USUAL[d.kind]!)"
        >
          Say what it sees
        </button>
      </div>
      <div class="row">
        <template v-if="d.sight">
          <EditField
            label="Range, m"
            numeric
            :value="d.sight.rangeM"
            :save="(v: number) => change(id, { rangeM: v })"
          />
          <EditField
            label="Angle, °"
            numeric
            :value="d.sight.angleDeg"
            :save="(v: number) => change(id, { angleDeg: v })"
          />
          <EditField
            label="Towards, °"
            numeric
            :value="d.sight.towardsDeg"
            :save="(v: number) => change(id, { towardsDeg: v })"
          />
        </template>
        <EditField
          label="Holds, s"
          numeric
          optional
          :value="d.works?.holdS ?? null"
          :save="(v: number | null) => works(id, { holdS: v })"
        />
        <EditField
          label="Warms up, s"
          numeric
          optional
          :value="d.works?.warmUpS ?? null"
          :save="(v: number | null) => works(id, { warmUpS: v })"
        />
      </div>
    </section>
    <p v-if="sensors.length" class="quiet">
      Towards counts clockwise from the top of the drawing. Walls and shut doors end what is seen; cameras see
      through plain glass, motion sensors do not. While a sensor warms up after the mains is back, rules pass
      over what it says.
    </p>
    <table v-if="openings.length">
      <caption>
        Ways into the house
      </caption>
      <thead>
        <tr>
          <th>Opening</th>
          <th>Seen by</th>
          <th>Told by</th>
          <th>Watched</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="o in openings" :key="o.opening">
          <th scope="row">
            <button type="button" class="plain" @click="bench.select(pointer('openings', o.opening))">
              {{ called(o) }}
            </button>
          </th>
          <td>{{ names(o.seenBy) || "–" }}</td>
          <td>{{ names(o.toldBy) || "–" }}</td>
          <td :class="{ bad: !watched(o) && !o.high }">
            {{ watched(o) ? "yes" : o.high ? "no, high up" : "no" }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
<style scoped>
.sensor {
  border-top: 1px solid var(--hair);
  padding-top: 6px;
}
.head {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.row :deep(input) {
  width: 84px;
}
caption,
th,
th button {
  text-align: left;
}
caption {
  font-weight: 600;
}
</style>
