import { useRouter } from "vue-router";
import { stageOf } from "./stages";
import { useBench } from "./store";

/** Goes to a stage of the open plan, to one of its parts, or to a thing on it; what is supposed gone stays so. */
export function useGo() {
  const router = useRouter();
  const bench = useBench();
  return (stage: string, to: { part?: string; select?: string } = {}) => {
    const query = { ...router.currentRoute.value.query };
    delete query.part;
    if (to.select) bench.select(to.select);
    bench.nextPart = to.part ?? null;
    if (stageOf(router.currentRoute.value.params.stage) === stage) {
      if (to.part) bench.part = to.part;
    } else void router.push({ path: `/plans/${bench.id}/${stage}`, query });
  };
}
