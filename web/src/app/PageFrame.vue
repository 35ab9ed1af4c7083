<script setup lang="ts">
/** A page of its own beside the bench: its name in the bar, chapters on the left, the sheet on the right. */
defineProps<{ title: string; chapters: string }>();
</script>

<template>
  <div class="page">
    <header>
      <RouterLink to="/plans" class="brand">Sk<em>e</em>lto</RouterLink>
      <h1>{{ title }}</h1>
      <span class="right">
        <RouterLink to="/plans">Plans</RouterLink>
        <slot name="bar" />
      </span>
    </header>
    <div class="body">
      <nav :aria-label="chapters"><slot name="chapters" /></nav>
      <slot />
    </div>
  </div>
</template>

<style scoped src="./bar.css"></style>
<style scoped>
.page {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
}
.right {
  margin-left: auto;
  display: flex;
  gap: 12px;
  align-items: center;
}
.right a {
  color: inherit;
}
.right :slotted(button) {
  background: none;
  border: 1px solid #6b7883;
  border-radius: 3px;
  padding: 2px 9px;
  cursor: pointer;
}
.body {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr);
  flex: 1;
}
nav {
  padding: 12px 0;
  display: flex;
  flex-direction: column;
}
nav :slotted(button),
nav :slotted(a) {
  text-align: left;
  background: none;
  border: 0;
  border-left: 4px solid transparent;
  padding: 6px 14px;
  cursor: pointer;
  font-size: 15px;
  color: var(--ink);
  text-decoration: none;
}
nav :slotted([aria-current]) {
  border-left-color: var(--copper);
  background: var(--sheet);
  font-weight: 600;
}
.body :slotted(main) {
  background: var(--sheet);
  border-left: 1px solid var(--hair);
  padding: 18px 26px;
}
@media (max-width: 700px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto 1fr;
  }
  nav {
    flex-flow: row wrap;
    padding: 6px;
  }
  nav :slotted(button),
  nav :slotted(a) {
    min-height: 44px;
    display: flex;
    align-items: center;
  }
  .body :slotted(main) {
    border-left: 0;
    padding: 12px;
  }
}
</style>
