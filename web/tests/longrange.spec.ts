import { mount } from "@vue/test-utils";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../src/api/client";
import { stageId, stageName } from "../src/plan/stages";
import ProfileDrawing from "../src/stages/long-range/ProfileDrawing.vue";

const end = (name: string, heightM: number): Schemas["End"] => ({
  unit: name,
  name,
  heightM,
  onMast: true,
  leastM: 0.1,
  mostM: 40,
  pointer: `/units/${name}/radios/chirp/air/mastM`,
  zeroM: 0,
});
const point = (distanceM: number, groundM: number): Schemas["Drawn"] => ({
  distanceM,
  groundM,
  builtM: groundM,
  treeM: distanceM > 0 && distanceM < 600 ? groundM + 9 : null,
  water: false,
  bulgeM: 0,
  rayM: 110,
  radiusM: distanceM > 0 && distanceM < 600 ? 6 : 0,
});
const report = {
  lengthM: 600,
  from: end("gateway", 8),
  to: end("outpost", 39.9),
  points: [point(0, 100), point(200, 112), point(300, 118), point(400, 110), point(600, 104)],
  clearance: { distanceM: 300, clearanceM: -8, radiusM: 7, share: -1.14 },
} as unknown as Schemas["PathReport"];

describe("stages in the address", () => {
  it("are written with a hyphen and named in words", () => {
    expect(stageId("LONG_RANGE")).toBe("long-range");
    expect(stageName("LONG_RANGE")).toBe("Long range");
    expect(stageName("SITE")).toBe("Site");
  });
});

describe("the profile", () => {
  it("says in words what it draws", () => {
    const drawing = mount(ProfileDrawing, { props: { report } });
    expect(drawing.find("title").text()).toContain("blocked by 8.0 m at 300 metres");
    expect(drawing.find(".note.bad").text()).toContain("blocked by 8.0 m");
    expect(drawing.find(".trees").attributes("d")).toContain("V");
  });
  it("moves an antenna by its keys and never beyond its bounds", async () => {
    const drawing = mount(ProfileDrawing, { props: { report } });
    const [from, to] = drawing.findAll("[role=slider]");
    expect(from!.attributes("aria-label")).toContain("gateway");
    await from!.trigger("keydown", { key: "ArrowUp" });
    await to!.trigger("keydown", { key: "PageUp" });
    await from!.trigger("keydown", { key: "a" });
    expect(drawing.emitted("drag")).toEqual([
      ["from", 8.1],
      ["to", 40],
    ]);
    expect(drawing.emitted("drop")).toHaveLength(2);
  });
});
