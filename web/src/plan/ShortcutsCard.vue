<script setup lang="ts">
import Dialog from "primevue/dialog";

/** The keys that do something, on one card. */
const open = defineModel<boolean>({ required: true });
const KEYS: [string, [string, string][]][] = [
  [
    "Everywhere",
    [
      ["Ctrl K", "find a stage, a thing, a setting or an action"],
      ["Ctrl Z, Ctrl Shift Z", "undo, redo"],
      ["?", "this card"],
      ["Alt 1 to 9, 0", "stage of that number in the rail, 0 the tenth"],
      ["Tab, first", "skip to panel, drawing or snags"],
      ["Escape", "bring back what the plan holds; leave drawing"],
    ],
  ],
  [
    "Drawing",
    [
      ["Arrows on a thing", "move it by 10 cm, with Shift by 1 cm"],
      ["+ and −, arrows on the sheet", "zoom and pan"],
      ["Wheel", "zoom where the pointer is"],
    ],
  ],
  [
    "Tables",
    [
      ["Arrows, Home, End, Page", "from cell to cell"],
      ["Enter, F2 or typing", "edit the cell; Enter in the first column opens the thing"],
      ["Space, Shift Space, Ctrl A", "choose rows"],
      ["Ctrl C, Ctrl V", "copy chosen rows; paste a block from a spreadsheet"],
      ["Enter on a head", "sort by it"],
    ],
  ],
];
</script>

<template>
  <Dialog v-model:visible="open" modal header="Keys" class="narrow">
    <section v-for="[where, keys] in KEYS" :key="where">
      <h3>{{ where }}</h3>
      <dl>
        <template v-for="[key, what] in keys" :key="key">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ what }}</dd>
        </template>
      </dl>
    </section>
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr);
  gap: 3px 14px;
  margin: 0 0 10px;
}
dd {
  margin: 0;
}
kbd {
  font: inherit;
  font-weight: 600;
}
</style>
