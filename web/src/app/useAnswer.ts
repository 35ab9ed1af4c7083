import { ref, shallowRef, watch, type Ref } from "vue";
import { useBench } from "../plan/store";

/**
 * An answer of the server to a question that changes: asked anew whenever it or the plan does. An answer that was
 * overtaken by a newer question is not shown; nothing is asked while there is no question.
 */
export function useAnswer<Q, T>(question: () => Q | null, ask: (question: Q) => Promise<T>) {
  const bench = useBench();
  const answer = shallowRef<T | null>(null) as Ref<T | null>;
  /** The question that the answer is to: until the newest is answered, an older one. */
  const of = shallowRef<Q | null>(null) as Ref<Q | null>;
  const trouble = ref<string | null>(null);
  const working = ref(false);
  let newest = 0;

  async function again() {
    const asked = question();
    const number = ++newest;
    let got: T | null = null;
    let why: string | null = null;
    working.value = asked !== null;
    try {
      got = asked === null ? null : await ask(asked);
    } catch (e) {
      why = e instanceof Error ? e.message : String(e);
    }
    if (number !== newest) return;
    answer.value = got;
    of.value = asked;
    trouble.value = why;
    working.value = false;
  }
  watch([question, () => bench.id, () => bench.revision, () => bench.backs], again, { immediate: true });
  return { answer, of, trouble, working, again };
}
