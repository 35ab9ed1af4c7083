import { mount } from "@vue/test-utils";
import { describe, expect, it } from "vitest";
import { defineComponent, h, ref } from "vue";
import { useSheet } from "../src/drawing/useSheet";

function sheet() {
  let made!: ReturnType<typeof useSheet>;
  const Sheet = defineComponent({
    setup() {
      const element = ref<HTMLElement | null>(null);
      made = useSheet(element, ref({ west: 0, south: 0, east: 10, north: 8 }));
      return () => h("div", { ref: element, tabindex: 0, onKeydown: made.keysOnSheet }, [h("button")]);
    },
  });
  return { wrapper: mount(Sheet, { attachTo: document.body }), sheet: made };
}
const touch = (type: string, points: [number, number][]) => {
  const event = new Event(type, { cancelable: true });
  return Object.assign(event, { touches: points.map(([clientX, clientY]) => ({ clientX, clientY })) });
};

describe("the sheet under the hand", () => {
  it("is zoomed by plus and minus, moved by arrows and fitted by 0, but not by keys that are for something on it", async () => {
    const { wrapper, sheet: s } = sheet();
    await wrapper.trigger("keydown", { key: "+" });
    expect(s.zoom.value).toBeCloseTo(1.4);
    await wrapper.trigger("keydown", { key: "ArrowRight" });
    const moved = s.pan.value[0];
    await wrapper.find("button").trigger("keydown", { key: "-" });
    await wrapper.trigger("keydown", { key: "+", ctrlKey: true });
    expect(s.zoom.value).toBeCloseTo(1.4);
    await wrapper.trigger("keydown", { key: "ArrowLeft" });
    expect(s.pan.value[0]).toBe(moved + 60);
    await wrapper.trigger("keydown", { key: "0" });
    expect([s.zoom.value, s.pan.value]).toEqual([1, [0, 0]]);
  });

  it("follows two fingers: what lies between them stays between them", async () => {
    const { wrapper, sheet: s } = sheet();
    await wrapper.vm.$nextTick();
    const element = wrapper.element as HTMLElement;
    const under = s.metres(200, 150);
    element.dispatchEvent(
      touch("touchstart", [
        [150, 150],
        [250, 150],
      ]),
    );
    const move = touch("touchmove", [
      [100, 150],
      [300, 150],
    ]);
    element.dispatchEvent(move);
    expect(move.defaultPrevented).toBe(true);
    expect(s.zoom.value).toBeCloseTo(2);
    const there = s.metres(200, 150);
    expect(there[0]).toBeCloseTo(under[0]);
    expect(there[1]).toBeCloseTo(under[1]);
    // fingers that move together move the sheet
    element.dispatchEvent(
      touch("touchmove", [
        [130, 170],
        [330, 170],
      ]),
    );
    expect(s.zoom.value).toBeCloseTo(2);
    expect(s.metres(230, 170)[0]).toBeCloseTo(under[0]);
    element.dispatchEvent(touch("touchend", []));
    const one = touch("touchmove", [[10, 10]]);
    element.dispatchEvent(one);
    expect(one.defaultPrevented).toBe(false);
  });
});
