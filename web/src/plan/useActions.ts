import { computed, type Ref } from "vue";
import { useRouter } from "vue-router";
import { useBench } from "./store";
import { LAYOUTS, type Layout } from "./layout";

/** What the find box can do besides going somewhere. */
export function useActions(layout: Ref<Layout>, dark: Ref<boolean>, toggleTheme: () => void) {
  const bench = useBench();
  const router = useRouter();
  return computed(() => [
    { name: "Undo", what: "action", words: bench.undoLabel ?? "", act: () => void bench.step("undo") },
    { name: "Redo", what: "action", words: bench.redoLabel ?? "", act: () => void bench.step("redo") },
    {
      name: "Calculators",
      what: "page",
      words: "formula airtime fresnel voltage drop",
      act: () => void router.push("/calculators"),
    },
    { name: "All plans", what: "page", words: "list new import copy", act: () => void router.push("/plans") },
    {
      name: "Walk test on a phone",
      what: "page",
      words: "measure mobile",
      act: () => void router.push(`/plans/${bench.id}/walk`),
    },
    {
      name: dark.value ? "Light paper" : "Dark paper",
      what: "setting",
      words: "theme night colour contrast",
      act: toggleTheme,
    },
    {
      name: "Export this plan",
      what: "action",
      words: "download save file backup json",
      act: () => window.location.assign(`/api/plans/${bench.id}/export`),
    },
    {
      name: "Nothing is gone",
      what: "action",
      words: "restore outage without",
      act: () => void bench.suppose([]),
    },
    ...(Object.keys(LAYOUTS) as Layout[]).map((where) => ({
      name: `Panel ${where === "full" ? "alone" : where}`,
      what: "setting",
      words: "layout divider drawing",
      act: () => (layout.value = where),
    })),
  ]);
}
