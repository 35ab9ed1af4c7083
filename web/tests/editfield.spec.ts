import { mount } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import EditField from "../src/app/EditField.vue";
import { useBench } from "../src/plan/store";

beforeEach(() => setActivePinia(createPinia()));

function field(props: object, accepted = true) {
  const save = vi.fn().mockResolvedValue(accepted);
  const wrapper = mount(EditField, { props: { label: "Width, m", value: 4.2, save, ...props } as never });
  const type = async (text: string) => {
    await wrapper.find("input").setValue(text);
    await new Promise((done) => setTimeout(done));
  };
  const text = () => (wrapper.find("input").element as HTMLInputElement).value;
  return { wrapper, save, type, text };
}

describe("a field that stores what is typed", () => {
  it("reads numbers, also with a comma", async () => {
    const { save, type } = field({ numeric: true });
    await type(" 5,25 ");
    expect(save).toHaveBeenCalledWith(5.25);
  });

  it("says what is no number, stores nothing, and keeps what was typed until Escape brings back the plan's", async () => {
    const { wrapper, save, type, text } = field({ numeric: true });
    for (const wrong of ["wide", "1e999", "4 kg", ""]) {
      await type(wrong);
      expect(save).not.toHaveBeenCalled();
      expect(wrapper.find("[role=alert]").text()).toContain("The plan holds 4.2");
      await wrapper.find("input").trigger("blur");
      expect(text()).toBe(wrong);
    }
    await wrapper.find("input").trigger("keydown", { key: "Escape" });
    expect(text()).toBe("4.2");
    expect(wrapper.find("[role=alert]").exists()).toBe(false);
  });

  it("tells a refusal beside what was typed, and nowhere else", async () => {
    const { wrapper, save, type, text } = field({ numeric: true }, false);
    useBench().message = "A wall is at least 0.05 m long.";
    await type("-3");
    expect(save).toHaveBeenCalledWith(-3);
    expect(text()).toBe("-3");
    expect(wrapper.find("[role=alert]").text()).toContain("A wall is at least 0.05 m long.");
    expect(useBench().message).toBeNull();
    // nor is it shown for another thing
    useBench().selection = "/rooms/other";
    await wrapper.vm.$nextTick();
    expect(text()).toBe("4.2");
  });

  it("keeps what waits for a server that is away, without calling it wrong", async () => {
    const { wrapper, type, text } = field({ numeric: true }, false);
    useBench().saving = "failed";
    await type("5");
    await wrapper.find("input").trigger("blur");
    expect(text()).toBe("5");
    expect(wrapper.find("[role=alert]").exists()).toBe(false);
    await wrapper.setProps({ value: 5 } as never);
    expect(text()).toBe("5");
  });

  it("takes an emptied field for none only where that means something", async () => {
    const { save, type } = field({ numeric: true, optional: true });
    await type("");
    expect(save).toHaveBeenCalledWith(null);
  });

  it("keeps what is being typed when the plan changes meanwhile, and then takes the plan's value again", async () => {
    const { wrapper, text } = field({});
    const input = wrapper.find("input").element as HTMLInputElement;
    input.value = "5.";
    await wrapper.find("input").trigger("input");
    await wrapper.setProps({ value: 4.4, save: vi.fn() } as never);
    expect(text()).toBe("5.");
    await wrapper.find("input").trigger("blur");
    expect(text()).toBe("4.4");
  });

  it("keeps what is typed while the value before it is being stored", async () => {
    let stored: (fine: boolean) => void = () => {};
    const save = vi.fn(() => new Promise<boolean>((done) => (stored = done)));
    const { wrapper, text } = field({ save });
    await wrapper.find("input").setValue("first");
    await wrapper.find("input").trigger("change");
    (wrapper.find("input").element as HTMLInputElement).value = "first and more";
    await wrapper.find("input").trigger("input");
    stored(true);
    await wrapper.setProps({ value: "first" } as never);
    expect(text()).toBe("first and more");
  });
});
