<script setup lang="ts">
import { computed, ref, watch } from "vue";
import type { Plan, Unit } from "../api/client";
import { nameAt, pointer, thingOf } from "../plan/pointers";
import { useLength } from "../app/useLength";
import { useBench } from "../plan/store";
import CoverageLines from "../coverage/CoverageLines.vue";
import CoverageShade from "../coverage/CoverageShade.vue";
import { useCoverage } from "../coverage/store";
import Hatches from "./Hatches.vue";
import { placeLabels, roomSpot, type Line, type Wanted } from "./labels";
import { shown, STATE_WORDS, UNIT_WORDS, words } from "./marks";
import { areaOf, boundsOf, middleOf } from "./outline";
import RulesOverlay from "../stages/rules/RulesOverlay.vue";
import Overlay from "./Overlay.vue";
import DoorLayer from "./DoorLayer.vue";
import ReliefLayer from "./ReliefLayer.vue";
import SiteLayer from "./SiteLayer.vue";
import RoomHandles from "./RoomHandles.vue";
import { useHand } from "./useHand";
import DeviceMark from "./DeviceMark.vue";
import UnitMark from "./UnitMark.vue";
import WallLayer from "./WallLayer.vue";
import { extent, useSheet } from "./useSheet";

const props = defineProps<{ stage: string; drawing: boolean }>();
const emit = defineEmits<{ drawn: []; draw: [] }>();
const bench = useBench();
const lengths = useLength();
const element = ref<HTMLElement | null>(null);
const svg = ref<SVGSVGElement | null>(null);

const plan = computed(() => bench.shownPlan!);
/** Where the pointed antennas of a unit point, degrees from north. */
const facing = (unit: Unit) => [
  ...new Set(Object.values(unit.radios).flatMap((r) => (r.beam ? [r.beam.facingDeg] : []))),
];
const floor = computed(() => bench.floor ?? "site");
const box = computed(() => extent(bench.plan!, bench.assessment, floor.value));
const { width, height, scale, px, py, metres, zoom, pan, zoomAt, fit, keysOnSheet } = useSheet(element, box);
const coverage = useCoverage();

const rooms = computed(() =>
  Object.entries(plan.value.rooms)
    .filter(([, room]) => floor.value === "site" || room.floor === floor.value)
    .map(([id, room]) => {
      const building = plan.value.buildings[plan.value.floors[room.floor]!.building]!;
      const box = boundsOf(room.corners);
      const middle = middleOf(room.corners);
      const points = room.corners.map((c) => [px(building.xM + c.xM), py(building.yM + c.yM)]);
      return {
        id,
        path: pointer("rooms", id),
        room,
        points,
        outline: points.map((p) => p.join(",")).join(" "),
        x: px(building.xM + box.west),
        y: py(building.yM + box.north),
        w: (box.east - box.west) * scale.value,
        h: (box.north - box.south) * scale.value,
        cx: px(building.xM + middle[0]),
        cy: py(building.yM + middle[1]),
        size:
          room.corners.length === 4
            ? lengths.size(box.east - box.west, box.north - box.south)
            : `${shown(areaOf(room.corners), 1)} m²`,
      };
    }),
);

interface Thing {
  path: string;
  id: string;
  name: string;
  x: number;
  y: number;
  unit: boolean;
  title: string;
}

const things = computed<Thing[]>(() => {
  const all: Thing[] = [];
  for (const [path, at] of Object.entries(bench.shown?.positions ?? {})) {
    if (floor.value !== "site" && at.floor !== floor.value) continue;
    if (floor.value === "site" && at.floor !== null && !isOutpost(at.xM, at.yM)) continue;
    const [map, id] = thingOf(path)!;
    // for a moment after an edit the figures are those of the plan before it
    if (!(id in plan.value[map as "units"])) continue;
    const unit = map === "units" ? plan.value.units[id] : undefined;
    if (unit?.kind === "SELF_CONTAINED" && devicesOf(id)) continue;
    const name = nameAt(plan.value, path);
    const state = bench.shown?.states[id];
    const trouble = bench.shown?.troubles[id];
    const title = unit
      ? `${name}, ${UNIT_WORDS[unit.kind]}${trouble ? `, ${trouble.dark ? "dark" : "cut off"}: ${trouble.why}` : ""}`
      : `${name}, ${words(plan.value.devices[id]!.kind)}: ${state ? STATE_WORDS[state.state] : ""}`;
    all.push({ path, id, name, x: px(at.xM), y: py(at.yM), unit: map === "units", title });
  }
  return all;
});

/** On the site sheet only what stands apart is drawn; what is inside a large building has its floor's sheet. */
function isOutpost(xM: number, yM: number): boolean {
  return scale.value > 4 || (px(xM) > 0 && !near(xM, yM));
}
function near(xM: number, yM: number): boolean {
  const largest = Object.entries(plan.value.buildings).sort((a, b) => roomsIn(b[0]) - roomsIn(a[0]))[0]?.[1];
  return !!largest && Math.hypot(xM - largest.xM, yM - largest.yM) < 60 / scale.value;
}
const roomsIn = (building: string) =>
  Object.values(plan.value.rooms).filter((r) => plan.value.floors[r.floor]?.building === building).length;
const devicesOf = (unit: string) => Object.values(plan.value.devices).some((d) => d.unit === unit);

const selected = computed(() => {
  const path = bench.selection;
  const thing = thingOf(path);
  if (thing?.[0] !== "devices") return path;
  return path;
});
/** Room names stand where no mark is over them, as near to the middle as may be; their size is left out where it has no room. */
const roomNames = computed(() =>
  floor.value === "site"
    ? []
    : rooms.value
        .filter((r) => r.w > 50 && r.h > 24)
        .map((r) => {
          const text = [r.room.name, r.w > 70 && r.h > 44 ? r.size : ""];
          const spot = roomSpot(r, text, things.value);
          return { id: r.id, room: r.room, x: spot.x, y: spot.y, size: spot.sized ? text[1] : "" };
        }),
);
const labels = computed(() => {
  const largestFirst = [...buildings.value].sort((a, b) => roomsIn(b.id) - roomsIn(a.id));
  const grounds: Wanted[] = [...largestFirst, ...spots.value].map((b) => ({
    id: b.path,
    x: b.x,
    y: b.y,
    text: b.name,
  }));
  // among readings only the transmitters are named
  const named = things.value.filter((t) => bench.part !== "walk" || props.stage !== "links" || t.unit);
  const marks: Wanted[] = named
    .map((t) => ({ id: t.path, x: t.x, y: t.y, text: t.name, must: t.path === selected.value }))
    .sort((a, b) => Number(b.id === selected.value) - Number(a.id === selected.value));
  const wanted = [...grounds, ...marks];
  const names = roomNames.value.map((r) => ({
    left: r.x - 45,
    right: r.x + 45,
    top: r.y - 13,
    bottom: r.y + 18,
  }));
  const walls: Line[] =
    floor.value === "site"
      ? []
      : (bench.shown?.walls ?? [])
          .filter((w) => w.floor === floor.value)
          .map((w) => [
            px(w.axM),
            py(w.ayM),
            px(w.bxM),
            py(w.byM),
            (bench.construction(w.construction)?.thicknessM ?? 0) * scale.value,
          ]);
  return placeLabels(wanted, width.value, names, walls);
});

const lines = computed(() => {
  const far = props.stage === "long-range" && floor.value === "site";
  if (props.stage !== "links" && props.stage !== "outages" && !far) return [];
  const positions = bench.shown?.positions ?? {};
  return Object.entries(plan.value.links).flatMap(([id, link]) => {
    const a = positions[pointer("units", link.from)];
    const b = positions[pointer("units", link.to)];
    if (!a || !b) return [];
    const here =
      floor.value === "site" ? a.floor !== b.floor : a.floor === floor.value || b.floor === floor.value;
    if (!here) return [];
    const report = bench.shown?.links[id];
    return [
      {
        id,
        path: pointer("links", id),
        x1: px(a.xM),
        y1: py(a.yM),
        x2: px(b.xM),
        y2: py(b.yM),
        cable: link.medium === "ETHERNET",
        bad: !report?.meets,
        dark: [link.from, link.to].some((end) => bench.shown?.troubles[end]?.dark),
        away: floor.value !== "site" && (a.floor !== floor.value || b.floor !== floor.value),
        chosen: selected.value === pointer("links", id) || selected.value === pointer("units", link.from),
      },
    ];
  });
});

/** The routes of the way that is open at Outages, as far as they are on this floor. */
const routed = computed(() =>
  props.stage !== "outages"
    ? []
    : [
        ...bench.secondRoute.map((leg) => ({ ...leg, second: true })),
        ...bench.route.map((leg) => ({ ...leg, second: false })),
      ].flatMap(({ from, to, second }) => {
        const a = bench.shown?.positions[pointer("units", from)];
        const b = bench.shown?.positions[pointer("units", to)];
        const here = a && b && (floor.value === "site" || a.floor === floor.value || b.floor === floor.value);
        return here ? [{ d: `M${px(a.xM)} ${py(a.yM)}L${px(b.xM)} ${py(b.yM)}`, second }] : [];
      }),
);

const buildings = computed(() =>
  floor.value === "site"
    ? Object.entries(plan.value.buildings).map(([id, b]) => ({
        id,
        path: pointer("buildings", id),
        name: b.name,
        x: px(b.xM),
        y: py(b.yM),
      }))
    : [],
);
const spots = computed(() =>
  floor.value === "site"
    ? Object.entries(plan.value.spots).map(([id, s]) => ({
        id,
        path: pointer("spots", id),
        name: s.name,
        x: px(s.xM),
        y: py(s.yM),
      }))
    : [],
);
const bar = computed(() => lengths.bar(scale.value, 120));
const overall = computed(() =>
  rooms.value.length && floor.value !== "site" ? extent(onlyRooms(), null, floor.value) : null,
);
const onlyRooms = () => ({ ...plan.value, spots: {} }) as Plan;

const { ghost, takeThing, takeRoom, takeCorner, takeBlank, drag, drop, nudge } = useHand({
  svg,
  floor,
  stage: () => props.stage,
  drawing: () => props.drawing,
  drawn: () => emit("drawn"),
  sheet: { scale, px, py, metres, pan },
});

/** The picture under the drawing; its size in pixels is learned when it loads. */
const sizes = ref<Record<string, [number, number]>>({});
const underlay = computed(() => {
  const under = props.stage === "site" ? plan.value.floors[floor.value]?.underlay : null;
  if (!under || under.fade === 0) return null;
  const size = sizes.value[under.picture];
  const href = `/api/plans/${bench.id}/pictures/${under.picture}`;
  if (!size) {
    const image = new Image();
    image.onload = () => (sizes.value[under.picture] = [image.naturalWidth, image.naturalHeight]);
    image.src = href;
    return null;
  }
  const building = plan.value.buildings[plan.value.floors[floor.value]!.building]!;
  const [w, h] = [size[0] * under.metresPerPixel, size[1] * under.metresPerPixel];
  return {
    href,
    x: px(building.xM + under.xM),
    y: py(building.yM + under.yM + h),
    w: w * scale.value,
    h: h * scale.value,
    fade: under.fade,
  };
});
function mark(event: PointerEvent) {
  if (!bench.marking) return;
  event.stopPropagation();
  if (bench.measured.length >= 2) bench.measured = [];
  bench.measured.push(metres(...at(event)));
}

const mapped = computed(() => props.stage === "links" && floor.value !== "site" && !!coverage.shown);
function at(event: MouseEvent): [number, number] {
  const area = svg.value!.getBoundingClientRect();
  return [event.clientX - area.left, event.clientY - area.top];
}
function over(event: PointerEvent) {
  if (mapped.value) coverage.cursor = metres(...at(event));
}
function wheel(event: WheelEvent) {
  zoomAt(...at(event), Math.exp(-event.deltaY * (event.ctrlKey ? 0.01 : 0.0016)));
}
watch(floor, fit);

const handle = computed(() => {
  const thing = thingOf(bench.selection);
  if (props.stage !== "site" || thing?.[0] !== "rooms") return null;
  return rooms.value.find((r) => r.id === thing[1]) ?? null;
});
</script>

<template>
  <div ref="element" class="sheet">
    <CoverageShade v-if="mapped" :px="px" :py="py" :scale="scale" />
    <svg
      ref="svg"
      :width="width"
      :height="height"
      :class="{ drawing }"
      role="group"
      :aria-label="`Drawing of ${floor === 'site' ? 'the site' : plan.floors[floor]?.name}`"
      tabindex="0"
      @pointerdown.capture="mark"
      @pointerdown="takeBlank"
      @pointermove="(over($event), drag($event))"
      @pointerleave="coverage.cursor = null"
      @keydown="keysOnSheet"
      @wheel.prevent="wheel"
      @pointerup="drop"
      @pointercancel="drop"
    >
      <Hatches />
      <image
        v-if="underlay"
        :href="underlay.href"
        :x="underlay.x"
        :y="underlay.y"
        :width="underlay.w"
        :height="underlay.h"
        :opacity="underlay.fade"
        preserveAspectRatio="none"
      />
      <g v-for="r in rooms" :key="r.id">
        <polygon
          :points="r.outline"
          class="room"
          :class="{
            chosen: selected === r.path,
            movable: stage === 'site',
            clear: mapped || underlay,
          }"
          :tabindex="stage === 'site' && floor !== 'site' ? 0 : undefined"
          :role="stage === 'site' && floor !== 'site' ? 'button' : undefined"
          :aria-label="stage === 'site' && floor !== 'site' ? `Room ${r.room.name}` : undefined"
          @pointerdown="takeRoom($event, r.id)"
          @keydown="nudge($event, r.path)"
        />
      </g>
      <CoverageLines v-if="mapped" :px="px" :py="py" />
      <ReliefLayer v-if="floor === 'site'" :px="px" :py="py" />
      <WallLayer :floor="floor" :px="px" :py="py" :scale="scale" />
      <g v-if="overall" class="dimension">
        <path
          :d="`M${px(overall.west)} ${py(overall.north) - 26}H${px(overall.east)}M${px(overall.west)} ${py(overall.north) - 31}v10M${px(overall.east)} ${py(overall.north) - 31}v10`"
        />
        <text :x="(px(overall.west) + px(overall.east)) / 2" :y="py(overall.north) - 30" text-anchor="middle">
          {{ lengths.length(overall.east - overall.west) }}
        </text>
        <path
          :d="`M${px(overall.west) - 28} ${py(overall.north)}V${py(overall.south)}M${px(overall.west) - 33} ${py(overall.north)}h10M${px(overall.west) - 33} ${py(overall.south)}h10`"
        />
        <text
          :transform="`translate(${px(overall.west) - 33} ${(py(overall.north) + py(overall.south)) / 2}) rotate(-90)`"
          text-anchor="middle"
        >
          {{ lengths.length(overall.north - overall.south) }}
        </text>
      </g>
      <g class="roomnames" aria-hidden="true">
        <g v-for="r in roomNames" :key="r.id">
          <text :x="r.x" :y="r.y" class="halo name">{{ r.room.name }}</text>
          <text v-if="r.size" :x="r.x" :y="r.y + 14" class="halo size">{{ r.size }}</text>
        </g>
      </g>
      <g v-for="l in lines" :key="l.id">
        <path
          :d="`M${l.x1} ${l.y1}L${l.x2} ${l.y2}`"
          class="link"
          :class="{ cable: l.cable, bad: l.bad, dark: l.dark, away: l.away, chosen: l.chosen }"
        />
        <path :d="`M${l.x1} ${l.y1}L${l.x2} ${l.y2}`" class="grab" @pointerdown.stop="bench.select(l.path)" />
      </g>
      <path
        v-for="(leg, i) in routed"
        :key="`route-${i}`"
        :d="leg.d"
        class="routed"
        :class="{ second: leg.second }"
      />
      <g v-for="b in buildings" :key="`b-${b.id}`">
        <rect :x="b.x - 4" :y="b.y - 4" width="8" height="8" class="house" />
      </g>
      <g v-for="s in spots" :key="`s-${s.id}`">
        <path :d="`M${s.x - 5} ${s.y}H${s.x + 5}M${s.x} ${s.y - 5}V${s.y + 5}`" class="spot" />
      </g>
      <g aria-hidden="true">
        <path
          v-for="l in labels.filter((label) => label.led)"
          :key="`to-${l.id}`"
          :d="`M${l.x} ${l.y}L${l.tx} ${l.ty - 4}`"
          class="leader"
        />
      </g>
      <g
        v-for="t in things"
        :key="t.path"
        :transform="`translate(${t.x} ${t.y})`"
        class="thing"
        tabindex="0"
        role="button"
        :aria-label="t.title"
        :aria-pressed="selected === t.path"
        @pointerdown="takeThing($event, t.path)"
        @keydown="nudge($event, t.path)"
      >
        <title>{{ t.title }}</title>
        <circle r="12" class="halo-ring" :class="{ chosen: selected === t.path }" />
        <UnitMark
          v-if="t.unit"
          :kind="plan.units[t.id]!.kind"
          :dark="bench.shown?.troubles[t.id]?.dark"
          :cut="!!bench.shown?.troubles[t.id]"
          :facing="facing(plan.units[t.id]!)"
        />
        <DeviceMark
          v-else
          :kind="plan.devices[t.id]!.kind"
          :state="bench.shown?.states[t.id]?.state ?? 'HOLDS'"
        />
      </g>
      <g aria-hidden="true">
        <text
          v-for="l in labels"
          :key="l.id"
          :x="l.tx"
          :y="l.ty"
          :text-anchor="l.anchor"
          class="halo label"
          :class="{ unit: l.id.startsWith('/units'), ground: /^.(buildings|spots)/.test(l.id) }"
        >
          <title v-if="l.folded">{{ l.folded.join(", ") }}</title>
          {{ l.text }}
        </text>
      </g>
      <SiteLayer
        v-if="floor !== 'site'"
        :floor="floor"
        :stage="stage"
        :px="px"
        :py="py"
        :scale="scale"
        @take="takeThing"
        @nudge="nudge"
      />
      <Overlay v-if="stage === 'links' && floor !== 'site'" :floor="floor" :px="px" :py="py" />
      <DoorLayer v-if="bench.doors.length" :floor="floor" :px="px" :py="py" />
      <RulesOverlay v-if="stage === 'rules' && floor !== 'site'" :floor="floor" :px="px" :py="py" />
      <RoomHandles
        v-if="handle"
        :room="handle"
        @take="(event, corner) => takeCorner(event, handle!.id, corner)"
      />
      <g v-if="ghost" class="ghost">
        <rect :x="ghost.x" :y="ghost.y" :width="ghost.w" :height="ghost.h" />
        <text :x="ghost.x + ghost.w / 2" :y="ghost.y + ghost.h / 2" text-anchor="middle">
          {{ ghost.text }}
        </text>
      </g>
      <g v-for="(m, i) in bench.measured" :key="`m-${i}`" class="mark">
        <path :d="`M${px(m[0]) - 8} ${py(m[1])}h16M${px(m[0])} ${py(m[1]) - 8}v16`" />
      </g>
      <g class="north" :transform="`translate(${width - 26} 30)`" aria-hidden="true">
        <path d="M0 -16L6 6L0 2L-6 6Z" />
        <text y="20" text-anchor="middle">N</text>
      </g>
      <g class="bar" :transform="`translate(14 ${height - 12})`" aria-hidden="true">
        <path :d="`M0 -5V0H${bar.px}V-5M${bar.px / 2} -3V0`" />
        <text :x="bar.px + 6" y="2">{{ bar.text }}</text>
      </g>
    </svg>
    <div class="zoom" role="group" aria-label="Sheet">
      <button
        v-if="stage === 'site' && floor !== 'site'"
        type="button"
        :aria-pressed="drawing"
        @click="emit('draw')"
      >
        {{ drawing ? "Drag on the sheet…" : "Draw a room" }}
      </button>
      <button type="button" aria-label="Zoom in" @click="zoomAt(width / 2, height / 2, 1.4)">+</button>
      <button type="button" aria-label="Zoom out" @click="zoomAt(width / 2, height / 2, 1 / 1.4)">−</button>
      <button v-if="zoom !== 1 || pan[0] !== 0 || pan[1] !== 0" type="button" @click="fit">Fit</button>
    </div>
    <p v-if="rooms.length === 0 && floor !== 'site'" class="empty">
      This floor is empty. Type a room below, such as <b>kitchen 4.2x3.6 @ 0,0 brick</b>, or press “Draw a
      room” and drag on the sheet.
    </p>
  </div>
</template>

<style scoped src="./drawing.css"></style>
