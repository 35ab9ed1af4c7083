import { useMediaQuery } from "@vueuse/core";

/** Whether the window is as narrow as a phone's or half a screen: one column then. */
export const useNarrow = () => useMediaQuery("(max-width: 820px)");
