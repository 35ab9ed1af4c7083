/** What to do with an answer, or null when there is none. */
type Applied = (() => void) | null;

/**
 * Answers that follow a hand: a few are worked out at a time, so that the next is on its way while one is drawn; of
 * those asked for meanwhile only the newest waits, and an answer older than one that was shown is not shown.
 */
export function newest<T>(work: (item: T, signal: AbortSignal) => Promise<Applied>, atOnce = 2) {
  let asked = 0;
  let shown = 0;
  let next: { item: T } | null = null;
  const under = new Map<number, { item: T; given: AbortController; done: Promise<void> }>();
  let running = 0;
  let idle: (() => void)[] = [];

  async function run(item: T, number: number, signal: AbortSignal) {
    const apply = await work(item, signal).catch(() => null);
    under.delete(number);
    if (signal.aborted) return;
    if (!apply) next = null;
    else if (number > shown) {
      shown = number;
      apply();
    }
  }
  async function go() {
    running++;
    while (next) {
      const now: T = next.item;
      next = null;
      const number = ++asked;
      const given = new AbortController();
      const done = run(now, number, given.signal);
      under.set(number, { item: now, given, done });
      await done;
    }
    running--;
    if (running === 0) {
      idle.forEach((done) => done());
      idle = [];
    }
  }
  return {
    /** Asks for an answer; ends when nothing is being worked out any more. */
    async ask(item: T) {
      next = { item };
      if (running < atOnce) void go();
      if (running > 0) await new Promise<void>((done) => idle.push(done));
    },
    /** Drops what waits and what is on its way, but for what is kept; ends when that has been answered. */
    async drop(kept?: T) {
      next = null;
      const all = [...under.values()];
      all.filter((one) => one.item !== kept).forEach((one) => one.given.abort());
      await Promise.all(all.filter((one) => one.item === kept).map((one) => one.done));
    },
  };
}
