import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Plan = Schemas["Plan"];
export type Unit = Schemas["Unit"];
export type Device = Schemas["Device"];
export type Room = Schemas["Room"];
export type Link = Schemas["Link"];
export type Medium = Schemas["Link"]["medium"];
export type Opening = Schemas["Opening"];
export type Construction = Schemas["Construction"];
export type Assessment = Schemas["Assessment"];
export type Snag = Schemas["Snag"];
export type Figure = Schemas["Figure"];
export type LinkReport = Schemas["LinkReport"];
export type Catalog = Schemas["Catalog"];
export type LinkOption = Schemas["Option"];
export type PlanState = Schemas["PlanState"];
export type State = Schemas["DeviceState"]["state"];

/** One operation of a JSON Patch. */
export interface Op {
  /** add, replace or remove. */
  op: string;
  path: string;
  value?: unknown;
}

const TRIES = 5;
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/**
 * Asks, and asks again when the server has too much to do at the moment (429): then nothing was done, and it said when
 * to come back.
 */
export async function patiently(what: Request | string, how?: RequestInit): Promise<Response> {
  const request = new Request(what, how);
  for (let tries = 1; ; tries++) {
    const response = await globalThis.fetch(request.clone());
    if (response.status !== 429 || tries === TRIES) return response;
    const seconds = Number(response.headers.get("Retry-After") ?? 1);
    // not all at the same moment again
    await pause(Math.min(10, seconds) * 1000 * (0.75 + Math.random() / 2));
  }
}

export const api = createClient<paths>({ baseUrl: "", fetch: patiently });

/** A problem that the server reported, in words for the person. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    message: string,
    /** The places that are at fault, as pointers into the document. */
    readonly places: { pointer: string; message: string }[] = [],
    /** What happened, without the places. */
    readonly detail = message,
  ) {
    super(message);
  }
}

interface ProblemBody {
  detail?: string;
  errors?: { pointer: string; message: string }[];
}

/** The words of a problem document: what happened, and the first places it names. */
export function problemOf(status: number, body: unknown): Problem {
  const problem = (typeof body === "object" && body !== null ? body : {}) as ProblemBody;
  const detail = problem.detail ?? `The server answered ${status}.`;
  const places = problem.errors ?? [];
  return new Problem(
    status,
    told(detail, places, (p) => p || "the document"),
    places,
    detail,
  );
}

/** A refusal in words, with the first places that it names. */
export function told(detail: string, places: Problem["places"], words: (pointer: string) => string): string {
  const named = places
    .slice(0, 4)
    .map((e) => `${words(e.pointer)} ${e.message}`)
    .join("; ");
  const more = places.length > 4 ? ` and ${places.length - 4} more` : "";
  return named ? `${detail} ${named}${more}.` : detail;
}

/** Whether the server answers, and its database too. */
export async function healthy(): Promise<boolean> {
  return globalThis.fetch("/healthz").then(
    (response) => response.ok,
    () => false,
  );
}

const UNREACHABLE =
  "Skelto's server does not answer. Nothing was changed; it goes on by itself when it is back.";

/** Waits for an answer of the API and gives its data, or throws a Problem. */
export async function answer<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result;
  try {
    result = await call;
  } catch {
    throw new Problem(0, UNREACHABLE);
  }
  if (result.error !== undefined || !result.response.ok) {
    throw problemOf(result.response.status, result.error);
  }
  return result.data as T;
}
