<script setup lang="ts">
import { computed } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api } from "../../api/client";
import { usePlanQuery } from "../../app/useQuery";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import { shown } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** Which rooms hear which alarm or chime, by day and at the pillow. */
const bench = useBench();
const { answer: reports, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/sounds", { params: { path: { id } }, signal })),
);
const list = computed(() =>
  Object.values(reports.value ?? {}).filter((r) => r.device in bench.plan!.devices),
);
const device = (id: string) => bench.plan!.devices[id]!;
const room = (id: string) => bench.plan!.rooms[id]?.name ?? id;
function setSound(id: string, field: "levelDb" | "atM", value: number) {
  const now = device(id).sound ?? { levelDb: 85, atM: 3 };
  return bench.put(["devices", id, "sound"], { ...now, [field]: value }, `loudness of ${device(id).name}`);
}
function ask(id: string, where: string, wanted: boolean) {
  const report = reports.value![id]!;
  const now = device(id).heardIn.length
    ? device(id).heardIn
    : report.rooms.filter((r) => r.asked).map((r) => r.room);
  const next = wanted ? [...now, where] : now.filter((r) => r !== where);
  void bench.put(["devices", id, "heardIn"], [...new Set(next)].sort(), `rooms that hear ${device(id).name}`);
}
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="panel-body">
    <p v-if="!list.length" class="quiet">No siren or chime has a place in a room yet.</p>
    <section v-for="r in list" :key="r.device">
      <div class="row">
        <h3 class="grow">
          <button type="button" class="plain" @click="bench.select(pointer('devices', r.device))">
            {{ device(r.device).name }}
          </button>
          <span class="quiet">
            &nbsp;{{ shown(r.levelDb, 0) }} dB(A) at 1 m{{
              r.assumed ? ", a usual one: nobody said how loud" : ""
            }}</span
          >
        </h3>
        <EditField
          label="Rated, dB(A)"
          numeric
          :value="device(r.device).sound?.levelDb"
          :save="(v: number) => setSound(r.device, 'levelDb', v)"
        />
        <EditField
          label="At, m"
          numeric
          :value="device(r.device).sound?.atM"
          :save="(v: number) => setSound(r.device, 'atM', v)"
        />
      </div>
      <table>
        <caption class="unseen">
          Rooms that hear
          {{
            device(r.device).name
          }}
        </caption>
        <thead>
          <tr>
            <th>Room</th>
            <th>Must hear it</th>
            <th class="number">Arrives, dB(A)</th>
            <th>Through</th>
            <th>By day</th>
            <th>At the pillow</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in r.rooms" :key="s.room">
            <td>{{ room(s.room) }}</td>
            <td>
              <input
                type="checkbox"
                :checked="s.asked"
                :aria-label="`${room(s.room)} must hear ${device(r.device).name}`"
                @change="ask(r.device, s.room, ($event.target as HTMLInputElement).checked)"
              />
            </td>
            <td class="number" :class="{ bad: s.asked && !s.enough }">
              <FigureButton :figure="s.figure" :name="`level in ${room(s.room)}`">{{
                shown(s.levelDb, 0)
              }}</FigureButton>
            </td>
            <td class="quiet">{{ s.through.join(", ") || "nothing" }}</td>
            <td>{{ s.heardByDay ? "heard" : `no, wants ${shown(s.dayNeedDb, 0)}` }}</td>
            <td>{{ s.wakes === null ? "" : s.wakes ? "wakes" : "no, wants 75" }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <p class="quiet">
      An estimate only: 25 dB for a closed door or inner wall, 40 dB for masonry, 30 dB for a floor.
    </p>
  </div>
</template>

<style scoped src="../panel.css"></style>
