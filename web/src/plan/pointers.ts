import type { Plan } from "../api/client";

/** A JSON pointer of escaped parts. */
export function pointer(...parts: string[]): string {
  return parts.map((part) => "/" + part.replaceAll("~", "~0").replaceAll("/", "~1")).join("");
}

/** The parts of a JSON pointer. */
export function partsOf(path: string): string[] {
  return path
    .split("/")
    .slice(1)
    .map((part) => part.replaceAll("~1", "/").replaceAll("~0", "~"));
}

/** The map and id of the thing that a pointer leads into, such as ["devices", "lamp"]. */
export function thingOf(path: string | null): [string, string] | null {
  const [map, id] = partsOf(path ?? "");
  return map && id ? [map, id] : null;
}

/** An id made of a name that is not taken in a map of the plan. */
export function freeId(name: string, taken: Record<string, unknown>): string {
  const slug =
    name
      .normalize("NFKD")
      .replace(/\p{M}+/gu, "")
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 40)
      .replace(/-+$/, "") || "thing";
  if (!(slug in taken)) return slug;
  let number = 2;
  while (`${slug}-${number}` in taken) number++;
  return `${slug}-${number}`;
}

/** The name of whatever a pointer leads to, for messages. */
export function nameAt(plan: Plan, path: string): string {
  const thing = thingOf(path);
  if (!thing) return path;
  const map = plan[thing[0] as keyof Plan] as unknown as Record<string, { name?: string } | undefined>;
  return map?.[thing[1]]?.name ?? thing[1];
}

/** A place of the plan in words: "board, power circuit" rather than "/units/board/power/circuit". */
export function placeWords(plan: Plan, path: string): string {
  const [map, id, ...rest] = partsOf(path);
  const plain = (part: string) =>
    part
      .replace(/(?<=[a-z])(M|Db|Dbm|W|V|H|S)$/, "")
      .replace(/([a-z])([A-Z])/g, "$1 $2")
      .toLowerCase();
  if (map === undefined) return "the plan";
  const things = plan[map as keyof Plan] as unknown;
  const name =
    id !== undefined && typeof things === "object" && things !== null && !Array.isArray(things)
      ? (things as Record<string, { name?: string } | undefined>)[id]?.name
      : undefined;
  if (name === undefined)
    return [map, id, ...rest]
      .filter((p) => p !== undefined)
      .map(plain)
      .join(" ");
  return rest.length ? `${name}, ${rest.map(plain).join(" ")}` : name;
}
