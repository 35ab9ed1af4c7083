import { defineStore } from "pinia";
import { markRaw, nextTick } from "vue";
import {
  answer,
  api,
  Problem,
  told,
  type Assessment,
  type Catalog,
  type Construction,
  type Op,
  type Plan,
  type PlanState,
  type Schemas,
} from "../api/client";
import { whenBack } from "../app/whenBack";
import { placeOf } from "../drawing/moves";
import { newest } from "./newest";
import { replaced, type At, type Keys } from "./patch";
import { placeWords, thingOf } from "./pointers";

interface Edit {
  ops: Op[];
  label: string;
}

interface BenchState {
  id: string;
  revision: number;
  plan: Plan | null;
  undoLabel: string | null;
  redoLabel: string | null;
  assessment: Assessment | null;
  /** The revision that it is of. */
  assessed: number;
  /** What would follow from the drag that is going on, with its edits and what was supposed gone. */
  dragged: { plan: Plan; assessment: Assessment; ops: Op[]; outage: string } | null;
  /** The edits of the drag that is going on, for whatever else follows it. */
  dragOps: Op[] | null;
  catalog: Catalog | null;
  /** The open part of the stage's panel, or null for its first. */
  part: string | null;
  /** The part that opens with the stage that is gone to next, or null for its first. */
  nextPart: string | null;
  /** Whether clicks on the sheet mark the ends of a known length, and the marks so far, in metres on the site. */
  marking: boolean;
  measured: [number, number][];
  without: string[];
  /** How long the supposed outage lasts, when it begins and which moment of it is looked at; null where it is not said. */
  clock: Clock;
  /** The route of the way that is open: drawn over the links. */
  route: { from: string; to: string }[];
  /** The one that is left when a part of it is out. */
  secondRoute: { from: string; to: string }[];
  /** Doors, valves and sounders with what they still do, while that is looked at: drawn beside their symbols. */
  doors: Schemas["WaysOut"][];
  /** How often something was supposed by hand: each is a step of the browser's history. */
  supposed: number;
  selection: string | null;
  floor: string | null;
  saving: "safe" | "saving" | "failed";
  /** An edit that was not stored because the plan changed elsewhere. */
  stale: Edit | null;
  /** A change that would leave stops or fixes behind: it waits until a person wants it all the same, or leaves it. */
  weighed: (Edit & { brings: Schemas["Brought"][] }) | null;
  /** Edits that are not stored because the server or the database is away, in their order. */
  unsaved: Edit[];
  message: string | null;
  /** What was taken in of somebody else's edits, in words, until the next edit of one's own. */
  others: string | null;
  /** The last refusal, with the places it names. */
  refused: Problem | null;
  /** How often the server came back after it was away: whatever could not be asked meanwhile is asked again. */
  backs: number;
}

/** A construction as drawings and lists need it. */
export interface MadeOf {
  id: string;
  name: string;
  hatch: Construction["hatch"];
  slab: boolean;
  thicknessM: number;
}
const madeOf = (id: string, c: Construction): MadeOf => ({
  id,
  name: c.name,
  hatch: c.hatch,
  slab: c.slab,
  thicknessM: c.layers.reduce((sum, layer) => sum + layer.thicknessMm, 0) / 1000,
});

const PATCH_TYPE = "application/json-patch+json";
let queue: Promise<unknown> = Promise.resolve();
/** What asks first and edits then. */
let turns: Promise<unknown> = Promise.resolve();
/** What failed because the server was away is done again once it is back. */
const back = () => void useBench().back();
// one at a time, as what is stored when the hand lets go would wait for them
const previews = newest<Op[]>((ops, signal) => useBench().follow(ops, signal), 1);
/** The edits that a drag ended with, and their preview's being shown where it was on its way. */
let dropped: { ops: Op[]; shown: Promise<void> } | null = null;
/** When new figures are on the screen, for whoever measures the page. */
const figuresShown = () =>
  void nextTick(() => requestAnimationFrame(() => performance.mark("skelto.figures")));

/** What is shown of a plan of which nothing was worked out. */
/** Lengths as ISO 8601 writes them: PT8H. */
export interface Clock {
  for: string | null;
  from: string | null;
  at: string | null;
}
export const NO_CLOCK: Clock = { for: null, from: null, at: null };

/** Of an address, or of anything like it, what it supposes, as a query. */
export const outageText = (query: Record<string, unknown>): string =>
  new URLSearchParams(
    ["without", "for", "from", "at"]
      .filter((key) => query[key])
      .map((key): [string, string] => [key, String(query[key])]),
  ).toString();
/** The same as an object. */
export const outageOf = (text: string): Record<string, string> =>
  Object.fromEntries(new URLSearchParams(text));

function nothingKnown(why: string): Assessment {
  return {
    walls: [],
    gaps: [],
    positions: {},
    links: {},
    snags: [],
    names: {},
    outage: { without: [], lastsH: null, from: null, atH: 0 },
    strip: [],
    sentence: "What still works is not known",
    counts: {} as Assessment["counts"],
    states: {},
    troubles: {},
    moments: [],
    wired: {},
    stages: [],
    failures: [{ fact: "everything that follows from the plan", why }],
  };
}

/** The plan on the bench: every edit goes to the server, every figure comes from it. */
export const useBench = defineStore("bench", {
  state: (): BenchState => ({
    id: "",
    revision: 0,
    plan: null,
    undoLabel: null,
    redoLabel: null,
    assessment: null,
    assessed: -1,
    dragged: null,
    dragOps: null,
    part: null,
    nextPart: null,
    marking: false,
    measured: [],
    catalog: null,
    without: [],
    clock: NO_CLOCK,
    route: [],
    secondRoute: [],
    doors: [],
    supposed: 0,
    selection: null,
    floor: null,
    saving: "safe",
    stale: null,
    weighed: null,
    unsaved: [],
    message: null,
    others: null,
    refused: null,
    backs: 0,
  }),
  getters: {
    shownPlan: (s): Plan | null => s.dragged?.plan ?? s.plan,
    /** What is supposed gone, and when, as the server is asked for it. */
    outageQuery: (s): string => outageText({ without: s.without.join(","), ...s.clock }),
    shown: (s): Assessment | null => s.dragged?.assessment ?? s.assessment,
    /** Every construction that this plan may use, its own first where it replaces a built-in one. */
    constructions: (s): MadeOf[] => {
      const own = (s.dragged?.plan ?? s.plan)?.constructions ?? {};
      const builtIn = (s.catalog?.constructions ?? []).filter((c) => !(c.id in own));
      return [
        ...Object.entries(own).map(([id, c]) => madeOf(id, c)),
        ...builtIn.map((c) => madeOf(c.id, c.construction)),
      ];
    },
    construction(): (id: string) => MadeOf | undefined {
      const byId = new Map(this.constructions.map((c) => [c.id, c]));
      return (id) => byId.get(id);
    },
  },
  actions: {
    async open(id: string, without: string[], clock: Clock = NO_CLOCK) {
      if (this.id !== id) {
        this.$reset();
        this.id = id;
      }
      this.without = without;
      this.clock = clock;
      this.catalog ??= await answer(api.GET("/api/catalog"));
      await this.reload();
    },
    async reload() {
      const state = await answer(api.GET("/api/plans/{id}", { params: { path: { id: this.id } } }));
      this.stale = null;
      this.take(state);
      try {
        await this.assess();
      } catch (e) {
        // a plan opens also when nothing can be said of it
        this.assessment ??= markRaw(nothingKnown(e instanceof Error ? e.message : String(e)));
        this.failed(e);
      }
    },
    take(state: PlanState) {
      this.plan = markRaw(state.plan);
      this.revision = state.revision;
      this.undoLabel = state.undo;
      this.redoLabel = state.redo;
      const thing = thingOf(this.selection);
      if (thing && !(thing[1] in (state.plan[thing[0] as "rooms"] ?? {}))) this.selection = null;
      if (!this.floor || (this.floor !== "site" && !(this.floor in state.plan.floors))) {
        this.floor = firstFloor(state.plan);
      }
    },
    /** Takes in what somebody else stored meanwhile, and says so. */
    async takeOthers(state: PlanState) {
      this.take(state);
      this.others = `Taken in from another window: ${state.undo ?? state.redo ?? "a change"}.`;
      await this.guarded(() => this.assess());
    },
    async assess() {
      const asked = this.outageQuery;
      const assessed = await answer(
        api.GET("/api/plans/{id}/assessment", {
          params: { path: { id: this.id } },
          querySerializer: () => asked,
        }),
      );
      if (assessed.revision === this.revision && asked === this.outageQuery) this.show(assessed.assessment);
    },
    /** Another outage of the same plan: only what it changes is asked for. */
    async assessOutage() {
      const before = this.assessment;
      if (!before || this.assessed !== this.revision || this.dragged || before.failures.length) {
        return this.assess();
      }
      const asked = this.outageQuery;
      const { revision, view } = await answer(
        api.GET("/api/plans/{id}/outage", {
          params: { path: { id: this.id } },
          querySerializer: () => asked,
        }),
      );
      if (asked !== this.outageQuery) return;
      if (revision !== this.revision || this.assessment !== before) return this.assess();
      this.show({ ...before, ...view });
    },
    show(assessment: Assessment) {
      this.assessment = markRaw(assessment);
      this.assessed = this.revision;
      figuresShown();
      // bare ids become whole ones, what the plan does not have is dropped
      this.without = assessment.strip.filter((item) => item.out).map((item) => item.id);
    },
    /** The figures of the plan that was just stored: those of the drag that ended so, where it made the very same plan. */
    async follows(ops: Op[] | undefined) {
      try {
        if (dropped && dropped.ops === ops) await dropped.shown;
        const known = this.dragged;
        if (
          known &&
          known.ops === ops &&
          known.outage === this.outageQuery &&
          JSON.stringify(known.plan) === JSON.stringify(this.plan)
        ) {
          this.plan = known.plan;
          this.show(known.assessment);
        } else await this.assess();
      } finally {
        if (this.dragOps === null) this.dragged = null;
      }
    },
    async suppose(without: string[], clock?: Clock) {
      this.without = without;
      this.clock = clock ?? this.clock;
      this.supposed++;
      await this.guarded(() => this.assessOutage());
    },
    /** Waits for the edits under way: what is worked out next is worked out on the plan with them. */
    async stored(): Promise<void> {
      await turns;
      await queue;
    },
    /** Work that asks first and edits then: one after the other, so that each is asked of what the last one made. */
    inTurn<T>(work: () => Promise<T>): Promise<T> {
      const mine = turns.then(async () => {
        await queue;
        return work();
      });
      turns = mine.catch(() => {});
      return mine;
    },
    /** Stores an edit; edits wait for one another, so that each is for the newest revision. */
    edit(ops: Op[], label: string): Promise<boolean> {
      const made = queue.then(() => this.send({ ops, label }));
      queue = made;
      return made;
    },
    /** Stores an edit; what was refused is told to whoever asked, who knows where to show it. Null when it is stored or waits. */
    async attempt(ops: Op[], label: string): Promise<Problem | null> {
      this.refused = null;
      const done = await this.edit(ops, label);
      const why = done ? null : (this.refused as Problem | null);
      if (why) this.message = null;
      return why;
    },
    /** Makes a proposed change with the fixes that go along; what would leave a stop or a fix behind is asked about first. */
    propose(edits: Op[], label: string): Promise<boolean> {
      return this.inTurn(() => this.weigh(edits, label));
    },
    /** The same for what has its turn already. */
    async weigh(edits: Op[], label: string): Promise<boolean> {
      this.weighed = null;
      let found: Schemas["Weighed"] | null = null;
      await this.guarded(async () => {
        const params = { path: { id: this.id } };
        const body = { edits: edits.map((e): Schemas["Edit"] => ({ ...e, value: e.value })) };
        found = await answer(api.POST("/api/plans/{id}/weighed", { params, body }));
      });
      if (found === null) return false;
      const { edits: ops, brings } = found as Schemas["Weighed"];
      if (brings.length === 0) return this.edit(ops, label);
      this.weighed = { ops: ops, label, brings };
      return false;
    },
    /** One value of the plan changed. */
    put<const P extends Keys>(path: P, value: At<P>, label: string): Promise<boolean> {
      return this.edit([replaced(path, value)], label);
    },
    /** Stores what waits and then this edit; where no server answers, all of it waits on. */
    async send(edit: Edit | null): Promise<boolean> {
      const waiting = edit ? [...this.unsaved, edit] : [...this.unsaved];
      this.others = null;
      this.saving = "saving";
      while (waiting.length) {
        try {
          this.take(await this.store(waiting[0]!));
          waiting.shift();
        } catch (e) {
          this.dragged = null;
          // an edit that is wrong in itself is told and dropped
          const wrong = !this.failed(e, waiting[0]);
          this.unsaved = wrong ? waiting.slice(1) : waiting;
          if (this.unsaved.length) this.saving = "failed";
          return false;
        }
      }
      this.unsaved = [];
      this.saving = "safe";
      // the figures follow; whoever made the edit goes on meanwhile
      void this.guarded(() => this.follows(edit?.ops));
      return true;
    },
    store(edit: Edit): Promise<PlanState> {
      return answer(
        api.PATCH("/api/plans/{id}", {
          params: {
            path: { id: this.id },
            query: { label: edit.label },
            header: { "If-Match": this.tag() },
          },
          headers: { "Content-Type": PATCH_TYPE },
          body: JSON.stringify(edit.ops),
          bodySerializer: (body: unknown) => body as string,
        }),
      );
    },
    /** Tells what went wrong; true when the server or its database is away. */
    failed(e: unknown, edit?: Edit): boolean {
      const given = e instanceof Problem ? e : new Problem(0, String(e));
      const plan = this.plan;
      // by the names of things rather than by their ids
      const words = (path: string) => (plan ? placeWords(plan, path) : path);
      const problem = given.places.length
        ? new Problem(given.status, told(given.detail, given.places, words), given.places, given.detail)
        : given;
      const away = problem.status === 0 || problem.status >= 500;
      this.saving = away ? "failed" : "safe";
      if (away) whenBack(back);
      if (problem.status === 412) this.stale = edit ?? { ops: [], label: "undo" };
      else {
        this.message = problem.message;
        if (!away) this.refused = markRaw(problem);
      }
      return away;
    },
    async guarded(work: () => Promise<void>) {
      try {
        await work();
      } catch (e) {
        this.failed(e);
      }
    },
    tag(): string {
      return `"${this.revision}"`;
    },
    /** The server answers again: what waits is stored, what is shown is asked for anew. */
    async back() {
      if (this.saving === "failed") this.message = null;
      await this.retry();
      this.backs++;
    },
    /** The reason of the last refusal, for whoever tells it where it was caused. */
    takeMessage(): string | null {
      const why = this.message;
      this.message = null;
      return why;
    },
    async retry() {
      if (this.unsaved.length === 0) {
        return this.guarded(async () => {
          await this.reload();
          this.saving = "safe";
        });
      }
      const made = queue.then(() => this.send(null));
      queue = made;
      await made;
    },
    /** Takes the newer plan and, if wanted, makes the refused edit on it. */
    async settleStale(again: boolean) {
      const edit = this.stale;
      await this.guarded(() => this.reload());
      if (again && edit && edit.ops.length > 0) await this.edit(edit.ops, edit.label);
    },
    /** Undo and redo wait for the edits before them. */
    step(which: "undo" | "redo"): Promise<unknown> {
      const made = queue.then(() => this.stepNow(which));
      queue = made;
      return made;
    },
    async stepNow(which: "undo" | "redo") {
      this.saving = "saving";
      try {
        const path = which === "undo" ? "/api/plans/{id}/undo" : "/api/plans/{id}/redo";
        this.take(
          await answer(
            api.POST(path, { params: { path: { id: this.id }, header: { "If-Match": this.tag() } } }),
          ),
        );
        this.saving = "safe";
        await this.assess();
      } catch (e) {
        this.failed(e);
      }
    },
    /** Shows what an edit would lead to without storing it; while one runs only the newest waits. */
    async preview(ops: Op[]) {
      this.dragOps = ops;
      await previews.ask(ops);
    },
    /** A place that cannot be previewed is refused with its reason when it is dropped. */
    async follow(ops: Op[], signal?: AbortSignal): Promise<() => void> {
      const outage = this.outageQuery;
      const made = await answer(
        api.POST("/api/plans/{id}/preview", {
          params: { path: { id: this.id } },
          signal,
          querySerializer: () => outage,
          headers: { "Content-Type": PATCH_TYPE },
          body: JSON.stringify(ops),
          bodySerializer: (body: unknown) => body as string,
        }),
      );
      return () => {
        this.dragged = markRaw({ ...made, ops, outage });
        if (dropped?.ops === ops) figuresShown();
      };
    },
    /** The drag ends, with these edits if it is a drop: what is on its way for them is still shown, the rest is not. */
    endPreview(ops?: Op[]) {
      this.dragOps = null;
      dropped = ops ? { ops, shown: previews.drop(ops) } : null;
      if (!ops) {
        void previews.drop();
        this.dragged = null;
      } else if (this.dragged?.ops === ops) figuresShown();
    },
    select(path: string | null) {
      this.selection = path;
      const position = path ? this.assessment?.positions[path] : undefined;
      if (position) this.floor = position.floor ?? "site";
      const thing = thingOf(path);
      const id =
        thing?.[0] === "rooms" ? thing[1] : path && this.plan && placeOf(this.plan, path)?.place.room;
      const room = id ? this.plan?.rooms[id] : undefined;
      if (room) this.floor = room.floor;
    },
  },
});

/** The floor to begin with: the one nearest the ground with the most rooms. */
export function firstFloor(plan: Plan): string | null {
  const rooms = (id: string) => Object.values(plan.rooms).filter((room) => room.floor === id).length;
  const sorted = Object.keys(plan.floors).sort(
    (a, b) => rooms(b) - rooms(a) || Math.abs(plan.floors[a]!.baseM) - Math.abs(plan.floors[b]!.baseM),
  );
  return sorted[0] ?? null;
}
