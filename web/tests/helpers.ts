import type { Plan } from "../src/api/client";

/** A plan of one room with a board, a lamp on it and a sensor that is its own unit. */
export function smallPlan(): Plan {
  const place = { room: "den", spot: null, xM: 1, yM: 1, heightM: 1 };
  const unit = {
    name: "board",
    kind: "CONTROLLER" as const,
    place,
    power: { source: "MAINS" as const, circuit: "mains", from: null, backupH: 0 },
    channels: 4,
    maxClients: 0,
    internetEntry: false,
    broker: false,
    hub: null,
    radios: {},
    ipv4: null,
    mac: null,
    nodeId: null,
  };
  const device = {
    name: "lamp",
    kind: "LAMP" as const,
    place: { ...place, xM: 2 },
    criticality: "COMFORT" as const,
    hand: "NONE" as const,
    rest: "STAYS" as const,
    unit: "board",
    channel: 1,
    circuit: "mains",
    ways: [],
    wallControls: [],
    exitRoute: false,
    outsideDoor: false,
    obstacleDetection: false,
    topic: null,
  };
  const walls = { north: "brick-110", east: "brick-110", south: "brick-110", west: "brick-110" };
  return {
    format: "skelto-plan/1",
    name: "Small",
    region: "EU",
    mainsVoltageV: 230,
    place: null,
    network: { subnet: "10.0.0.0/24", poolFrom: "10.0.0.100", poolTo: "10.0.0.200", topicRoot: "small" },
    cautionsRead: true,
    buildings: { house: { name: "House", xM: 10, yM: 20, zM: 0 } },
    floors: { ground: { building: "house", name: "Ground", baseM: 0, heightM: 2.5, slab: "timber-floor" } },
    rooms: {
      den: { floor: "ground", name: "Den", xM: 0, yM: 0, widthM: 4, depthM: 3, walls, clutter: "EMPTY" },
      nook: { floor: "ground", name: "Nook", xM: 4, yM: 0, widthM: 2, depthM: 3, walls, clutter: "EMPTY" },
    },
    spots: {},
    circuits: { mains: { name: "Mains" } },
    services: {},
    units: { board: unit, eye: { ...unit, name: "eye", kind: "SELF_CONTAINED" } },
    devices: {
      lamp: device,
      eye: { ...device, name: "eye", kind: "MOTION", place: null, unit: "eye", channel: null },
    },
    links: {},
    accepted: {},
  };
}
