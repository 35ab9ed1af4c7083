import { onBeforeUnmount, ref } from "vue";
import { answer, api, type Schemas } from "../api/client";

/** Long work of the server: started, followed by its events, and stopped when the view goes. */
export function useJob<T>(done: (result: T | null) => void) {
  const job = ref<string | null>(null);
  const share = ref(0);
  const doing = ref("");
  const trouble = ref<string | null>(null);
  let events: EventSource | null = null;

  async function start(ask: () => Promise<{ job: string }>) {
    trouble.value = null;
    share.value = 0;
    doing.value = "starting";
    try {
      const started = await ask();
      job.value = started.job;
      follow(started.job);
    } catch (e) {
      trouble.value = e instanceof Error ? e.message : String(e);
    }
  }
  function follow(id: string) {
    events?.close();
    events = new EventSource(`/api/jobs/${id}/events`);
    events.addEventListener("job", (event) => {
      const now = JSON.parse((event as MessageEvent<string>).data) as Schemas["View"];
      share.value = now.share;
      doing.value = now.doing;
      if (now.state === "DONE") end(now.result as unknown as T);
      if (now.state === "CANCELLED") end(null);
      if (now.state === "FAILED") {
        trouble.value = now.trouble;
        end(null);
      }
    });
    events.onerror = () => {
      if (job.value)
        trouble.value = "The connection to the server broke off. Nothing was changed; ask again.";
      end(null);
    };
  }
  function end(result: T | null) {
    events?.close();
    events = null;
    job.value = null;
    done(result);
  }
  async function stop() {
    const id = job.value;
    if (id) await answer(api.DELETE("/api/jobs/{id}", { params: { path: { id } } })).catch(() => undefined);
  }
  onBeforeUnmount(() => {
    void stop();
    events?.close();
  });
  return { job, share, doing, trouble, start, stop };
}
