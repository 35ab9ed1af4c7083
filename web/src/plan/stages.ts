import { defineAsyncComponent, type Component } from "vue";

/** A part of a stage's panel. */
export interface Part {
  name: string;
  panel: Component;
  /** Whether it takes the whole bench: what it shows has no place on the sheet. */
  whole?: boolean;
  /** Words by which people look for it. */
  words?: string;
}
/** A stage of the bench: everything that the page knows of it stands here. */
export interface StageEntry {
  name: string;
  /** In their order; the first opens by itself. */
  parts: Record<string, Part>;
  /** Stands around its parts where they share what was asked. */
  frame?: Component;
  /** Its chapter of the guide. */
  guide: string;
}

const part = (
  name: string,
  load: () => Promise<{ default: Component }>,
  more: Pick<Part, "whole" | "words"> = {},
): Part => ({ name, panel: defineAsyncComponent(load), ...more });

/** The stages by their id in the address, in working order. */
export const STAGES: Record<string, StageEntry> = {
  overview: {
    name: "Overview",
    guide: "first-plan",
    parts: {
      sheet: part("Overview", () => import("../stages/overview/OverviewPanel.vue"), {
        whole: true,
        words: "start home progress history last edits money dates summary",
      }),
      snags: part("All snags", () => import("../stages/overview/SnagTable.vue"), {
        whole: true,
        words: "problems errors warnings stops fixes table list",
      }),
    },
  },
  site: {
    name: "Site",
    guide: "site",
    parts: {
      rooms: part("Rooms and ground", () => import("../stages/site/RoomsPart.vue"), {
        words: "room floor building spot doors windows draw",
      }),
      walls: part("What walls are made of", () => import("../stages/site/ConstructionsPart.vue"), {
        words: "construction material brick concrete loss",
      }),
      existing: part("Already there", () => import("../stages/site/ExistingPart.vue"), {
        words: "existing cable socket wall box neutral",
      }),
      files: part("Lists, pictures, files", () => import("../stages/site/FilesPart.vue"), {
        words:
          "import underlay picture geojson paste list of rooms region mains voltage north units feet metric",
      }),
    },
  },
  devices: {
    name: "Devices",
    guide: "devices",
    parts: {
      devices: part("Devices", () => import("../stages/devices/DeviceTable.vue"), {
        words: "lamp light socket blind lock sensor switch dark button",
      }),
      templates: part("Templates", () => import("../stages/devices/TemplatesPart.vue"), {
        words: "set room copy many place own template",
      }),
      sound: part("Who hears what", () => import("../stages/devices/SoundPart.vue"), {
        words: "siren alarm loud hear smoke dB(A)",
      }),
      cautions: part("Cautions", () => import("../stages/devices/CautionsPart.vue"), {
        words: "safety mains electrician law",
      }),
    },
  },
  controllers: {
    name: "Controllers",
    guide: "controllers",
    parts: {
      units: part("Units", () => import("../stages/controllers/UnitTable.vue"), {
        words: "board router hub access point gateway wifi network",
      }),
      power: part("Power", () => import("../stages/controllers/PowerPart.vue"), {
        whole: true,
        words: "battery supply backup fuse circuit consumption tree one-line",
      }),
      lines: part("Buses and lines", () => import("../stages/controllers/LinesPart.vue"), {
        whole: true,
        words: "bus chain expander rs-485 i2c",
      }),
      boxes: part("Boxes", () => import("../stages/controllers/HousingsPart.vue"), {
        whole: true,
        words: "enclosure wall box din rail heat",
      }),
      parts: part("Catalogue", () => import("../stages/controllers/PartsPart.vue"), {
        whole: true,
        words: "parts data sheet price own part",
      }),
    },
  },
  links: {
    name: "Links",
    guide: "links",
    parts: {
      links: part("Links", () => import("../stages/links/LinkTable.vue"), {
        words: "radio wifi signal margin budget",
      }),
      rooms: part("Rooms", () => import("../stages/links/RoomCoverage.vue"), {
        words: "coverage wifi phone handset demand",
      }),
      mesh: part("Mesh", () => import("../stages/links/MeshPart.vue"), { words: "hops routes repeat" }),
      channels: part("Channels", () => import("../stages/links/ChannelPart.vue"), {
        words: "interference frequency wifi",
      }),
      walk: part("Walk test", () => import("../stages/links/WalkTest.vue"), {
        words: "measure reading calibrate",
      }),
      next: part("Where next", () => import("../stages/links/WhereNext.vue"), {
        words: "place access point gateway position optimise",
      }),
    },
  },
  "long-range": {
    name: "Long range",
    guide: "long-range",
    frame: defineAsyncComponent(() => import("../stages/long-range/LongRangePanel.vue")),
    parts: {
      profile: part("Paths", () => import("../stages/long-range/PathPart.vue"), {
        whole: true,
        words: "terrain profile fresnel",
      }),
      settings: part("Settings", () => import("../stages/long-range/SettingsPart.vue"), {
        whole: true,
        words: "spreading factor bandwidth",
      }),
      takes: part("Ways to gain margin", () => import("../stages/long-range/TakesPart.vue"), {
        whole: true,
        words: "antenna height margin",
      }),
      map: part("Map and relays", () => import("../stages/long-range/MapPart.vue"), {
        whole: true,
        words: "coverage relay hill",
      }),
      air: part("Shared air", () => import("../stages/long-range/AirPart.vue"), {
        whole: true,
        words: "collisions law duty cycle",
      }),
      messages: part("Messages", () => import("../stages/long-range/MessagePart.vue"), {
        whole: true,
        words: "payload airtime",
      }),
      energy: part("Energy", () => import("../stages/long-range/EnergyPart.vue"), {
        whole: true,
        words: "battery solar year winter",
      }),
      test: part("Field test", () => import("../stages/long-range/FieldTestPart.vue"), {
        whole: true,
        words: "measure reading",
      }),
      ground: part("Ground and law", () => import("../stages/long-range/GroundPart.vue"), {
        whole: true,
        words: "heights terrain region law",
      }),
    },
  },
  names: {
    name: "Names",
    guide: "names",
    parts: {
      addresses: part("Addresses", () => import("../stages/names/AddressesPart.vue"), {
        whole: true,
        words: "ip node id subnet lease dhcp router pool bus number block",
      }),
      messages: part("Messages", () => import("../stages/names/MessagesPart.vue"), {
        words: "topic mqtt broker payload contract retained last will publish subscribe",
      }),
      topics: part("Topics", () => import("../stages/names/TopicsPart.vue"), {
        whole: true,
        words: "topic rule root rename",
      }),
      rename: part("Rename", () => import("../stages/names/RenamePart.vue"), {
        whole: true,
        words: "rename name topic alias old until impact",
      }),
      secrets: part("Secrets", () => import("../stages/names/SecretsPart.vue"), {
        whole: true,
        words: "credentials password passphrase key code factory strength broker access",
      }),
      traffic: part("Traffic", () => import("../stages/names/TrafficPart.vue"), {
        whole: true,
        words:
          "messages month quota account service segment vlan crossing port host name multicast local transport",
      }),
      leases: part("What is there", () => import("../stages/names/LeasesPart.vue"), {
        whole: true,
        words: "lease list dhcp existing network compare import adopt neighbour",
      }),
      spoken: part("Spoken", () => import("../stages/names/SpokenPart.vue"), {
        whole: true,
        words: "voice assistant say alike phonetic language confirm group alias",
      }),
      controllers: part("Each controller", () => import("../stages/names/ControllersPart.vue"), {
        words: "configuration header environment template sheet flash firmware compare boards difference",
      }),
      give: part("Give out", () => import("../stages/names/GivePart.vue"), {
        whole: true,
        words: "export asyncapi csv hosts download file dhcp reservations access list acl",
      }),
    },
  },
  rules: {
    name: "Rules",
    guide: "rules",
    parts: {
      rules: part("Rules", () => import("../stages/rules/RulesPart.vue"), {
        whole: true,
        words:
          "automation when then only if unless trigger action schedule sentence contradiction week story where it runs",
      }),
      buttons: part("Buttons", () => import("../stages/rules/ButtonsPart.vue"), {
        whole: true,
        words: "push-button gesture short long double press delay",
      }),
      state: part("House state", () => import("../stages/rules/StatePart.vue"), {
        whole: true,
        words: "mode home away presence people quiet hours time zone who is told",
      }),
      sensors: part("Sensors", () => import("../stages/rules/SensorsPart.vue"), {
        words: "motion camera range angle sees openings watched hold warm-up",
      }),
      screens: part("Screens", () => import("../stages/rules/ScreensPart.vue"), {
        whole: true,
        words: "control screen tablet phone tile dashboard card",
      }),
      ready: part("Ready-made", () => import("../stages/rules/ReadyPart.vue"), {
        whole: true,
        words: "template recipe frost flood left open watchdog all off",
      }),
    },
  },
  outages: {
    name: "Outages",
    guide: "outages",
    parts: {
      outages: part("Now", () => import("../stages/outages/OutagesPanel.vue"), {
        words: "outages dark power cut internet fails without still works service clock moment",
      }),
      matrix: part("Matrix", () => import("../stages/outages/MatrixPart.vue"), {
        whole: true,
        words: "matrix pairs single point of failure changed since all outages",
      }),
      hours: part("Hours a year", () => import("../stages/outages/HoursPart.vue"), {
        whole: true,
        words: "availability reliability mean time between failures repair least sets chance year",
      }),
      promises: part("Promises", () => import("../stages/outages/PromisesPart.vue"), {
        whole: true,
        words: "survive promise backup cheapest changes keep must go on make it survive",
      }),
      doors: part("Ways out", () => import("../stages/outages/DoorsPart.vue"), {
        words: "door exit way out in open valve gate siren told message nobody",
      }),
    },
  },
  build: {
    name: "Build",
    guide: "build",
    parts: {
      cost: part("Parts and cost", () => import("../stages/build/CostPart.vue"), {
        whole: true,
        words: "money price buy order shopping budget print list",
      }),
      boards: part("Which board", () => import("../stages/build/BoardsPart.vue"), {
        whole: true,
        words: "choose controller size pins",
      }),
      cables: part("Cables", () => import("../stages/build/CablesPart.vue"), {
        whole: true,
        words: "schedule labels cores print",
      }),
      wiring: part("Wiring diagram", () => import("../stages/build/WiringPart.vue"), {
        whole: true,
        words: "terminals pins draw print pdf",
      }),
    },
  },
};

/** The stage of an address, or the first. */
export const stageOf = (asked: unknown): string => (String(asked) in STAGES ? String(asked) : "overview");

/** The open part of a stage: the one that is asked for, or its first. */
export const partOf = (stage: string, asked: string | null): string =>
  asked !== null && asked in STAGES[stage]!.parts ? asked : Object.keys(STAGES[stage]!.parts)[0]!;

/** The stage of the format as the address and the rail name it. */
export const stageId = (stage: string): string => stage.toLowerCase().replaceAll("_", "-");

/** A stage in words. */
export const stageName = (stage: string): string => STAGES[stageId(stage)]?.name ?? stage;
