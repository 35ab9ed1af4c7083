<script setup lang="ts">
import { Marked } from "marked";
import { computed, shallowRef, watch } from "vue";
import { useRoute, useRouter } from "vue-router";

/** The guide, chapter by chapter, out of the files in docs/guide. */
const chapters = import.meta.glob<string>("../../../docs/guide/*.md", { query: "?raw", import: "default" });
const pictures = import.meta.glob<string>("../../../docs/screenshots/*.png", {
  query: "?url",
  import: "default",
});
const byId = Object.fromEntries(
  Object.entries(chapters).map(([path, load]) => [path.split("/").pop()!.replace(/\.md$/, ""), load]),
);
const ORDER = [
  "first-plan",
  "renovator",
  "weekend-builder",
  "long-range-tinkerer",
  "security-minded-owner",
  "small-installer",
  "site",
  "devices",
  "controllers",
  "links",
  "long-range",
  "names",
  "outages",
  "build",
];
const ids = ORDER.filter((id) => id in byId);
const words = (id: string) => {
  const text = id.replaceAll("-", " ");
  return text[0]!.toUpperCase() + text.slice(1);
};
const route = useRoute();
const router = useRouter();
const open = computed(() => (String(route.params.chapter) in byId ? String(route.params.chapter) : ids[0]!));
const html = shallowRef("");
watch(
  open,
  async (id) => {
    const text = await byId[id]!();
    const urls = new Map<string, string>();
    for (const [, name] of text.matchAll(/\]\(\.\.\/screenshots\/([\w-]+\.png)\)/g)) {
      const load = pictures[`../../../docs/screenshots/${name}`];
      if (load) urls.set(name!, await load());
    }
    const shown = text
      .replace(/\]\(\.\.\/screenshots\/([\w-]+\.png)\)/g, (_, name: string) => `](${urls.get(name) ?? ""})`)
      .replace(/\]\(([\w-]+)\.md\)/g, "](/guide/$1)");
    if (open.value === id) html.value = await new Marked().parse(shown);
  },
  { immediate: true },
);
/** Links to other chapters stay in the page. */
function follow(event: MouseEvent) {
  const link = (event.target as HTMLElement).closest("a");
  const to = link?.getAttribute("href");
  if (!to?.startsWith("/guide/")) return;
  event.preventDefault();
  void router.push(to);
}
</script>

<template>
  <div class="page">
    <header>
      <RouterLink to="/plans" class="brand">Sk<em>e</em>lto</RouterLink>
      <h1>Guide</h1>
      <RouterLink to="/plans" class="right">Plans</RouterLink>
    </header>
    <div class="body">
      <nav aria-label="Chapters">
        <RouterLink
          v-for="id in ids"
          :key="id"
          :to="`/guide/${id}`"
          :aria-current="id === open ? 'page' : undefined"
          >{{ words(id) }}</RouterLink
        >
      </nav>
      <!-- eslint-disable-next-line vue/no-v-html -- our own chapters -->
      <main @click="follow" v-html="html"></main>
    </div>
  </div>
</template>

<style scoped>
.page {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
}
header {
  background: var(--bar);
  color: var(--bar-ink);
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 7px 14px;
}
.brand {
  font-size: 18px;
  font-weight: 600;
  color: inherit;
  text-decoration: none;
}
.brand em {
  font-style: normal;
  color: #e0986b;
}
header h1 {
  font-size: 15px;
}
.right {
  margin-left: auto;
  color: inherit;
}
.body {
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr);
  flex: 1;
}
nav {
  display: flex;
  flex-direction: column;
  padding: 12px 0;
}
nav a {
  padding: 6px 14px;
  color: var(--ink);
  text-decoration: none;
  border-left: 4px solid transparent;
}
nav a[aria-current] {
  background: var(--sheet);
  border-left-color: var(--copper);
  font-weight: 600;
}
main {
  background: var(--sheet);
  border-left: 1px solid var(--hair);
  padding: 18px 26px 40px;
}
main :deep(p),
main :deep(li) {
  max-width: 70ch;
  line-height: 1.5;
}
main :deep(p),
main :deep(ul),
main :deep(ol) {
  margin: 0 0 10px;
}
main :deep(h2) {
  margin: 18px 0 6px;
  font-size: 17px;
}
main :deep(h1) {
  font-size: 21px;
  margin: 0 0 10px;
}
main :deep(img) {
  max-width: 100%;
  border: 1px solid var(--hair);
}
@media (max-width: 700px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  nav {
    flex-flow: row wrap;
    padding: 6px;
  }
  nav a {
    min-height: 44px;
    display: flex;
    align-items: center;
  }
  main {
    border-left: 0;
    padding: 12px;
  }
}
</style>
