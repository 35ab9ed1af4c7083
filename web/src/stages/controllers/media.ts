/** The radios that a unit can get, and the ids they get among its radios. */
export const RADIO_IDS = {
  WIFI_2G4: "wifi",
  WIFI_5G: "wifi5",
  BLE: "ble",
  MESH_802154: "mesh",
  MESH_G9959: "g9959",
  SUB_GHZ: "subghz",
  CHIRP: "chirp",
} as const;
export type RadioMedium = keyof typeof RADIO_IDS;
export const RADIOS = Object.keys(RADIO_IDS) as RadioMedium[];
