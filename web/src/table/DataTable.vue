<script setup lang="ts" generic="T">
import {
  columnFilteringFeature,
  columnVisibilityFeature,
  createFilteredRowModel,
  createSortedRowModel,
  rowSelectionFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from "@tanstack/vue-table";
import { useVirtualizer } from "@tanstack/vue-virtual";
import { computed, nextTick, reactive, ref, watch } from "vue";
import type { Op } from "../api/client";
import { asBlock, asCsv, clipboardOf, MOST_CELLS, readBlock, saveFile } from "./clipboard";
import { columnIn } from "../app/measures";
import { useBench } from "../plan/store";
import ChangeMany from "./ChangeMany.vue";
import ChoiceBox from "./ChoiceBox.vue";
import { cellText, type TableColumn } from "./columns";
import { matches } from "./filters";
import { useStoring, type Cell } from "./useStoring";

/**
 * The table of the bench: sorted by any head, filtered by column, with the columns that somebody wants; rows are selected by
 * Space, Shift and Ctrl, cells are moved through by arrows, edited by Enter or F2, filled by a paste; copied and saved as shown.
 * Enter in the first column opens the thing.
 */
const props = defineProps<{
  /** What the chosen columns are remembered under. */
  id: string;
  label: string;
  rows: T[];
  keyOf: (row: T) => string;
  nameOf: (row: T) => string;
  columns: TableColumn<T>[];
  /** Key of the row that is selected on the bench. */
  current?: string | null;
  /** Edits that make new things of lines that are pasted below the last row. */
  added?: (lines: Record<string, string>[]) => Promise<{ ops: Op[]; troubles: string[] }>;
}>();
const emit = defineEmits<{
  /** A row was chosen; whole when somebody wants to see all of it, not only where it is. */
  open: [key: string, whole: boolean];
}>();
/** Keys of the rows that are selected together. */
const chosen = defineModel<string[]>("chosen", { default: () => [] });

const bench = useBench();
const ROW_PX = 29;
/** More rows than these scroll in a box of their own, and only those in sight are drawn. */
const MANY = 100;
/** Rows that Page up and Page down pass. */
const PAGE = 15;

const features = tableFeatures({
  columnFilteringFeature,
  columnVisibilityFeature,
  rowSelectionFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
});
type Def = ColumnDef<typeof features, { row: T }>;
const collator = new Intl.Collator(undefined, { numeric: true, sensitivity: "base" });
/** The columns in the plan's measures. */
const columns = computed(() => props.columns.map((c) => columnIn(bench.plan?.measures ?? "METRIC", c)));
const column = computed(() => new Map(columns.value.map((c) => [c.id, c])));
const ordered = (a: string | number | null, b: string | number | null) => {
  if (a === null || b === null || a === "" || b === "") {
    return Number(a === null || a === "") - Number(b === null || b === "");
  }
  return typeof a === "number" && typeof b === "number" ? a - b : collator.compare(String(a), String(b));
};
const defs = computed<Def[]>(() =>
  columns.value.map((c) => ({
    id: c.id,
    header: c.head,
    accessorFn: ({ row }: { row: T }) => c.value(row),
    sortFn: (a, b) => ordered(c.value(a.original.row), c.value(b.original.row)),
    filterFn: (r, _, wanted: string) => matches(wanted, cellText(c, r.original.row), c.value(r.original.row)),
  })),
);
const stored = `skelto.columns.${props.id}`;
const visibility = (): Record<string, boolean> => {
  const first = Object.fromEntries(columns.value.filter((c) => c.hidden).map((c) => [c.id, false]));
  try {
    return { ...first, ...JSON.parse(localStorage.getItem(stored) ?? "{}") };
  } catch {
    return first;
  }
};
const table = useTable({
  features,
  columns: defs,
  data: computed(() => props.rows.map((row) => ({ row }))),
  getRowId: ({ row }: { row: T }) => props.keyOf(row),
  initialState: { columnVisibility: visibility() },
});
const listed = computed(() => table.getRowModel().rows);
const visible = computed(() => table.getVisibleLeafColumns().map((c) => column.value.get(c.id)!));
const sorting = computed(() => table.atoms.sorting.get()[0]);
const filters = computed(() => table.atoms.columnFilters.get());
const filterOf = (id: string) => String(filters.value.find((f) => f.id === id)?.value ?? "");
const filtering = ref(false);
const choosing = ref(false);
const keyAt = (index: number) => listed.value[index]?.id;
const rowAt = (index: number) => listed.value[index]?.original.row;

function toggleColumn(id: string, on: boolean) {
  table.getColumn(id)?.toggleVisibility(on);
  localStorage.setItem(stored, JSON.stringify(table.atoms.columnVisibility.get()));
}
function sort(id: string) {
  const now = sorting.value;
  table.setSorting(now?.id !== id ? [{ id, desc: false }] : now.desc ? [] : [{ id, desc: true }]);
}
function filter(id: string, text: string) {
  table.getColumn(id)?.setFilterValue(text.trim() || undefined);
}
function unfilter() {
  filtering.value = !filtering.value;
  if (!filtering.value) table.setColumnFilters([]);
}

// ---------------------------------------------------------------- rows in sight
const scroller = ref<HTMLElement | null>(null);
const many = computed(() => listed.value.length > MANY);
const virtual = useVirtualizer(
  computed(() => ({
    count: listed.value.length,
    getScrollElement: () => scroller.value,
    estimateSize: () => ROW_PX,
    getItemKey: (index: number) => keyAt(index) ?? index,
    overscan: 10,
    enabled: many.value,
  })),
);
const sight = computed(() => {
  const items = many.value ? virtual.value.getVirtualItems() : [];
  const first = many.value ? (items[0]?.index ?? 0) : 0;
  const last = many.value ? (items[items.length - 1]?.index ?? -1) : listed.value.length - 1;
  return {
    before: first * ROW_PX,
    after: Math.max(0, listed.value.length - 1 - last) * ROW_PX,
    list: listed.value.slice(first, last + 1).map((row, i) => ({ row, index: first + i })),
  };
});

// ---------------------------------------------------------------- the cell in focus
/** Row -1 is the heads. */
const focus = reactive({ row: props.rows.length ? 0 : -1, column: 0 });
const grid = ref<HTMLElement | null>(null);
async function go(row: number, col: number) {
  focus.row = Math.max(-1, Math.min(listed.value.length - 1, row));
  focus.column = Math.max(0, Math.min(visible.value.length - 1, col));
  if (many.value && focus.row >= 0) virtual.value.scrollToIndex(focus.row);
  await nextTick();
  cellElement()?.focus();
  if (!many.value) cellElement()?.scrollIntoView?.({ block: "nearest", inline: "nearest" });
}
/** However a cell came into focus, it is the one that keys are for. */
function focused(event: Event) {
  const at = (event.target as HTMLElement).dataset.at?.split(" ").map(Number);
  if (at) [focus.row, focus.column] = [at[0]!, at[1]!];
}
const cellElement = () =>
  grid.value?.querySelector<HTMLElement>(`[data-at="${focus.row} ${focus.column}"]`) ?? null;
watch([() => listed.value.length, () => visible.value.length], () => {
  focus.row = Math.min(focus.row, Math.max(0, listed.value.length - 1));
  focus.column = Math.min(focus.column, visible.value.length - 1);
});

// ---------------------------------------------------------------- rows selected together
const selected = computed(() => {
  const known = new Set(props.rows.map(props.keyOf));
  return new Set(chosen.value.filter((key) => known.has(key)));
});
let anchor = 0;
function select(index: number, how: "toggle" | "range" | "only") {
  const key = keyAt(index);
  if (key === undefined) return;
  const next = new Set(how === "only" ? [] : selected.value);
  if (how === "range") {
    for (let i = Math.min(anchor, index); i <= Math.max(anchor, index); i++) next.add(keyAt(i)!);
  } else {
    if (next.has(key)) next.delete(key);
    else next.add(key);
    anchor = index;
  }
  chosen.value = listed.value.map((r) => r.id).filter((k) => next.has(k));
}
const selectAll = () => (chosen.value = listed.value.map((r) => r.id));
const allSelected = computed(
  () => listed.value.length > 0 && listed.value.every((r) => selected.value.has(r.id)),
);

// ---------------------------------------------------------------- cells that are edited
const storing = useStoring<T>(props.keyOf, props.nameOf);
const editing = ref<{ key: string; column: string; text: string; typed: boolean; held: unknown } | null>(
  null,
);
/** What a cell holds, to see whether somebody else changes it while it is edited. */
const heldIn = (c: TableColumn<T>, row: T) => c.edit?.raw(row) ?? null;
const editable = (c: TableColumn<T>, row: T) => !!c.edit && c.edit.when?.(row) !== false;
function edit(typed?: string) {
  const row = rowAt(focus.row);
  const c = visible.value[focus.column];
  if (!row || !c || !editable(c, row)) return false;
  const failed = storing.troubles.get(storing.place(props.keyOf(row), c.id));
  const text = typed ?? failed?.text ?? String(c.edit!.raw(row) ?? "");
  editing.value = {
    key: props.keyOf(row),
    column: c.id,
    text,
    typed: typed !== undefined,
    held: heldIn(c, row),
  };
  void nextTick(() => {
    const input = grid.value?.querySelector<HTMLInputElement>("input.cell");
    input?.focus();
    if (typed === undefined) input?.select();
  });
  return true;
}
async function commit(move: [number, number] | null) {
  const now = editing.value;
  editing.value = null;
  if (!now) return;
  const row = listed.value.find((r) => r.id === now.key)?.original.row;
  const c = column.value.get(now.column);
  if (move) void go(focus.row + move[0], focus.column + move[1]);
  if (!row || !c) return;
  const cell = { row, column: c, text: now.text };
  if (heldIn(c, row) !== now.held && now.text !== String(heldIn(c, row) ?? "")) {
    return storing.refuse(
      cell,
      "It was changed elsewhere meanwhile. Yours is kept: edit the cell again to store it.",
    );
  }
  await storing.store([cell], `${c.head} of ${props.nameOf(row)}`);
}
async function choose(value: string) {
  const now = editing.value;
  editing.value = null;
  void go(focus.row, focus.column);
  const row = listed.value.find((r) => r.id === now?.key)?.original.row;
  const c = now && column.value.get(now.column);
  if (row && c) {
    await storing.store([{ row, column: c, text: value, value }], `${c.head} of ${props.nameOf(row)}`);
  }
}
function cancel() {
  if (!editing.value) return;
  editing.value = null;
  void go(focus.row, focus.column);
}
function keyInCell(event: KeyboardEvent) {
  event.stopPropagation();
  if (event.key === "Enter") void commit([1, 0]);
  else if (event.key === "Tab") void commit([0, event.shiftKey ? -1 : 1]);
  else if (event.key === "Escape") cancel();
  else return;
  event.preventDefault();
}

// ---------------------------------------------------------------- copy, paste, files
const heads = () => visible.value.map((c) => c.head);
const texts = (list: T[]) => list.map((row) => visible.value.map((c) => cellText(c, row)));
const shownRows = () => listed.value.map((r) => r.original.row);
const chosenRows = () => shownRows().filter((row) => selected.value.has(props.keyOf(row)));
function copy(event: Event) {
  if (editing.value || String(globalThis.getSelection() ?? "") !== "") return;
  const row = rowAt(focus.row);
  const block = selected.value.size
    ? texts(chosenRows())
    : row && visible.value[focus.column]
      ? [[cellText(visible.value[focus.column]!, row)]]
      : [];
  if (!block.length) return;
  clipboardOf(event)?.setData("text/plain", asBlock(block));
  event.preventDefault();
}
const copied = ref(false);
async function copyShown() {
  const list = selected.value.size ? chosenRows() : shownRows();
  await globalThis.navigator.clipboard.writeText(asBlock([heads(), ...texts(list)]));
  copied.value = true;
  setTimeout(() => (copied.value = false), 2000);
}
const saveCsv = () => saveFile(`${props.id}.csv`, asCsv([heads(), ...texts(shownRows())]));
async function paste(event: Event) {
  if (editing.value) return;
  event.preventDefault();
  const block = readBlock(clipboardOf(event)?.getData("text/plain") ?? "");
  const size = block.reduce((sum, line) => sum + line.length, 0);
  if (size > MOST_CELLS) {
    storing.tell(`${size} cells were pasted; ${MOST_CELLS} are taken at once. Nothing was changed.`);
    return;
  }
  const cells: Cell<T>[] = [];
  const lines: Record<string, string>[] = [];
  const single = block.length === 1 && block[0]!.length === 1 && selected.value.size > 1;
  if (single) {
    const c = visible.value[focus.column]!;
    chosenRows().forEach((row) => cells.push({ row, column: c, text: block[0]![0]! }));
  } else {
    block.forEach((line, i) => {
      const row = focus.row < 0 ? undefined : rowAt(focus.row + i);
      const taken = line.flatMap((text, j) => {
        const c = visible.value[focus.column + j];
        return c ? [{ column: c, text }] : [];
      });
      if (row) taken.forEach((cell) => cells.push({ row, ...cell }));
      else if (line.some(Boolean)) lines.push(Object.fromEntries(taken.map((t) => [t.column.id, t.text])));
    });
  }
  const new_ = lines.length && props.added ? await props.added(lines) : { ops: [], troubles: [] };
  if (lines.length && !props.added) {
    new_.troubles.push(`${lines.length} lines are more than the table has rows; they were left.`);
  }
  await storing.store(cells, `paste of ${size} cells`, new_.ops, new_.troubles);
}
async function changeMany(c: TableColumn<T>, text: string) {
  const able = chosenRows().filter((row) => editable(c, row));
  await storing.store(
    able.map((row) => ({ row, column: c, text })),
    `${c.head} of ${able.length === 1 ? props.nameOf(able[0]!) : `${able.length} rows`}`,
  );
}

// ---------------------------------------------------------------- keys
function key(event: KeyboardEvent) {
  if (editing.value) return;
  const { row, column: col } = focus;
  const command = event.ctrlKey || event.metaKey;
  const to: Record<string, [number, number]> = {
    ArrowDown: [row + 1, col],
    ArrowUp: [row - 1, col],
    ArrowRight: [row, col + 1],
    ArrowLeft: [row, col - 1],
    Home: command ? [0, 0] : [row, 0],
    End: command ? [listed.value.length - 1, visible.value.length - 1] : [row, visible.value.length - 1],
    PageDown: [Math.min(listed.value.length - 1, row + PAGE), col],
    PageUp: [Math.max(0, row - PAGE), col],
  };
  const move = to[event.key];
  if (move) {
    if (event.shiftKey && (event.key === "ArrowDown" || event.key === "ArrowUp") && row >= 0) {
      if (!selected.value.has(keyAt(row)!)) select(row, "toggle");
      const next = Math.max(0, Math.min(listed.value.length - 1, move[0]));
      select(next, "range");
      void go(next, col);
    } else void go(...move);
  } else if (row < 0) {
    if (event.key !== "Enter" && event.key !== " ") return;
    sort(visible.value[col]!.id);
  } else if (event.key === " ") {
    select(row, event.shiftKey ? "range" : "toggle");
  } else if (command && event.key.toLowerCase() === "a") {
    selectAll();
  } else if (event.key === "Escape" && selected.value.size) {
    chosen.value = [];
  } else if (event.key === "Enter" && col === 0) {
    // the first column is the thing itself
    if (keyAt(row) !== undefined) emit("open", keyAt(row)!, true);
  } else if (event.key === "Enter" || event.key === "F2") {
    if (!edit() && keyAt(row) !== undefined) emit("open", keyAt(row)!, true);
  } else if (event.key.length === 1 && !command && !event.altKey) {
    if (!edit(event.key)) return;
  } else return;
  event.preventDefault();
  event.stopPropagation();
}
function click(event: MouseEvent, row: number, col: number) {
  if ((event.target as HTMLElement).closest("input, button, a, ul")) return;
  if (event.shiftKey || event.ctrlKey || event.metaKey) {
    globalThis.getSelection()?.removeAllRanges();
    select(row, event.shiftKey ? "range" : "toggle");
  } else if (keyAt(row) !== undefined) emit("open", keyAt(row)!, false);
  void go(row, col);
}
function editByMouse(row: number, col: number) {
  focus.row = row;
  focus.column = col;
  edit();
}
const troubleAt = (row: T, c: TableColumn<T>) =>
  storing.troubles.get(storing.place(props.keyOf(row), c.id))?.why;
const troubled = computed(() => [...storing.troubles.values()]);
</script>

<template>
  <section class="table" :aria-label="label">
    <div class="row tools">
      <span class="quiet count"
        >{{ listed.length === rows.length ? "" : `${listed.length} of ` }}{{ rows.length }}</span
      >
      <button type="button" class="soft" :aria-pressed="filtering" @click="unfilter">Filter</button>
      <span class="menu">
        <button type="button" class="soft" :aria-expanded="choosing" @click="choosing = !choosing">
          Columns
        </button>
        <span
          v-if="choosing"
          class="columns"
          role="group"
          :aria-label="`Columns of ${label}`"
          @keydown.escape.stop="choosing = false"
        >
          <label v-for="c in columns.slice(1)" :key="c.id" class="tick">
            <input
              type="checkbox"
              :checked="visible.includes(c)"
              @change="toggleColumn(c.id, ($event.target as HTMLInputElement).checked)"
            />
            {{ c.head }}
          </label>
        </span>
      </span>
      <button type="button" class="soft" @click="copyShown">{{ copied ? "Copied" : "Copy" }}</button>
      <button type="button" class="soft" @click="saveCsv">Save as CSV</button>
      <slot name="tools" />
    </div>
    <div v-if="selected.size" class="row selected" role="toolbar" :aria-label="`${selected.size} selected`">
      <strong>{{ selected.size }} selected</strong>
      <ChangeMany :columns="columns" :rows="chosenRows()" @change="changeMany" />
      <slot name="selected" :rows="chosenRows()" :clear="() => (chosen = [])" />
      <button type="button" class="plain" @click="chosen = []">Select none</button>
    </div>
    <div v-if="storing.told.value || troubled.length" class="bad told" role="alert">
      <p v-if="storing.told.value">{{ storing.told.value }}</p>
      <p v-if="troubled.length">
        {{ troubled.length === 1 ? "1 cell was" : `${troubled.length} cells were` }} not taken, the rest is
        kept:
        {{
          troubled
            .slice(0, 4)
            .map((t) => `${t.name}, ${t.why}`)
            .join("; ")
        }}{{ troubled.length > 4 ? "; and more, marked below" : "" }}
        <button type="button" class="plain" @click="storing.forget()">Forget what was typed</button>
      </p>
    </div>
    <div ref="scroller" class="scroller" :class="{ many }">
      <table
        ref="grid"
        role="grid"
        :aria-label="label"
        aria-multiselectable="true"
        :aria-rowcount="listed.length + 1"
        :aria-colcount="visible.length + 1"
        @keydown="key"
        @focusin="focused"
        @copy="copy"
        @paste="paste"
      >
        <thead>
          <tr>
            <th class="pick" aria-label="Selected">
              <input
                type="checkbox"
                tabindex="-1"
                :checked="allSelected"
                :aria-label="`Select all of ${label}`"
                @change="allSelected ? (chosen = []) : selectAll()"
              />
            </th>
            <th
              v-for="(c, j) in visible"
              :key="c.id"
              :data-at="`-1 ${j}`"
              :tabindex="focus.row === -1 && focus.column === j ? 0 : -1"
              :class="{ number: c.numeric }"
              :aria-sort="sorting?.id === c.id ? (sorting.desc ? 'descending' : 'ascending') : undefined"
              @click="sort(c.id)"
            >
              {{ c.head
              }}<span v-if="sorting?.id === c.id" aria-hidden="true">{{ sorting.desc ? " ↓" : " ↑" }}</span>
            </th>
          </tr>
          <tr v-if="filtering" class="filters">
            <td />
            <td v-for="c in visible" :key="c.id">
              <input
                :value="filterOf(c.id)"
                :aria-label="`Filter ${c.head}`"
                :placeholder="c.numeric ? '>5, 1..4' : ''"
                @keydown.stop
                @paste.stop
                @input="filter(c.id, ($event.target as HTMLInputElement).value)"
              />
            </td>
          </tr>
        </thead>
        <tbody>
          <tr v-if="sight.before" aria-hidden="true" :style="{ height: `${sight.before}px` }" />
          <tr
            v-for="{ row, index } in sight.list"
            :key="row.id"
            :aria-rowindex="index + 2"
            :aria-selected="selected.has(row.id)"
            :class="{ chosen: current === row.id, picked: selected.has(row.id) }"
          >
            <td class="pick">
              <input
                type="checkbox"
                tabindex="-1"
                :checked="selected.has(row.id)"
                :aria-label="`Select ${nameOf(row.original.row)}`"
                @click.stop="select(index, $event.shiftKey ? 'range' : 'toggle')"
              />
            </td>
            <td
              v-for="(c, j) in visible"
              :key="c.id"
              :data-at="`${index} ${j}`"
              :tabindex="focus.row === index && focus.column === j ? 0 : -1"
              :class="{
                number: c.numeric,
                wide: c.wide,
                wrong: troubleAt(row.original.row, c),
                fixed: !c.edit,
              }"
              :title="troubleAt(row.original.row, c) ?? cellText(c, row.original.row)"
              :aria-invalid="!!troubleAt(row.original.row, c) || undefined"
              :aria-readonly="!editable(c, row.original.row)"
              @click="click($event, index, j)"
              @dblclick="editByMouse(index, j)"
            >
              <template v-if="editing?.key === row.id && editing.column === c.id">
                <ChoiceBox
                  v-if="c.edit!.choices"
                  bare
                  open
                  :label="c.head"
                  :value="String(c.edit!.raw(row.original.row) ?? '')"
                  :choices="c.edit!.choices(row.original.row)"
                  :typed="editing.typed ? editing.text : undefined"
                  @choose="choose"
                  @leave="cancel"
                />
                <input
                  v-else
                  v-model="editing.text"
                  class="cell"
                  :aria-label="c.head"
                  @keydown="keyInCell"
                  @blur="commit(null)"
                />
              </template>
              <slot v-else :name="c.id" :row="row.original.row">
                <button
                  v-if="j === 0"
                  type="button"
                  class="plain"
                  tabindex="-1"
                  @click="emit('open', row.id, true)"
                >
                  {{ cellText(c, row.original.row) }}
                </button>
                <template v-else>{{ cellText(c, row.original.row) }}</template>
              </slot>
            </td>
          </tr>
          <tr v-if="sight.after" aria-hidden="true" :style="{ height: `${sight.after}px` }" />
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.table {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}
.tools {
  align-items: center;
  gap: 4px;
}
.tools .soft {
  font-size: 12px;
  padding: 1px 8px;
}
.tools .soft[aria-pressed="true"] {
  background: var(--ink);
  color: var(--sheet);
}
.count {
  min-width: 28px;
}
.menu {
  position: relative;
}
.columns {
  position: absolute;
  z-index: 20;
  top: 100%;
  left: 0;
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding: 6px 10px;
  background: var(--sheet);
  border: 1px solid var(--hair-strong);
  box-shadow: 0 4px 14px rgb(0 0 0 / 18%);
  white-space: nowrap;
}
.selected {
  align-items: center;
  background: color-mix(in srgb, var(--copper) 14%, var(--sheet));
  border: 1px solid var(--copper);
  border-radius: 3px;
  padding: 3px 8px;
}
.told {
  font-size: 13px;
}
.scroller {
  overflow-x: auto;
}
.scroller.many {
  max-height: min(60vh, 640px);
  overflow: auto;
}
th {
  cursor: pointer;
  white-space: nowrap;
}
td {
  height: 29px;
  padding: 0 8px;
  vertical-align: middle;
  white-space: nowrap;
  max-width: 230px;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: default;
}
td:has(.choice) {
  overflow: visible;
}
td.wide {
  max-width: 420px;
}
td.wrong {
  outline: 2px solid var(--unsafe);
  outline-offset: -2px;
}
td:focus-visible,
th:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.pick {
  width: 26px;
  padding: 0 4px 0 8px;
}
.picked td {
  background: color-mix(in srgb, var(--copper) 16%, transparent);
}
.filters input {
  width: 100%;
  min-width: 48px;
  height: 22px;
  font-size: 12px;
}
input.cell {
  width: 100%;
  height: 24px;
  margin: 0 -4px;
  padding: 0 3px;
}
.number input.cell {
  text-align: right;
}
</style>
