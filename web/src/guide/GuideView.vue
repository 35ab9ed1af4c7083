<script setup lang="ts">
import { Marked } from "marked";
import { computed, shallowRef, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import PageFrame from "../app/PageFrame.vue";

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
  "rules",
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
  <PageFrame title="Guide" chapters="Chapters">
    <template #chapters>
      <RouterLink
        v-for="id in ids"
        :key="id"
        :to="`/guide/${id}`"
        :aria-current="id === open ? 'page' : undefined"
        >{{ words(id) }}</RouterLink
      >
    </template>
    <!-- eslint-disable-next-line vue/no-v-html -- our own chapters -->
    <main class="text" @click="follow" v-html="html"></main>
  </PageFrame>
</template>

<style scoped>
.text :deep(p),
.text :deep(li) {
  max-width: 70ch;
  line-height: 1.5;
}
.text :deep(p),
.text :deep(ul),
.text :deep(ol) {
  margin: 0 0 10px;
}
.text :deep(h2) {
  margin: 18px 0 6px;
  font-size: 17px;
}
.text :deep(h1) {
  font-size: 21px;
  margin: 0 0 10px;
}
.text :deep(img) {
  max-width: 100%;
  border: 1px solid var(--hair);
}
</style>
