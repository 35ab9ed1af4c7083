import { healthy } from "../api/client";

const EVERY_MS = 2000;
let waiting: (() => void)[] = [];
let timer: ReturnType<typeof setTimeout> | null = null;

async function look() {
  timer = null;
  if (await healthy()) {
    const all = waiting;
    waiting = [];
    all.forEach((then) => then());
  } else if (waiting.length) {
    timer = setTimeout(() => void look(), EVERY_MS);
  }
}

/** Does something once the server and its database answer again; each thing once, however often it is asked for. */
export function whenBack(then: () => void): void {
  if (!waiting.includes(then)) waiting.push(then);
  timer ??= setTimeout(() => void look(), EVERY_MS);
}

/** No longer waits with this, or with anything. */
export function forgetBack(then?: () => void): void {
  waiting = then ? waiting.filter((other) => other !== then) : [];
  if (waiting.length === 0 && timer !== null) {
    clearTimeout(timer);
    timer = null;
  }
}
