/** Where the panel can be. */
export const LAYOUTS = { below: "below", beside: "beside", full: "full" } as const;
export type Layout = keyof typeof LAYOUTS;
/** What it is remembered under. */
export const LAYOUT = "skelto.layout";
export const layoutOf = (kept: string | null): Layout =>
  kept !== null && kept in LAYOUTS ? (kept as Layout) : "below";
