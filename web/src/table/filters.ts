import { readQuantity } from "./quantities";

const number = (text: string): number | null => {
  const read = readQuantity(text);
  return "value" in read ? read.value : null;
};

/** Whether a cell is wanted: part of its words, or for numbers also >5, <=3, 1..4. */
export function matches(wanted: string, text: string, value: string | number | null): boolean {
  const compared = /^(<=|>=|<|>|=)\s*(.+)$/.exec(wanted.trim());
  const range = /^(.+?)\.\.(.+)$/.exec(wanted.trim());
  if (typeof value === "number" && compared) {
    const other = number(compared[2]!);
    if (other === null) return false;
    return {
      "<": value < other,
      ">": value > other,
      "<=": value <= other,
      ">=": value >= other,
      "=": value === other,
    }[compared[1] as "<"];
  }
  if (typeof value === "number" && range) {
    const [least, most] = [number(range[1]!), number(range[2]!)];
    return least !== null && most !== null && value >= least && value <= most;
  }
  return text.toLocaleLowerCase().includes(wanted.trim().toLocaleLowerCase());
}
