<script setup lang="ts">
import { useElementSize } from "@vueuse/core";
import { computed, useTemplateRef } from "vue";

/** Numbers of one kind as a ruled sheet of cells: what is given stands in its cell and can be chosen, stretches are shaded. */
export interface Cell {
  number: number;
  /** A letter or two that tells what stands there. */
  mark: string;
  /** Which of the inks it has. */
  kind: string;
  /** What it is, for who reads or points. */
  words: string;
  trouble?: string | null;
  chosen?: boolean;
}
export interface Stretch {
  from: number;
  to: number;
  kind: string;
}
const props = defineProps<{
  label: string;
  from: number;
  to: number;
  /** Cells of a row where there is room for so many; a half or a quarter of them where there is not. */
  columns: number;
  cells: Cell[];
  stretches?: Stretch[];
  /** How the number of a row is written. */
  shown: (number: number) => string;
}>();
const emit = defineEmits<{ choose: [number: number] }>();

/** A cell with the gap beside it, and the head of a row; pixels. */
const CELL_PX = 26;
const HEAD_PX = 46;
const sheet = useTemplateRef<HTMLElement>("sheet");
const { width } = useElementSize(sheet);
const across = computed(() => {
  const fits = (columns: number) => width.value === 0 || columns * CELL_PX + HEAD_PX <= width.value;
  return [props.columns, props.columns / 2, props.columns / 4].find(fits) ?? props.columns / 4;
});
const rows = computed(() => {
  const columns = across.value;
  const cells = new Map(props.cells.map((c) => [c.number, c]));
  const first = Math.floor(props.from / columns) * columns;
  const all: { head: string; cells: { number: number; cell?: Cell; kind: string }[] }[] = [];
  for (let start = first; start <= props.to; start += columns) {
    all.push({
      head: props.shown(start),
      cells: Array.from({ length: columns }, (_, i) => {
        const number = start + i;
        const there = number >= props.from && number <= props.to;
        const stretch = props.stretches?.find((s) => number >= s.from && number <= s.to);
        return {
          number,
          cell: cells.get(number),
          kind: there ? (stretch?.kind ?? "free") : "none",
        };
      }),
    });
  }
  return all;
});
</script>

<template>
  <div ref="sheet" class="sheet" role="group" :aria-label="label">
    <div v-for="row in rows" :key="row.head" class="row" :style="{ '--columns': across }">
      <span class="head">{{ row.head }}</span>
      <template v-for="c in row.cells" :key="c.number">
        <button
          v-if="c.cell"
          type="button"
          class="cell"
          :class="[c.cell.kind, { bad: c.cell.trouble, chosen: c.cell.chosen }]"
          :title="`${shown(c.number)} ${c.cell.words}${c.cell.trouble ? `: ${c.cell.trouble}` : ''}`"
          :aria-label="`${shown(c.number)} ${c.cell.words}${c.cell.trouble ? `: ${c.cell.trouble}` : ''}`"
          :aria-pressed="!!c.cell.chosen"
          @click="emit('choose', c.number)"
        >
          {{ c.cell.trouble ? "!" : c.cell.mark }}
        </button>
        <span v-else class="cell" :class="c.kind" aria-hidden="true" :title="shown(c.number)"></span>
      </template>
    </div>
  </div>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  gap: 2px;
  min-width: 0;
}
.row {
  display: grid;
  grid-template-columns: 44px repeat(var(--columns), minmax(0, 1fr));
  gap: 2px;
}
.head {
  font-size: 12px;
  color: var(--ink2);
  text-align: right;
  padding-right: 6px;
  align-self: center;
}
.cell {
  height: 24px;
  min-width: 0;
  padding: 0;
  border: 1px solid var(--hair);
  background: var(--sheet);
  color: var(--ink);
  font-size: 11px;
  line-height: 1;
  text-align: center;
}
button.cell {
  cursor: pointer;
  border-color: var(--hair-strong);
  font-weight: 600;
}
.cell.none {
  visibility: hidden;
}
.cell.edge {
  background: var(--hair);
}
.cell.pool {
  background: repeating-linear-gradient(45deg, var(--hair) 0 1px, var(--sheet) 1px 5px);
}
.cell.floor {
  border-color: var(--copper);
  border-style: dashed;
}
.cell.given {
  background: var(--paper);
}
.cell.network {
  background: var(--hair);
}
.cell.resting {
  font-weight: 400;
  border-style: dotted;
}
.cell.bad {
  border: 2px solid var(--unsafe);
  color: var(--unsafe);
}
.cell.chosen {
  outline: 2px solid var(--copper);
  outline-offset: 1px;
}
</style>
