import js from "@eslint/js";
import prettier from "eslint-config-prettier";
import vue from "eslint-plugin-vue";
import ts from "typescript-eslint";

export default ts.config(
  { ignores: ["dist", "node_modules", "target", "src/api/schema.d.ts"] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs["flat/recommended"],
  {
    files: ["**/*.vue"],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: { "vue/multi-word-component-names": "off", "vue/require-default-prop": "off" },
  },
  { languageOptions: { globals: { ...Object.fromEntries(GLOBALS().map((name) => [name, "readonly"])) } } },
  prettier,
);

function GLOBALS() {
  return [
    "window",
    "document",
    "localStorage",
    "fetch",
    "URL",
    "Blob",
    "File",
    "HTMLElement",
    "HTMLInputElement",
    "SVGSVGElement",
    "SVGElement",
    "PointerEvent",
    "KeyboardEvent",
    "ResizeObserver",
    "HTMLCanvasElement",
    "Image",
    "WheelEvent",
    "getComputedStyle",
    "EventSource",
    "FormData",
    "MessageEvent",
    "XMLSerializer",
    "Event",
    "setTimeout",
    "clearTimeout",
    "MouseEvent",
    "HTMLSelectElement",
    "HTMLMetaElement",
    "requestAnimationFrame",
    "Element",
    "Response",
    "matchMedia",
    "DOMPoint",
    "Request",
    "globalThis",
  ];
}
