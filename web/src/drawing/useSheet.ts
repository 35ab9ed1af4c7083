import { useEventListener } from "@vueuse/core";
import { computed, onBeforeUnmount, onMounted, ref, type Ref } from "vue";
import type { Assessment, Plan } from "../api/client";

export interface Box {
  west: number;
  south: number;
  east: number;
  north: number;
}

const MARGIN_PX = { left: 60, right: 56, top: 46, bottom: 34 };

/** What a sheet shows, in site metres: one floor with some air around it, or the whole site. */
export function extent(plan: Plan, assessment: Assessment | null, floor: string): Box {
  const points: [number, number][] = [];
  for (const room of Object.values(plan.rooms)) {
    if (floor !== "site" && room.floor !== floor) continue;
    const building = plan.buildings[plan.floors[room.floor]!.building]!;
    for (const c of room.corners) points.push([building.xM + c.xM, building.yM + c.yM]);
  }
  if (floor === "site") {
    for (const spot of Object.values(plan.spots)) points.push([spot.xM, spot.yM]);
    for (const b of Object.values(plan.buildings)) points.push([b.xM, b.yM]);
  }
  for (const p of Object.values(assessment?.positions ?? {})) {
    if (floor === "site" || p.floor === floor) points.push([p.xM, p.yM]);
  }
  if (points.length === 0) {
    const building = plan.buildings[plan.floors[floor]?.building ?? ""];
    return {
      west: building?.xM ?? 0,
      south: building?.yM ?? 0,
      east: (building?.xM ?? 0) + 12,
      north: (building?.yM ?? 0) + 9,
    };
  }
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  return { west: Math.min(...xs), south: Math.min(...ys), east: Math.max(...xs), north: Math.max(...ys) };
}

/** The scale that fits a box of metres into an element, and the ways between metres and pixels. */
export function useSheet(element: Ref<HTMLElement | null>, box: Ref<Box>) {
  const width = ref(780);
  const height = ref(420);
  let observer: ResizeObserver | null = null;
  onMounted(() => {
    if (!element.value || typeof ResizeObserver === "undefined") return;
    observer = new ResizeObserver(([entry]) => {
      width.value = Math.max(200, entry!.contentRect.width);
      height.value = Math.max(160, entry!.contentRect.height);
    });
    observer.observe(element.value);
  });
  onBeforeUnmount(() => observer?.disconnect());

  /** How far the person has zoomed in, and moved the sheet, in pixels. */
  const zoom = ref(1);
  const pan = ref<[number, number]>([0, 0]);
  function fit() {
    zoom.value = 1;
    pan.value = [0, 0];
  }
  /** Zooms so that the point under the hand stays under it. */
  function zoomAt(x: number, y: number, factor: number) {
    const next = Math.min(40, Math.max(0.5, zoom.value * factor));
    const [mx, my] = metres(x, y);
    zoom.value = next;
    pan.value = [pan.value[0] + x - px(mx), pan.value[1] + y - py(my)];
  }

  /** Two fingers: the sheet follows them. */
  let fingers: { x: number; y: number; apart: number } | null = null;
  function pinched(event: TouchEvent) {
    if (event.touches.length !== 2 || !element.value) {
      fingers = null;
      return;
    }
    event.preventDefault();
    const frame = element.value.getBoundingClientRect();
    const [a, b] = [event.touches[0]!, event.touches[1]!];
    const now = {
      x: (a.clientX + b.clientX) / 2 - frame.left,
      y: (a.clientY + b.clientY) / 2 - frame.top,
      apart: Math.max(10, Math.hypot(a.clientX - b.clientX, a.clientY - b.clientY)),
    };
    if (fingers) {
      pan.value = [pan.value[0] + now.x - fingers.x, pan.value[1] + now.y - fingers.y];
      zoomAt(now.x, now.y, now.apart / fingers.apart);
    }
    fingers = now;
  }
  useEventListener(element, "touchstart", pinched, { passive: false });
  useEventListener(element, "touchmove", pinched, { passive: false });
  useEventListener(element, "touchend", () => (fingers = null));

  /** Keys on the sheet itself: plus and minus zoom, arrows move it, 0 fits it in. */
  function keysOnSheet(event: KeyboardEvent) {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey || event.altKey) return;
    const by: Record<string, [number, number]> = {
      ArrowLeft: [60, 0],
      ArrowRight: [-60, 0],
      ArrowUp: [0, 60],
      ArrowDown: [0, -60],
    };
    const step = by[event.key];
    if (step) pan.value = [pan.value[0] + step[0], pan.value[1] + step[1]];
    else if (event.key === "+" || event.key === "=") zoomAt(width.value / 2, height.value / 2, 1.4);
    else if (event.key === "-") zoomAt(width.value / 2, height.value / 2, 1 / 1.4);
    else if (event.key === "0") fit();
    else return;
    event.preventDefault();
  }

  const fitted = computed(() => {
    const across = Math.max(0.5, box.value.east - box.value.west);
    const up = Math.max(0.5, box.value.north - box.value.south);
    return Math.min(
      (width.value - MARGIN_PX.left - MARGIN_PX.right) / across,
      (height.value - MARGIN_PX.top - MARGIN_PX.bottom) / up,
    );
  });
  const scale = computed(() => fitted.value * zoom.value);
  const left = computed(() => {
    const used = (box.value.east - box.value.west) * scale.value;
    return MARGIN_PX.left + (width.value - MARGIN_PX.left - MARGIN_PX.right - used) / 2;
  });
  const px = (xM: number) => pan.value[0] + left.value + (xM - box.value.west) * scale.value;
  const py = (yM: number) => pan.value[1] + MARGIN_PX.top + (box.value.north - yM) * scale.value;
  const metres = (x: number, y: number): [number, number] => [
    box.value.west + (x - pan.value[0] - left.value) / scale.value,
    box.value.north - (y - pan.value[1] - MARGIN_PX.top) / scale.value,
  ];
  return { width, height, scale, px, py, metres, zoom, pan, zoomAt, fit, keysOnSheet };
}

/** The length of a scale bar: the largest of 1, 2, 5 × 10ⁿ metres under so many pixels. */
export function barLength(scale: number, mostPx: number): number {
  const most = mostPx / scale;
  const power = 10 ** Math.floor(Math.log10(most));
  return ([5, 2, 1].find((n) => n * power <= most) ?? 1) * power;
}
