/** The radios that a unit can get, and the ids they get among its radios. */
export const RADIO_IDS = {
  WIFI_2G4: "wifi",
  MESH_802154: "mesh",
  SUB_GHZ: "subghz",
  CHIRP: "chirp",
} as const;
export type RadioMedium = keyof typeof RADIO_IDS;
export const RADIOS = Object.keys(RADIO_IDS) as RadioMedium[];
