import { reactive, ref } from "vue";
import type { Op, Problem } from "../api/client";
import { useBench } from "../plan/store";
import { readCell, type Stored, type TableColumn } from "./columns";

/** A cell with what was typed into it, or chosen. */
export interface Cell<T> {
  row: T;
  column: TableColumn<T>;
  text: string;
  value?: Stored;
}

/** A cell that was not taken. */
export interface Untaken {
  name: string;
  text: string;
  why: string;
}

/**
 * Stores cells as one named edit. What cannot be read, and what the server refuses, is told at its own cell and kept there
 * as it was typed; the rest is stored.
 */
export function useStoring<T>(keyOf: (row: T) => string, nameOf: (row: T) => string) {
  const bench = useBench();
  const troubles = reactive(new Map<string, Untaken>());
  const told = ref<string | null>(null);
  const place = (key: string, column: string) => `${key}\n${column}`;

  function wrong(cell: Cell<T>, why: string) {
    troubles.set(place(keyOf(cell.row), cell.column.id), { name: nameOf(cell.row), text: cell.text, why });
  }

  async function store(cells: Cell<T>[], label: string, more: Op[] = [], notes: string[] = []) {
    told.value = notes.length ? notes.join(" ") : null;
    let left: { cell: Cell<T>; ops: Op[] }[] = [];
    for (const cell of cells) {
      troubles.delete(place(keyOf(cell.row), cell.column.id));
      const read =
        cell.value === undefined ? readCell(cell.column, cell.row, cell.text) : { value: cell.value };
      if ("trouble" in read) {
        // what is pasted over a cell that is not typed, and says the same, is no mistake
        const same =
          cell.text.trim() === String(cell.column.value(cell.row) ?? "") ||
          cell.column.shown?.(cell.row) === cell.text.trim();
        if (!same) wrong(cell, read.trouble);
      } else if (read.value !== (cell.column.edit!.raw(cell.row) ?? null)) {
        left.push({ cell, ops: cell.column.edit!.ops(cell.row, read.value) });
      }
    }
    while (left.length || more.length) {
      const problem = await bench.attempt([...left.flatMap((l) => l.ops), ...more], label);
      if (problem === null) return;
      const refused = left.filter((l) => faults(problem, l.ops).length);
      if (refused.length === 0) {
        if (left.length) left.forEach((l) => wrong(l.cell, problem.message));
        else told.value = problem.message;
        return;
      }
      refused.forEach((l) => wrong(l.cell, faults(problem, l.ops)[0]!.message));
      left = left.filter((l) => !refused.includes(l));
    }
  }
  /** What of a refusal lies in what these edits change. */
  const faults = (problem: Problem, ops: Op[]) =>
    problem.places.filter((p) =>
      ops.some((op) => p.pointer === op.path || p.pointer.startsWith(`${op.path}/`)),
    );

  return {
    troubles,
    told,
    place,
    store,
    refuse: wrong,
    forget: () => (troubles.clear(), (told.value = null)),
    tell: (why: string) => (told.value = why),
  };
}
