import type { Plan } from "../api/client";
import { cellText, type Stored, type TableColumn } from "../table/columns";
import { readQuantity, unitOf, type Read } from "../table/quantities";

/** Lengths and conductors as the plan wants them shown; the plan itself keeps metres and mm². */
export const FOOT_M = 0.3048;
const INCH_M = 0.0254;

type Measures = Plan["measures"];

/** Feet, inches and eighths: 12' 6⅛". */
export function feetAndInches(metres: number): string {
  const eighths = Math.round((Math.abs(metres) / INCH_M) * 8);
  const feet = Math.floor(eighths / 96);
  const inches = Math.floor((eighths % 96) / 8);
  const part = ["", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"][eighths % 8]!;
  const sign = metres < 0 && eighths > 0 ? "−" : "";
  return feet ? `${sign}${feet}' ${inches}${part}"` : `${sign}${inches || !part ? inches : ""}${part}"`;
}

/** The gauge nearest to an area, such as AWG 18. */
export function gaugeOf(areaMm2: number): string {
  const diameter = Math.sqrt((4 * areaMm2) / Math.PI);
  const gauge = Math.round(36 - 39 * (Math.log(diameter / 0.127) / Math.log(92)));
  return `AWG ${gauge < 0 ? `${1 - gauge}/0` : gauge}`;
}

/** A label or head such as "Height, m" in the plan's measures. */
export function labelIn(measures: Measures, label: string): string {
  return measures === "FEET" && unitOf(label) === "m" ? label.replace(/, m$/, ", ft") : label;
}

/** A value of a field with such a label, as it is shown there. */
export function shownIn(measures: Measures, label: string, value: string | number | null | undefined) {
  if (measures !== "FEET" || typeof value !== "number") return value;
  const unit = unitOf(label);
  return unit === "m" ? feetAndInches(value) : unit === "mm²" ? gaugeOf(value) : value;
}

/** What was typed under such a label, in the unit that the plan keeps. */
export function readIn(measures: Measures, label: string, typed: string): Read {
  const unit = unitOf(label);
  if (measures !== "FEET" || unit !== "m") return readQuantity(typed, unit);
  const read = readQuantity(typed, "ft");
  return "trouble" in read ? read : { value: Number((read.value * FOOT_M).toPrecision(12)) };
}

/** A column of a table with lengths, in the plan's measures; others as they are. */
export function columnIn<T>(measures: Measures, column: TableColumn<T>): TableColumn<T> {
  if (measures !== "FEET" || unitOf(column.head) !== "m") return column;
  const length = (value: string | number | null) =>
    typeof value === "number" ? feetAndInches(value) : value;
  const edit = column.edit;
  return {
    ...column,
    head: labelIn(measures, column.head),
    value: (row) => {
      const value = column.value(row);
      return typeof value === "number" ? value / FOOT_M : value;
    },
    shown: (row) =>
      typeof column.value(row) === "number" ? String(length(column.value(row))) : cellText(column, row),
    ...(edit && {
      edit: {
        ...edit,
        raw: (row: T) => length(edit.raw(row)),
        ops: (row: T, value: Stored) =>
          edit.ops(row, typeof value === "number" ? Number((value * FOOT_M).toPrecision(12)) : value),
        unit: "ft",
      },
    }),
  };
}
