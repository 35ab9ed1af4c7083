/** The regions of the format, with their usual mains voltage. */
export const REGIONS = [
  { id: "EU", name: "European Union", volts: 230 },
  { id: "UK", name: "United Kingdom", volts: 230 },
  { id: "US", name: "United States", volts: 120 },
  { id: "AU", name: "Australia, New Zealand", volts: 230 },
  { id: "IN", name: "India", volts: 230 },
  { id: "JP", name: "Japan", volts: 100 },
] as const;
