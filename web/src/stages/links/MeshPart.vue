<script setup lang="ts">
import { computed } from "vue";
import { shown } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { useLinksLoad, useLinksView } from "./view";

/** How messages travel in each mesh: routes, hops, weakest hop, and whose loss cuts others off. */
const bench = useBench();
const view = useLinksView();
useLinksLoad();
const name = (id: string) => bench.plan!.units[id]?.name ?? id;
const medium = (id: string) => bench.catalog!.media.find((m) => m.id === id)?.name ?? id;
const meshes = computed(() => view.meshes);
</script>

<template>
  <div class="panel-body">
    <p v-if="!meshes.length" class="quiet">
      No unit has a mesh radio. Give units one at Controllers; units with mains pass messages on, units on
      batteries never do.
    </p>
    <section v-for="m in meshes" :key="m.medium">
      <h3>{{ medium(m.medium) }}</h3>
      <p class="quiet">
        A pair counts when both directions have the margin of a routine link. Only units with mains pass
        messages on; plan for {{ m.mostHops }} hops at most.
      </p>
      <table>
        <caption class="unseen">
          Routes of
          {{
            medium(m.medium)
          }}
        </caption>
        <thead>
          <tr>
            <th>Unit</th>
            <th>Route</th>
            <th class="number">Hops</th>
            <th class="number">Weakest hop, dB</th>
            <th class="number">Separate routes</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="n in m.nodes.filter((x) => !x.gateway)" :key="n.unit">
            <td>
              <button type="button" class="plain" @click="bench.select(pointer('units', n.unit))">
                {{ name(n.unit) }}
              </button>
              <span class="quiet">{{ n.repeats ? " passes on" : " sleeps" }}</span>
            </td>
            <td v-if="n.route.length">→ {{ n.route.slice(1).map(name).join(" → ") }}</td>
            <td v-else class="bad">no route to a gateway</td>
            <td class="number" :class="{ bad: n.route.length - 1 > m.mostHops }">
              {{ Math.max(0, n.route.length - 1) || "" }}
            </td>
            <td class="number">{{ n.bottleneckDb === null ? "" : shown(n.bottleneckDb, 1) }}</td>
            <td class="number">{{ n.disjoint || "" }}</td>
          </tr>
        </tbody>
      </table>
      <p v-for="c in m.cuts" :key="c.unit">
        Without <b>{{ name(c.unit) }}</b>, {{ c.loses.map(name).join(", ") }}
        {{ c.loses.length === 1 ? "has" : "have" }} no route.
      </p>
      <p v-if="!m.cuts.length" class="quiet">No single unit cuts others off.</p>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
