import { definePreset } from "@primeuix/themes";
import Base from "@primeuix/themes/nora";

const copper = {
  50: "#fbf3ee",
  100: "#f3dfd2",
  200: "#e6bfa6",
  300: "#d99f7a",
  400: "#cf8555",
  500: "#a8552a",
  600: "#974b24",
  700: "#8a431e",
  800: "#6b3417",
  900: "#4c2510",
  950: "#331809",
};

/** Skelto's own preset: paper, ink and one copper accent. */
export const preset = definePreset(Base, {
  semantic: {
    primary: copper,
    colorScheme: {
      light: {
        primary: {
          color: "#a8552a",
          contrastColor: "#ffffff",
          hoverColor: "#8a431e",
          activeColor: "#6b3417",
        },
      },
      dark: {
        primary: {
          color: "#e0986b",
          contrastColor: "#1b232b",
          hoverColor: "#e9b08b",
          activeColor: "#f0c5a8",
        },
      },
    },
  },
});

const KEY = "skelto-theme";

export function currentTheme(): "light" | "dark" {
  return document.documentElement.dataset.theme === "dark" ? "dark" : "light";
}

/** Sets the theme given, or the one chosen last, or what the system asks for. */
export function applyTheme(theme?: "light" | "dark"): void {
  const stored = localStorage.getItem(KEY);
  const system = window.matchMedia?.("(prefers-color-scheme: dark)").matches ? "dark" : "light";
  const chosen = theme ?? (stored === "dark" || stored === "light" ? stored : system);
  document.documentElement.dataset.theme = chosen;
  if (theme) localStorage.setItem(KEY, theme);
}
