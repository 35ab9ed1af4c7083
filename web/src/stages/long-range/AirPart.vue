<script setup lang="ts">
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { usePlanQuery } from "../../app/useQuery";
import { lasting, percent, shown } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** All long-range and sub-GHz senders of the plan together, by sub-band. */
const bench = useBench();
const { answer: bands, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/long-range/air", { params: { path: { id } }, signal })),
);
const lengthOf = (s: Schemas["Sender"], all: Schemas["Sender"][]) => {
  const shortest = Math.min(...all.filter((o) => o.offsetS !== null).map((o) => o.intervalS ?? Infinity));
  return {
    left: ((s.offsetS ?? 0) / shortest) * 100,
    width: Math.max(0.6, (s.airtimeMs * s.tries) / 10 / shortest),
  };
};
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="panel-body">
    <p v-if="bands && !bands.length" class="quiet">
      Nothing sends over long range or below 1 GHz yet. Give units such radios at Controllers, and say what
      they send at Messages.
    </p>
    <section v-for="b in bands ?? []" :key="b.band">
      <h3>{{ b.band }}</h3>
      <p class="quiet">{{ b.limit }}</p>
      <table>
        <caption class="unseen">
          Senders in
          {{
            b.band
          }}
        </caption>
        <thead>
          <tr>
            <th>Sender</th>
            <th>Setting</th>
            <th class="number">A message</th>
            <th class="number">Every</th>
            <th class="number">On air</th>
            <th class="number">At most every</th>
            <th class="number">Meets no other</th>
            <th class="number">With all tries</th>
            <th class="number">Begins at</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in b.senders" :key="s.unit + s.medium">
            <td>
              <button type="button" class="plain" @click="bench.select(pointer('units', s.unit))">
                {{ s.name }}
              </button>
              <span v-for="x in s.broken" :key="x" class="bad block">{{ x }}</span>
              <span v-for="x in s.unknown" :key="x" class="quiet block">{{ x }}</span>
            </td>
            <td>{{ s.settings }}</td>
            <td class="number">
              <FigureButton :figure="s.airtimeFigure" :name="`Time on air of ${s.name}`"
                >{{ shown(s.airtimeMs, 0) }} ms</FigureButton
              >{{ s.tries > 1 ? ` × ${s.tries}` : ""
              }}<span class="quiet block">{{ s.assumed ? "about " : "" }}{{ s.bytes }} bytes</span>
            </td>
            <td class="number">{{ s.intervalS === null ? "on events" : lasting(s.intervalS) }}</td>
            <td class="number">
              {{ s.dutyPercent === null ? "" : `${shown(s.dutyPercent, s.dutyPercent < 0.1 ? 3 : 2)} %` }}
            </td>
            <td class="number">
              <FigureButton
                v-if="s.leastIntervalS !== null"
                :figure="s.intervalFigure"
                :name="`Least lawful interval of ${s.name}`"
                >{{ lasting(s.leastIntervalS) }}</FigureButton
              >
            </td>
            <td class="number">
              <FigureButton :figure="s.figure" :name="`Collisions of ${s.name}`">{{
                s.overload ? "overload" : percent(s.frameSuccess)
              }}</FigureButton>
              <span class="quiet block">{{ s.rivals }} on it</span>
            </td>
            <td class="number">{{ s.overload ? "" : percent(s.delivery) }}</td>
            <td class="number">{{ s.offsetS === null ? "" : `+${lasting(s.offsetS)}` }}</td>
          </tr>
        </tbody>
      </table>
      <div v-if="b.senders.some((s) => s.offsetS !== null)" class="turns">
        <p class="quiet">Taking turns in the shortest interval, so that no two meet:</p>
        <div v-for="s in b.senders.filter((x) => x.offsetS !== null)" :key="s.unit" class="turn">
          <span>{{ s.name }}</span>
          <span class="lane"
            ><i
              :style="{ left: `${lengthOf(s, b.senders).left}%`, width: `${lengthOf(s, b.senders).width}%` }"
            ></i
          ></span>
        </div>
      </div>
    </section>
    <p class="quiet">
      Chirp frames of another spreading factor or frequency count as no collision; gateways' answers are not
      counted. Limits are an aid with a date: check with your regulator.
    </p>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.block {
  display: block;
  font-size: 13px;
}
.turn {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 8px;
  font-size: 13px;
}
.lane {
  position: relative;
  border-bottom: 1px solid var(--hair-strong);
  height: 14px;
}
.lane i {
  position: absolute;
  top: 3px;
  bottom: 0;
  background: var(--signal);
}
</style>
