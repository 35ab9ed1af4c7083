import { flushPromises, mount } from "@vue/test-utils";
import { expect, it, vi } from "vitest";
import PassphraseStrength from "../src/stages/names/PassphraseStrength.vue";

it("judges a passphrase in the browser alone", async () => {
  const asked = vi.spyOn(globalThis, "fetch");
  const wrapper = mount(PassphraseStrength);
  const input = wrapper.get("input[maxlength]");
  await input.trigger("focus");
  const says = async (passphrase: string) => {
    await input.setValue(passphrase);
    await vi.waitFor(() => expect(wrapper.find("[role=status]").exists()).toBe(true), 5000);
    await flushPromises();
    return wrapper.get("[role=status]").text();
  };
  for (const weak of ["password1", "Sommer2024!", "qwertyuiop", "19122024", "aaaaaaaaaaaaaaaaaaaaaaaa"])
    expect(await says(weak)).toContain("Weak:");
  expect(await says("tumble gravel otter nineteen quilt")).toContain("Strong:");
  expect(await says("x7#Kq".repeat(2000))).toMatch(/Weak:|Strong:/);
  await input.setValue("");
  expect(wrapper.find("[role=status]").exists()).toBe(false);
  expect(asked).not.toHaveBeenCalled();
});
