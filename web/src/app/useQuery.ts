import { ref, shallowRef, watch, type Ref } from "vue";
import { useBench } from "../plan/store";

/**
 * An answer of the server to a question that changes: asked anew whenever the question, the plan or its revision does,
 * and when the server comes back. A question that is overtaken by a newer one is aborted and its answer dropped;
 * nothing is asked while there is no question. What goes wrong is told by `trouble`, for the place that asked.
 */
export function useQuery<Q, T>(
  question: () => Q | null,
  ask: (question: Q, signal: AbortSignal) => Promise<T>,
) {
  const bench = useBench();
  const answer = shallowRef<T | null>(null) as Ref<T | null>;
  /** The question that the answer is to: until the newest is answered, an older one. */
  const of = shallowRef<Q | null>(null) as Ref<Q | null>;
  const trouble = ref<string | null>(null);
  const working = ref(false);
  let asking = new AbortController();

  async function again() {
    const asked = question();
    asking.abort();
    const mine = (asking = new AbortController());
    let got: T | null = null;
    let why: string | null = null;
    working.value = asked !== null;
    try {
      got = asked === null ? null : await ask(asked, mine.signal);
    } catch (e) {
      why = e instanceof Error ? e.message : String(e);
    }
    if (mine !== asking) return;
    answer.value = got;
    of.value = asked;
    trouble.value = why;
    working.value = false;
  }
  watch(
    [() => JSON.stringify(question()), () => bench.id, () => bench.revision, () => bench.backs],
    () => void again(),
    { immediate: true },
  );
  return { answer, of, trouble, working, again };
}

/** The same where the plan itself is all that is asked about. */
export const usePlanQuery = <T>(ask: (id: string, signal: AbortSignal) => Promise<T>) =>
  useQuery(() => useBench().id || null, ask);
