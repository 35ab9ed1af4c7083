/** What was chosen or typed in a field of a form. */
export const text = <T extends string = string>(event: Event) =>
  (event.target as HTMLInputElement | HTMLSelectElement).value as T;

/** What was chosen; null where the empty choice means nothing. */
export const choice = <T extends string = string>(event: Event) => (text<T>(event) || null) as T | null;

/** "yes" or "no" as they were chosen; null where nobody said. */
export const yesNo = (value: string | null) => (value === null ? null : value === "yes");
