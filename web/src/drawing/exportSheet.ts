/** What an exported sheet carries with it, since it leaves the page's style sheets behind. */
const PROPERTIES = [
  "fill",
  "fill-opacity",
  "stroke",
  "stroke-width",
  "stroke-dasharray",
  "stroke-linejoin",
  "opacity",
  "font-family",
  "font-size",
  "font-weight",
  "text-anchor",
  "paint-order",
];

/** The sheet in view as an SVG document of its own. */
export function sheetAsSvg(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const originals = [svg, ...svg.querySelectorAll<SVGElement>("*")];
  const copies = [copy, ...copy.querySelectorAll<SVGElement>("*")];
  originals.forEach((original, i) => {
    const target = copies[i]!;
    const style = getComputedStyle(original);
    for (const property of PROPERTIES) {
      const value = style.getPropertyValue(property);
      if (value && !(property === "opacity" && value === "1")) target.setAttribute(property, value);
    }
    for (const name of ["class", "tabindex", "role", "aria-label", "aria-pressed", "aria-hidden", "style"]) {
      target.removeAttribute(name);
    }
    for (const name of target.getAttributeNames()) {
      if (name.startsWith("data-")) target.removeAttribute(name);
    }
  });
  copy.querySelectorAll("foreignObject").forEach((element) => element.remove());
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("viewBox", `0 0 ${svg.getAttribute("width")} ${svg.getAttribute("height")}`);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`;
}

/** Offers the sheet in view as a file. */
export function exportSheet(plan: string, sheet: string): void {
  const svg = document.querySelector<SVGSVGElement>(".sheet > svg");
  if (!svg) return;
  const url = URL.createObjectURL(new Blob([sheetAsSvg(svg)], { type: "image/svg+xml" }));
  const link = document.createElement("a");
  link.href = url;
  link.download = `${plan} ${sheet}.svg`.toLowerCase().replace(/[^a-z0-9.]+/g, "-");
  link.click();
  window.setTimeout(() => URL.revokeObjectURL(url), 5000);
}
