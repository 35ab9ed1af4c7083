<script setup lang="ts">
import { added, removed, type At, type Keys } from "../../plan/patch";
import { computed, reactive, ref } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Construction } from "../../api/client";
import { usePlanQuery } from "../../app/useQuery";
import EditField from "../../app/EditField.vue";
import { text } from "../../app/typed";
import { shown, words } from "../../drawing/marks";
import { freeId } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** What walls and slabs are made of, what they take from a wave, and the plan's own ones. */
const bench = useBench();
const own = computed(() => bench.plan!.constructions);
const open = ref<string | null>(null);
const BANDS = computed(() => bench.catalog!.bands);
const HATCHES = ["NONE", "MASONRY", "STONE", "BOARD", "TIMBER", "CONCRETE", "GLASS"] as const;

const { answer: losses, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/constructions", { params: { path: { id } }, signal })),
);
const used = computed(() => {
  const ids = new Set(Object.values(bench.plan!.rooms).flatMap((r) => r.walls));
  for (const f of Object.values(bench.plan!.floors)) ids.add(f.slab);
  for (const o of Object.values(bench.plan!.openings)) ids.add(o.construction);
  return ids;
});
const rows = computed(() =>
  bench.constructions
    .map((c) => ({ ...c, own: c.id in own.value, loss: losses.value?.find((l) => l.id === c.id)?.lossDb }))
    .sort(
      (a, b) => Number(b.own) - Number(a.own) || Number(used.value.has(b.id)) - Number(used.value.has(a.id)),
    ),
);

const fresh = reactive({ name: "", from: "brick-110" });
async function add() {
  const like = bench.catalog!.constructions.find((c) => c.id === fresh.from)?.construction;
  const id = freeId(fresh.name, { ...own.value, ...Object.fromEntries(rows.value.map((r) => [r.id, 1])) });
  const value = { ...like, name: fresh.name };
  if (await bench.edit([added(["constructions", id], value)], `wall ${fresh.name}`)) {
    open.value = id;
    fresh.name = "";
  }
}
const chosen = computed<[string, Construction] | null>(() =>
  open.value && open.value in own.value ? [open.value, own.value[open.value]!] : null,
);
const set = <const F extends Keys>(path: F, value: At<["constructions", string, ...F]>) =>
  bench.put<["constructions", string, ...F]>(
    ["constructions", chosen.value![0], ...path],
    value,
    `wall ${chosen.value![1].name}`,
  );
const addLayer = () =>
  bench.edit(
    [
      added(["constructions", chosen.value![0], "layers", "-"], {
        material: "PLASTERBOARD",
        thicknessMm: 12.5,
      }),
    ],
    `layer of ${chosen.value![1].name}`,
  );
const removeLayer = (i: number) =>
  bench.edit(
    [removed("constructions", chosen.value![0], "layers", String(i))],
    `layer of ${chosen.value![1].name}`,
  );
function setMeasured(band: string, value: number | null) {
  const now: Record<string, number> = { ...chosen.value![1].measuredDb };
  if (value === null) delete now[band];
  else now[band] = value;
  return set(["measuredDb"], now);
}
const remove = (id: string) =>
  bench.edit([removed("constructions", id)], `remove wall ${own.value[id]!.name}`);
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="panel-body">
    <section v-if="chosen" class="inspect" :aria-label="`Layers of ${chosen[1].name}`">
      <div class="row">
        <EditField label="Name" :value="chosen[1].name" :save="(v: string) => set(['name'], v)" />
        <label class="field">
          Drawn as
          <select :value="chosen[1].hatch" @change="set(['hatch'], text($event))">
            <option v-for="h in HATCHES" :key="h" :value="h">{{ words(h) }}</option>
          </select>
        </label>
        <label class="field">
          Used for
          <select :value="String(chosen[1].slab)" @change="set(['slab'], text($event) === 'true')">
            <option value="false">walls and openings</option>
            <option value="true">slabs</option>
          </select>
        </label>
        <EditField
          label="Reinforcement, dB"
          numeric
          :value="chosen[1].extraDb"
          :save="(v: number) => set(['extraDb'], v)"
        />
        <button type="button" class="soft" @click="open = null">Done</button>
      </div>
      <div v-for="(layer, i) in chosen[1].layers" :key="i" class="row">
        <label class="field">
          Layer {{ i + 1 }}
          <select :value="layer.material" @change="set(['layers', String(i), 'material'], text($event))">
            <option v-for="m in bench.catalog!.materials" :key="m.id" :value="m.id">
              {{ m.id === "AIR" ? "air gap" : m.id === "METAL" ? "metal or foil" : m.name }}
            </option>
          </select>
        </label>
        <EditField
          label="Thickness, mm"
          numeric
          :value="layer.thicknessMm"
          :save="(v: number) => set(['layers', String(i), 'thicknessMm'], v)"
        />
        <button type="button" class="plain" @click="removeLayer(i)">Remove layer {{ i + 1 }}</button>
      </div>
      <div class="row">
        <button type="button" class="soft" @click="addLayer">Add a layer</button>
        <EditField
          v-for="b in BANDS"
          :key="b.id"
          :label="`Measured, ${b.name}, dB`"
          numeric
          optional
          placeholder="by layers"
          :value="chosen[1].measuredDb[b.id as keyof (typeof chosen)[1]['measuredDb']]"
          :save="(v: number | null) => setMeasured(b.id, v)"
        />
      </div>
      <p class="quiet">A measured loss wins over what follows from the layers.</p>
    </section>
    <table>
      <caption class="unseen">
        Walls and slabs
      </caption>
      <thead>
        <tr>
          <th>Wall or slab</th>
          <th class="number">Thick, mm</th>
          <th v-for="b in BANDS" :key="b.id" class="number">{{ b.name }}, dB</th>
          <th><span class="unseen">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.id" :class="{ chosen: open === r.id }">
          <td>
            {{ r.name }}
            <span class="quiet">{{ r.own ? "own" : used.has(r.id) ? "in use" : "" }}</span>
          </td>
          <td class="number">{{ shown(r.thicknessM * 1000, 0) }}</td>
          <td v-for="b in BANDS" :key="b.id" class="number">
            {{ r.loss ? shown(r.loss[b.id] ?? 0, 1) : "" }}
          </td>
          <td>
            <button
              v-if="r.own"
              type="button"
              class="plain"
              :aria-label="`Change ${r.name}`"
              @click="open = r.id"
            >
              Change
            </button>
            <button
              v-if="r.own && !used.has(r.id)"
              type="button"
              class="plain"
              :aria-label="`Remove ${r.name}`"
              @click="remove(r.id)"
            >
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      Loss of a wave that meets it at right angles (ITU-R P.2040; materials outside their published range are
      extrapolated). On the drawing each ray counts with its own angle.
    </p>
    <form class="row" @submit.prevent="add">
      <label class="field">
        Own wall or slab<input v-model="fresh.name" required maxlength="120" placeholder="old flint wall" />
      </label>
      <label class="field">
        Begin with
        <select v-model="fresh.from">
          <option v-for="c in bench.catalog!.constructions" :key="c.id" :value="c.id">
            {{ c.construction.name }}
          </option>
        </select>
      </label>
      <button type="submit" class="soft">Add</button>
    </form>
  </div>
</template>

<style scoped src="../panel.css"></style>
