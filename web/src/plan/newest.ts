/** Runs one piece of work at a time; of those asked for meanwhile only the newest waits. */
export function newest<T>(work: (item: T) => Promise<boolean>) {
  let running = false;
  let next: { item: T } | null = null;
  return {
    /** Asks for work; when a piece fails, what waits behind it is dropped. */
    async ask(item: T) {
      next = { item };
      if (running) return;
      running = true;
      while (next) {
        const now: T = next.item;
        next = null;
        if (!(await work(now).catch(() => false))) next = null;
      }
      running = false;
    },
    /** Drops what waits. */
    drop() {
      next = null;
    },
  };
}
