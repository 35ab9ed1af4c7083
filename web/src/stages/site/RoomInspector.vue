<script setup lang="ts">
import { removed, type FieldOf, type ValueOf } from "../../plan/patch";
import { computed } from "vue";
import type { Opening, Room } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { text } from "../../app/typed";
import { shown, words } from "../../drawing/marks";
import { areaOf, boundsOf, facing, wallLengths } from "../../drawing/outline";
import { command } from "../../plan/commands";
import { useBench } from "../../plan/store";
import ChoiceBox from "../../table/ChoiceBox.vue";

/** The selected room: what it is, its walls one by one, and the doors and windows in them. */
const props = defineProps<{ id: string; room: Room }>();
const bench = useBench();
const plan = computed(() => bench.plan!);
const fills = computed(() => bench.constructions.filter((c) => !c.slab));
const box = computed(() => boundsOf(props.room.corners));
const lengths = computed(() => wallLengths(props.room));
const CHOICES = {
  use: ["For", ["LIVING", "SLEEPING", "WORK", "WET", "PASSAGE", "STORE"]],
  clutter: ["Filled", ["EMPTY", "FURNISHED", "CROWDED"]],
  exposure: ["Air", ["DRY", "DAMP", "OUTDOOR", "FREEZING"]],
} as const;
const KINDS: Opening["kind"][] = ["DOOR", "WINDOW", "GAP"];
const SIZES = { atM: "From corner, m", widthM: "Width, m", sillM: "Sill, m", headM: "Head, m" } as const;
const openings = computed(() =>
  Object.entries(plan.value.openings)
    .filter(([, o]) => o.room === props.id)
    .sort(([, a], [, b]) => a.wall - b.wall || a.atM - b.atM),
);

const set = <F extends FieldOf<"rooms">>(field: F, value: ValueOf<"rooms", F>) =>
  bench.put<["rooms", string, F]>(["rooms", props.id, field], value, `${words(field)} of ${props.room.name}`);

const setWall = (wall: number, construction: string) =>
  command("set-wall", { room: props.id, wall, construction });
const moveTo = (x: number, y: number) =>
  command("move-room", { room: props.id, eastM: x - box.value.west, northM: y - box.value.south });
const setLength = (wall: number, lengthM: number) =>
  command("set-wall-length", { room: props.id, wall, lengthM });
const addCorner = (wall: number) => command("split-wall", { room: props.id, wall });
const removeCorner = (corner: number) => command("remove-corner", { room: props.id, corner });
const addOpening = (wall: number, kind: Opening["kind"]) =>
  command("add-opening", { room: props.id, wall, kind });
const setOpening = <F extends FieldOf<"openings">>(id: string, field: F, value: ValueOf<"openings", F>) =>
  bench.put<["openings", string, F]>(["openings", id, field], value, `opening in ${props.room.name}`);
const removeOpening = (id: string) =>
  bench.edit([removed("openings", id)], `remove opening in ${props.room.name}`);
const removeRoom = () => command("remove-ground", { room: props.id, spot: null });

/** Units and devices that stand in the room. */
const held = computed(() =>
  [...Object.values(plan.value.units), ...Object.values(plan.value.devices)].some(
    (t) => t.place?.room === props.id,
  ),
);
const ALL = "*";
const others = computed<[string, string][]>(() => {
  const rooms = Object.entries(plan.value.rooms)
    .filter(([id]) => id !== props.id)
    .map(([id, r]): [string, string] => [id, r.name]);
  return rooms.length > 1 ? [...rooms, [ALL, `all ${rooms.length} other rooms`]] : rooms;
});
/** All that is in the room once more in another: names, controllers and wall controls are mapped. */
const copySet = (to: string) =>
  command("copy-room-set", {
    from: props.id,
    to: to === ALL ? others.value.map(([id]) => id).filter((id) => id !== ALL) : [to],
  });
</script>

<template>
  <section class="inspect" aria-label="Selected room">
    <div class="row">
      <h3 class="grow">
        {{ room.name }} <span class="quiet">{{ shown(areaOf(room.corners), 1) }} m²</span>
      </h3>
      <ChoiceBox
        v-if="held && others.length"
        bare
        label="Copy what is in it to"
        value=""
        :choices="others"
        placeholder="copy what is in it to…"
        @choose="copySet"
      />
      <button type="button" class="soft" @click="removeRoom">Remove room</button>
    </div>
    <div class="row">
      <EditField label="Name" :value="room.name" :save="(v: string) => set('name', v)" />
      <EditField label="West edge, m" numeric :value="box.west" :save="(v: number) => moveTo(v, box.south)" />
      <EditField
        label="South edge, m"
        numeric
        :value="box.south"
        :save="(v: number) => moveTo(box.west, v)"
      />
      <label v-for="([head, values], field) in CHOICES" :key="field" class="field">
        {{ head }}
        <select :value="room[field]" @change="set(field, text($event))">
          <option v-for="c in values" :key="c" :value="c">{{ words(c) }}</option>
        </select>
      </label>
    </div>
    <table>
      <caption class="unseen">
        Walls of
        {{
          room.name
        }}
      </caption>
      <thead>
        <tr>
          <th>Wall</th>
          <th>Length, m</th>
          <th>Made of</th>
          <th>Put in</th>
          <th>Corner at its start</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(length, i) in lengths" :key="i">
          <td>{{ i + 1 }}, to the {{ facing(room.corners, i) }}</td>
          <td>
            <EditField
              bare
              numeric
              :label="`Length of wall ${i + 1}, m`"
              :value="Math.round(length * 100) / 100"
              :save="(v: number) => setLength(i, v)"
            />
          </td>
          <td>
            <select
              :value="room.walls[i]"
              :aria-label="`Construction of wall ${i + 1}`"
              @change="setWall(i, text($event))"
            >
              <option v-for="c in fills" :key="c.id" :value="c.id">{{ c.name }}</option>
            </select>
          </td>
          <td>
            <button
              v-for="k in KINDS"
              :key="k"
              type="button"
              class="plain"
              :aria-label="`${words(k)} in wall ${i + 1}`"
              @click="addOpening(i, k)"
            >
              {{ words(k) }}
            </button>
            <button
              type="button"
              class="plain"
              :aria-label="`Corner in the middle of wall ${i + 1}`"
              @click="addCorner(i)"
            >
              corner
            </button>
          </td>
          <td>
            {{ shown(room.corners[i]!.xM, 2) }}, {{ shown(room.corners[i]!.yM, 2) }}
            <button
              v-if="room.corners.length > 3"
              type="button"
              class="plain"
              :aria-label="`Remove corner ${i + 1}`"
              @click="removeCorner(i)"
            >
              remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <table v-if="openings.length">
      <caption class="unseen">
        Doors, windows and gaps
      </caption>
      <thead>
        <tr>
          <th>Opening</th>
          <th v-for="head in SIZES" :key="head">{{ head }}</th>
          <th>Filled with</th>
          <th><span class="unseen">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="([key, o], n) in openings" :key="key">
          <td>{{ words(o.kind) }} in wall {{ o.wall + 1 }}</td>
          <td v-for="(head, f) in SIZES" :key="f">
            <EditField
              bare
              numeric
              :label="`${head} of opening ${n + 1}`"
              :value="o[f]"
              :save="(v: number) => setOpening(key, f, v)"
            />
          </td>
          <td>
            <select
              :value="o.construction"
              :aria-label="`What fills opening ${n + 1}`"
              @change="setOpening(key, 'construction', text($event))"
            >
              <option v-for="c in fills" :key="c.id" :value="c.id">{{ c.name }}</option>
            </select>
          </td>
          <td>
            <button
              type="button"
              class="plain"
              :aria-label="`Remove opening ${n + 1}`"
              @click="removeOpening(key)"
            >
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
td .plain + .plain {
  margin-left: 8px;
}
</style>
