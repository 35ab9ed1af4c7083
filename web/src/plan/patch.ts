import type { Stored } from "../table/columns";
import type { Op, Plan } from "../api/client";
import { pointer } from "./pointers";

/** Keys from the plan down to a value, as in ["units", id, "hub"]. */
export type Keys = readonly string[];

/** What stands behind one key of a record, a map or a list. */
type Step<T, K> = T extends readonly (infer E)[]
  ? E
  : K extends keyof T
    ? T[K]
    : string extends keyof T
      ? T[keyof T & string]
      : never;

/** What stands behind such keys. */
type Stands<T, P> = P extends readonly [infer K, ...infer Rest] ? Stands<Step<NonNullable<T>, K>, Rest> : T;

/** A value as it may be given: of a record what is left out or null is the usual. */
type Given<T> = T extends readonly (infer E)[]
  ? Given<E>[]
  : T extends object
    ? { [K in keyof T]?: Given<T[K]> | null }
    : T;

/** What may be stored behind such keys of the plan; nothing where nothing stands. */
export type At<P> = Given<Stands<Plan, P>>;

/** The fields of the things in a map of the plan, and what may be stored in one of them. */
export type FieldOf<M extends keyof Plan> = keyof NonNullable<Stands<Plan, [M, string]>> & string;
export type ValueOf<M extends keyof Plan, F> = At<[M, string, F]>;

/** Another value where there is one. */
export const replaced = <const P extends Keys>(path: P, value: At<P>): Op => ({
  op: "replace",
  path: pointer(...path),
  value,
});

/** A value where there is none yet, or one more in a list. */
export const added = <const P extends Keys>(path: P, value: At<P>): Op => ({
  op: "add",
  path: pointer(...path),
  value,
});

/** What somebody typed into a cell of a table or chose in it; the server says what of it cannot be. */
export const typed = (path: Keys, value: Stored): Op => ({ op: "replace", path: pointer(...path), value });

/** Nothing more there. */
export const removed = (...path: Keys): Op => ({ op: "remove", path: pointer(...path) });
