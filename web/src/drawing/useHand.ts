import { added } from "../plan/patch";
import { computed, ref, type Ref } from "vue";
import type { Op } from "../api/client";
import { freeId, nameAt, pointer } from "../plan/pointers";
import { useBench } from "../plan/store";
import { useLength } from "../app/useLength";
import { cornerMoved, moved, placedAt, roomMoved, snapped } from "./moves";
import type { useSheet } from "./useSheet";

type Grip =
  | { kind: "thing"; path: string }
  | { kind: "room"; id: string; from: [number, number] }
  | { kind: "corner"; id: string; corner: number }
  | { kind: "sheet"; from: [number, number] }
  | { kind: "new"; from: [number, number] };

interface Reach {
  svg: Ref<SVGSVGElement | null>;
  floor: Ref<string>;
  stage: () => string;
  drawing: () => boolean;
  drawn: () => void;
  sheet: Pick<ReturnType<typeof useSheet>, "scale" | "px" | "py" | "metres" | "pan">;
}

/** Dragging and nudging on the drawing: the figures follow as previews, the drop is the edit. */
export function useHand({ svg, floor, stage, drawing, drawn, sheet }: Reach) {
  const bench = useBench();
  const lengths = useLength();
  let grip: Grip | null = null;
  let ops: Op[] = [];
  let start: [number, number] = [0, 0];
  const ghost = ref<{ x: number; y: number; w: number; h: number; text: string } | null>(null);

  const canMove = computed(() => ["site", "devices", "controllers", "links"].includes(stage()));
  const snap = (value: number, event: { shiftKey: boolean }) =>
    event.shiftKey ? Math.round(value * 100) / 100 : Math.round(value * 10) / 10;

  function where(event: PointerEvent): [number, number] {
    const area = svg.value!.getBoundingClientRect();
    return sheet.metres(event.clientX - area.left, event.clientY - area.top);
  }

  function take(event: PointerEvent, next: Grip) {
    if (event.button !== 0) return;
    event.stopPropagation();
    start = [event.clientX, event.clientY];
    grip = next;
    ops = [];
    svg.value!.setPointerCapture(event.pointerId);
  }

  function takeThing(event: PointerEvent, path: string) {
    bench.select(path);
    if (canMove.value && floor.value !== "site") take(event, { kind: "thing", path });
  }

  function takeRoom(event: PointerEvent, id: string) {
    if (drawing()) return takeBlank(event);
    if (stage() === "site" && floor.value !== "site") {
      take(event, { kind: "room", id, from: where(event) });
    }
  }

  function takeBlank(event: PointerEvent) {
    if (drawing() && floor.value !== "site") {
      const [x, y] = where(event);
      take(event, { kind: "new", from: [snap(x, event), snap(y, event)] });
    } else {
      bench.select(null);
      take(event, { kind: "sheet", from: [...sheet.pan.value] });
    }
  }

  function drag(event: PointerEvent) {
    if (!grip || Math.hypot(event.clientX - start[0], event.clientY - start[1]) < 4) return;
    if (grip.kind === "sheet") {
      const [x0, y0] = grip.from;
      sheet.pan.value = [x0 + event.clientX - start[0], y0 + event.clientY - start[1]];
      return;
    }
    const [x, y] = where(event);
    if (grip.kind === "new") {
      const [x0, y0] = grip.from;
      const [x1, y1] = [snap(x, event), snap(y, event)];
      ghost.value = {
        x: sheet.px(Math.min(x0, x1)),
        y: sheet.py(Math.max(y0, y1)),
        w: Math.abs(x1 - x0) * sheet.scale.value,
        h: Math.abs(y1 - y0) * sheet.scale.value,
        text: lengths.size(Math.abs(x1 - x0), Math.abs(y1 - y0)),
      };
      ops = newRoom(x0, y0, x1, y1);
      return;
    }
    const stored = bench.plan!;
    if (grip.kind === "thing") ops = placedAt(stored, grip.path, snap(x, event), snap(y, event), floor.value);
    else if (grip.kind === "room") {
      ops = roomMoved(stored, grip.id, snap(x - grip.from[0], event), snap(y - grip.from[1], event));
    } else ops = cornerTo(stored, grip, x, y, event);
    if (ops.length) void bench.preview(ops);
  }

  /** A dragged corner snaps to others; with Shift it goes to the centimetre, with Alt it leaves its neighbours behind. */
  function cornerTo(
    plan: NonNullable<typeof bench.plan>,
    held: Extract<Grip, { kind: "corner" }>,
    x: number,
    y: number,
    event: PointerEvent,
  ): Op[] {
    const building = plan.buildings[plan.floors[floor.value]!.building]!;
    const [bx, by] = [snap(x - building.xM, event), snap(y - building.yM, event)];
    const at = event.shiftKey ? [bx, by] : snapped(plan, held.id, held.corner, bx, by);
    return cornerMoved(plan, held.id, held.corner, at[0]!, at[1]!, event.altKey);
  }

  function newRoom(x0: number, y0: number, x1: number, y1: number): Op[] {
    if (Math.abs(x1 - x0) < 0.3 || Math.abs(y1 - y0) < 0.3) return [];
    const stored = bench.plan!;
    const building = stored.buildings[stored.floors[floor.value]!.building]!;
    const number = Object.keys(stored.rooms).length + 1;
    return [
      added(["rooms", freeId(`room ${number}`, stored.rooms)], {
        floor: floor.value,
        name: `Room ${number}`,
        corners: [
          [Math.min(x0, x1), Math.min(y0, y1)],
          [Math.max(x0, x1), Math.min(y0, y1)],
          [Math.max(x0, x1), Math.max(y0, y1)],
          [Math.min(x0, x1), Math.max(y0, y1)],
        ].map(([cx, cy]) => ({ xM: cm(cx! - building.xM), yM: cm(cy! - building.yM) })),
        walls: null,
        clutter: "FURNISHED",
      }),
    ];
  }
  const cm = (value: number) => Math.round(value * 100) / 100;

  async function drop() {
    const held = grip;
    grip = null;
    ghost.value = null;
    bench.endPreview(held && held.kind !== "new" && ops.length ? ops : undefined);
    if (!held) return;
    if (held.kind === "room" && ops.length === 0) bench.select(pointer("rooms", held.id));
    if (ops.length === 0 || held.kind === "sheet") return;
    const done = ops;
    ops = [];
    if (held.kind === "new") {
      drawn();
      if (await bench.edit(done, "draw a room")) bench.select(done[0]!.path);
    } else {
      const path = held.kind === "thing" ? held.path : pointer("rooms", held.id);
      const verb = held.kind === "corner" ? "corner of" : "move of";
      await bench.edit(done, `${verb} ${nameAt(bench.plan!, path)}`);
    }
  }

  function nudge(event: KeyboardEvent, path: string) {
    const step = event.shiftKey ? 0.01 : 0.1;
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    };
    if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      bench.select(path);
      return;
    }
    const delta = by[event.key];
    if (!delta || !canMove.value) return;
    event.preventDefault();
    const change = moved(bench.plan!, path, delta[0], delta[1]);
    if (change.length) void bench.edit(change, `move of ${nameAt(bench.plan!, path)}`);
  }

  const takeCorner = (event: PointerEvent, id: string, corner: number) =>
    take(event, { kind: "corner", id, corner });

  return { ghost, takeThing, takeRoom, takeCorner, takeBlank, drag, drop, nudge };
}
