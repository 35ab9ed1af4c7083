import type { Op } from "../api/client";
import { readQuantity } from "./quantities";

/** What is stored of a cell. */
export type Stored = string | number | null;

/** How a cell is changed. */
export interface CellEdit<T> {
  /** What the plan holds, as it is typed. */
  raw: (row: T) => Stored;
  /** The edits that store another value. */
  ops: (row: T, value: Stored) => Op[];
  /** What may be chosen, as value and words; anything may be typed where it is left out. */
  choices?: (row: T) => [string, string][];
  /** Its unit, for numbers; "" for those without. */
  unit?: string;
  /** An emptied cell means "none". */
  optional?: boolean;
  /** Whether this row has such a thing at all. */
  when?: (row: T) => boolean;
}

/** A column of a table. */
export interface TableColumn<T> {
  id: string;
  head: string;
  /** What is sorted by, filtered, shown, copied and saved. */
  value: (row: T) => string | number | null;
  /** How a number is shown; its own digits where it is left out. */
  shown?: (row: T) => string;
  /** Stands right, sorts as a number. */
  numeric?: boolean;
  /** Not shown until somebody wants it. */
  hidden?: boolean;
  /** Its words may be long: the column takes what is left. */
  wide?: boolean;
  edit?: CellEdit<T>;
}

export const cellText = <T>(column: TableColumn<T>, row: T): string =>
  column.shown?.(row) ?? String(column.value(row) ?? "");

/** What was typed or pasted, as it is stored; or why it cannot be. */
export function readCell<T>(
  column: TableColumn<T>,
  row: T,
  typed: string,
): { value: Stored } | { trouble: string } {
  const edit = column.edit;
  if (!edit || edit.when?.(row) === false) return { trouble: `${column.head} is not typed here.` };
  const text = typed.trim();
  if (text === "") return edit.optional ? { value: null } : { trouble: `${column.head} cannot be empty.` };
  if (edit.choices) {
    const choices = edit.choices(row);
    const same = (a: string) => a.toLocaleLowerCase() === text.toLocaleLowerCase();
    const found = choices.filter(([value, words]) => same(words) || same(value));
    if (found.length === 1) return { value: found[0]![0] };
    return {
      trouble: found.length
        ? `"${text}" is the name of ${found.length}: choose one.`
        : `"${text}" is none of ${choices.length > 6 ? `${choices.length} choices` : choices.map(([, w]) => w).join(", ")}.`,
    };
  }
  return edit.unit === undefined ? { value: text } : readQuantity(text, edit.unit);
}
