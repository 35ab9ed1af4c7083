<script setup lang="ts">
import { computed } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api } from "../../api/client";
import { usePlanQuery } from "../../app/useQuery";
import FigureButton from "../../app/FigureButton.vue";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";

/** In which rooms a speaking assistant hears a person. */
const props = defineProps<{ id: string }>();
const bench = useBench();
const { answer: heard, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/hearing", { params: { path: { id } }, signal })),
);
const rooms = computed(() => heard.value?.[props.id] ?? []);
const VOICES = { NORMAL: "normal speech", RAISED: "raised voice", NOT_HEARD: "not heard" } as const;
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <p v-if="!rooms.length" class="quiet">Put it into a room to see where it hears people.</p>
  <table v-else>
    <caption>
      Hears people in
    </caption>
    <thead>
      <tr>
        <th>Room</th>
        <th class="number">Arrives, dB(A)</th>
        <th>Understands</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in rooms" :key="r.room">
        <td>{{ bench.plan!.rooms[r.room]?.name ?? r.room }}</td>
        <td class="number">
          <FigureButton
            :figure="r.figure"
            :name="`speech from ${bench.plan!.rooms[r.room]?.name ?? r.room}`"
            >{{ shown(r.levelDb, 0) }}</FigureButton
          >
        </td>
        <td :class="{ bad: r.voice === 'NOT_HEARD' }">{{ VOICES[r.voice] }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="../panel.css"></style>
