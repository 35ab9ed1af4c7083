/**
 * Numbers as people write them: a decimal comma or point, units other than the field's own, sums, and compounds such as
 * 12' 6" and 2h 30.
 */

/** Diameter of gauge n is 0.127 mm · 92^((36 − n) / 39) (ASTM B258); gauges below 0 are written 2/0, 3/0, 4/0. */
export const gaugeMm2 = (gauge: number) => (Math.PI / 4) * (0.127 * 92 ** ((36 - gauge) / 39)) ** 2;

/** Units of one dimension by what one of them is in the first. */
const DIMENSIONS: Record<string, number>[] = [
  { m: 1, mm: 0.001, cm: 0.01, km: 1000, "'": 0.3048, ft: 0.3048, '"': 0.0254, in: 0.0254 },
  { s: 1, ms: 0.001, min: 60, h: 3600, d: 86_400, days: 86_400, weeks: 604_800, years: 31_557_600 },
  { A: 1, mA: 0.001, µA: 1e-6, uA: 1e-6 },
  { W: 1, mW: 0.001, kW: 1000 },
  { V: 1, mV: 0.001, kV: 1000 },
  { MHz: 1, kHz: 0.001, GHz: 1000, Hz: 1e-6 },
  { Wh: 1, kWh: 1000 },
  { Ah: 1, mAh: 0.001 },
  { Ω: 1, ohm: 1, kΩ: 1000, k: 1000 },
];
/** What a number without a unit means after a larger one: 2h 30, 12' 6. */
const SMALLER: Record<string, string> = { h: "min", min: "s", "'": '"', ft: "in", m: "cm" };
/** A sum longer than this is a mistake. */
const MOST_TERMS = 50;

export type Read = { value: number } | { trouble: string };

/** Feet and inches are written in many ways. */
const plain = (text: string) =>
  text
    .replace(/[′’]/g, "'")
    .replace(/[″”]|''/g, '"')
    .replace(/[−–]/g, "-")
    .replace(/[⅛¼⅜½⅝¾⅞]/g, (part) => EIGHTHS[part]!)
    .replace(/\u00a0|\u202f/g, " ")
    .trim();

/** American wire gauge in a field of areas: AWG 18, 18 AWG, AWG 2/0. */
const areas = (text: string) =>
  text.replace(/(?:awg\s*(\d\/0|\d{1,2}))|(?:(\d\/0|\d{1,2})\s*awg)/gi, (whole, after, before) => {
    const said: string = after ?? before;
    const gauge = said.endsWith("/0") ? 1 - Number(said[0]) : Number(said);
    return gauge > 40 ? whole : String(gaugeMm2(gauge).toPrecision(6));
  });

/** Eighths of an inch are one letter each. */
const EIGHTHS: Record<string, string> = {
  "⅛": ".125",
  "¼": ".25",
  "⅜": ".375",
  "½": ".5",
  "⅝": ".625",
  "¾": ".75",
  "⅞": ".875",
};

function number(text: string): number {
  const both = text.includes(",") && text.includes(".");
  const decimal = text.lastIndexOf(",") > text.lastIndexOf(".") ? "," : ".";
  const bare = both ? text.replaceAll(decimal === "," ? "." : ",", "") : text;
  return Number(bare.replace(",", "."));
}

/**
 * Reads a number in the unit of its field.
 *
 * @param unit the field's own: what a number without one is in; any other of its dimension is turned into it
 */
export function readQuantity(written: string, unit = ""): Read {
  const text = unit === "mm²" ? areas(plain(written)) : plain(written);
  const dimension = DIMENSIONS.find((d) => unit in d);
  const terms = [...text.matchAll(/([+-]?)\s*(\d[\d.,]*|[.,]\d+)(e[+-]?\d+)?\s*([^\d\s+\-.,]*)/gi)];
  const left = terms.reduce((rest, t) => rest.replace(t[0], ""), text).trim();
  if (!terms.length || left || terms.length > MOST_TERMS) return { trouble: `"${written}" is not a number.` };
  let sum = 0;
  /** The unit that the last number was written with. */
  let before: string | null = null;
  let first = true;
  for (const [whole, sign, digits, power, said] of terms) {
    const value = number(digits!) * 10 ** Number(power?.slice(1) ?? 0);
    if (!Number.isFinite(value)) return { trouble: `"${whole.trim()}" is not a number.` };
    const compound: boolean = sign === "" && !first;
    if (compound && (before === null || (!said && !SMALLER[before]))) {
      return { trouble: `"${written}" is not a number.` };
    }
    const own: string = said || (compound ? SMALLER[before!]! : unit);
    if (said && said !== unit && !(dimension && said in dimension)) {
      return {
        trouble: unit
          ? `"${said}" is no unit of ${unit}.`
          : `"${said}" does not belong here: it has no unit.`,
      };
    }
    const factor = own === unit || !dimension ? 1 : dimension[own]! / dimension[unit]!;
    sum += (sign === "-" ? -1 : 1) * value * factor;
    before = said || null;
    first = false;
  }
  // what binary fractions add is no figure of anybody's
  return { value: Number(sum.toPrecision(12)) };
}

/** The unit that a label ends with, as in "Height, m". */
export const unitOf = (label: string): string => /, ([^,\s]+)$/.exec(label)?.[1] ?? "";
