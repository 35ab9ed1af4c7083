import { useBroadcastChannel, useEventListener, useIntervalFn } from "@vueuse/core";
import { watch } from "vue";
import type { PlanState } from "../api/client";
import { useBench } from "./store";

const EVERY_MS = 8000;

/**
 * Learns of edits that others make to the open plan: at once from other windows of this browser, within seconds from
 * anywhere else. Nothing is taken in while something of one's own is under way; what is being typed stays as typed.
 */
export function useOthers(): void {
  const bench = useBench();
  const { post, data, isSupported } = useBroadcastChannel<
    { id: string; revision: number },
    { id: string; revision: number }
  >({ name: "skelto.plans" });
  let looking = false;

  const idle = () =>
    bench.plan !== null &&
    bench.saving === "safe" &&
    bench.unsaved.length === 0 &&
    bench.stale === null &&
    bench.dragOps === null &&
    bench.dragged === null;

  async function look() {
    if (looking || document.hidden || !idle()) return;
    looking = true;
    const [id, tag] = [bench.id, bench.tag()];
    try {
      const response = await globalThis.fetch(`/api/plans/${id}`, { headers: { "If-None-Match": tag } });
      if (response.status !== 200) return;
      const state = (await response.json()) as PlanState;
      if (bench.id === id && state.revision > bench.revision && idle()) await bench.takeOthers(state);
    } catch {
      // whoever edits is told; looking again comes by itself
    } finally {
      looking = false;
    }
  }
  watch(
    () => bench.revision,
    (revision) => {
      if (isSupported.value && revision > 0) post({ id: bench.id, revision });
    },
  );
  watch(data, (told) => {
    if (told && told.id === bench.id && told.revision > bench.revision) void look();
  });
  useIntervalFn(() => void look(), EVERY_MS);
  useEventListener(window, "focus", () => void look());
  useEventListener(document, "visibilitychange", () => void look());
}
