import { shallowRef, watch, type Ref } from "vue";
import { useBench } from "../plan/store";

/** A report of the plan, fetched when the view opens and again after every edit. */
export function useReport<T>(fetchIt: (id: string) => Promise<T>): Ref<T | null> {
  const bench = useBench();
  const report = shallowRef<T | null>(null) as Ref<T | null>;
  watch(
    () => [bench.id, bench.revision, bench.backs] as const,
    ([id, revision]) =>
      bench.guarded(async () => {
        const got = await fetchIt(id);
        if (bench.revision === revision) report.value = got;
      }),
    { immediate: true },
  );
  return report;
}
