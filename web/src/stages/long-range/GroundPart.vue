<script setup lang="ts">
import { replaced } from "../../plan/patch";
import { computed, ref } from "vue";
import { answer, api, type Op, type Schemas } from "../../api/client";
import { shown, words } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { sendBytes, useFar } from "./far";

/** The grid of heights around the site, and the region's table of limits. */
const bench = useBench();
const far = useFar();
const trouble = ref<string | null>(null);
const told = ref<string | null>(null);
const ground = computed(() => far.overview?.ground ?? null);
async function take(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  trouble.value = null;
  told.value = null;
  const got = await sendBytes<Schemas["GroundInfo"]>(
    `/api/plans/${bench.id}/ground?name=${encodeURIComponent(file.name)}`,
    "PUT",
    file,
  );
  if (got.trouble) trouble.value = `${file.name}: ${got.trouble}`;
  else {
    told.value = `${got.body!.columns} × ${got.body!.rows} heights taken in${
      got.body!.filled ? `, ${got.body!.filled} missing ones filled from their neighbours` : ""
    }.`;
    await far.load();
  }
  input.value = "";
}
/** Paths that were cut out of the grid that was there before, and what they would be now. */
const cut = computed(() =>
  Object.entries(bench.plan!.paths).filter(([, p]) => p.source === "grid of heights"),
);
async function cutAnew() {
  await bench.guarded(async () => {
    const taken = await answer(
      api.POST("/api/plans/{id}/ground/profiles", {
        params: { path: { id: bench.id }, query: { anew: true } },
      }),
    );
    const ops = cut.value.flatMap(([id, old]): Op[] => {
      const now = taken.find((t) => t.path.from === old.from && t.path.to === old.to)?.path.profile;
      return now ? [replaced(["paths", id, "profile"], now)] : [];
    });
    const beyond = cut.value.length - ops.length;
    if (ops.length) await bench.edit(ops, "ground of the paths from the new grid");
    told.value = `${ops.length} cut out anew${beyond ? `, ${beyond} reach beyond this grid and keep theirs` : ""}.`;
  });
}
async function remove() {
  await bench.guarded(async () => {
    await answer(api.DELETE("/api/plans/{id}/ground", { params: { path: { id: bench.id } } }));
    told.value = "The grid of heights was removed. Paths keep their ground.";
    await far.load();
  });
}
const band = (r: Schemas["BandLimit"]) => `${r.fromMHz} to ${r.toMHz} MHz`;
const conditions = (r: Schemas["BandLimit"]) =>
  [
    r.leastBandwidthKHz > 0 ? `from ${r.leastBandwidthKHz} kHz wide` : "",
    r.mostBandwidthKHz !== null ? `up to ${r.mostBandwidthKHz} kHz wide` : "",
    r.leastChannels > 1 ? `hopping over ${r.leastChannels} channels` : "",
    r.use === "CONTROL" ? "commands and events only" : r.use === "PERIODIC" ? "reports at intervals" : "",
  ]
    .filter(Boolean)
    .join(", ");
const onAir = (r: Schemas["BandLimit"]) =>
  [
    r.dutyPercent === null
      ? "not in this table: cannot be judged"
      : r.dutyPercent >= 100
        ? "none stated"
        : `${r.dutyPercent} %`,
    r.mostOnMs !== null ? `at most ${r.mostOnMs} ms at a stretch` : "",
    r.restS !== null ? `then silent ${r.restTimes} times as long, at least ${r.restS} s` : "",
  ]
    .filter(Boolean)
    .join(", ");
</script>

<template>
  <div class="panel-body">
    <section class="inspect">
      <h3>Heights around the site</h3>
      <p v-if="ground">
        {{ ground.name }}: {{ ground.columns }} × {{ ground.rows }} heights from
        {{ shown(ground.lowestM, 1) }} to {{ shown(ground.highestM, 1) }} m<template
          v-if="ground.westM !== null"
          >, {{ shown((ground.eastM! - ground.westM) / 1000, 2) }} km east to west and
          {{ shown((ground.northM! - ground.southM!) / 1000, 2) }} km north to south</template
        ><template v-else>; it is in degrees, and the site has no latitude and longitude yet</template>.
      </p>
      <p v-else class="quiet">
        None yet. With a grid of heights the ground between any two units is there at once, and the map shows
        who is heard where.
      </p>
      <div class="row">
        <label class="field">
          ASCII grid (.asc) or HGT tile (.hgt)
          <input type="file" accept=".asc,.txt,.hgt" @change="take" />
        </label>
        <button v-if="ground && cut.length" type="button" class="soft" @click="cutAnew">
          Cut {{ cut.length === 1 ? "one path" : `${cut.length} paths` }} out of it anew
        </button>
        <a v-if="ground" :href="`/api/plans/${bench.id}/ground/file`">Save as ASCII grid</a>
        <button v-if="ground" type="button" class="plain" @click="remove">Remove</button>
      </div>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <p v-if="told" role="status">{{ told }}</p>
    </section>
    <section v-if="far.overview">
      <h3>Limits in {{ far.overview.law.region }}, table of {{ far.overview.law.date }}</h3>
      <p class="bad">{{ far.overview.law.advice }}</p>
      <table>
        <caption class="unseen">
          Limits by band
        </caption>
        <thead>
          <tr>
            <th>Band</th>
            <th>Radios</th>
            <th class="number">Power</th>
            <th>Time on air</th>
            <th>Only if</th>
            <th>Source</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, i) in far.overview.law.rows" :key="i">
            <td>{{ band(r) }}</td>
            <td>{{ r.media.map((m) => bench.catalog!.media.find((x) => x.id === m)?.name).join(", ") }}</td>
            <td class="number">
              {{ shown(r.limitDbm, 1) }} dBm {{ r.kind === "CONDUCTED" ? words(r.kind) : r.kind }}
            </td>
            <td>{{ onAir(r) }}</td>
            <td>{{ conditions(r) }}</td>
            <td class="quiet">{{ r.source }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">The region is chosen with the site; when it changes, every link is judged anew.</p>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
