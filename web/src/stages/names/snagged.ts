import { computed } from "vue";
import { useBench } from "../../plan/store";

/** Pointers of all that a snag of this stage is about. */
export function useSnagged() {
  const bench = useBench();
  return computed(
    () =>
      new Set(
        (bench.assessment?.snags ?? [])
          .filter((s) => s.stage === "NAMES" && s.accepted === null)
          .flatMap((s) => s.subjects),
      ),
  );
}
