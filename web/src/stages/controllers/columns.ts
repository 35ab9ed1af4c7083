import { typed } from "../../plan/patch";
import type { Op, Unit } from "../../api/client";
import { UNIT_WORDS, words } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { alone, carries, is, whereWords } from "../../plan/units";
import type { Stored, TableColumn } from "../../table/columns";

/** A unit with its id. */
export interface UnitRow {
  id: string;
  u: Unit;
}

/** The columns of the table of units. */
export function unitColumns(): TableColumn<UnitRow>[] {
  const bench = useBench();
  const plan = () => bench.plan!;
  const put =
    (...field: string[]) =>
    (row: UnitRow, value: Stored): Op[] => [typed(["units", row.id, ...field], value)];
  const power = (u: Unit) =>
    u.power.source === "MAINS"
      ? (plan().circuits[u.power.circuit ?? ""]?.name ?? "mains")
      : u.power.source === "BATTERY"
        ? "battery"
        : `${u.power.source === "ETHERNET" ? "Ethernet from " : ""}${plan().units[u.power.from ?? ""]?.name ?? "nothing yet"}`;
  /** Terminals of the boards that are chosen, or the channels that were counted. */
  const channels = ({ id, u }: UnitRow) => {
    if (!carries(u)) return "";
    const wired = bench.shown?.wired[id];
    const used = Object.values(plan().devices).filter((d) => d.unit === id).length;
    return wired
      ? `${wired.needs.filter((n) => n.terminal).length} of ${wired.needs.length}, ${wired.free} free`
      : `${used} of ${u.channels}`;
  };
  const hubs = (): [string, string][] =>
    Object.entries(plan().units)
      .filter(([, u]) => is(u, "HUB"))
      .map(([id, u]) => [id, u.name]);
  return [
    {
      id: "name",
      head: "Unit",
      wide: true,
      value: (row) => row.u.name,
      edit: { raw: (row) => row.u.name, ops: put("name") },
    },
    {
      id: "kind",
      head: "Kind",
      value: (row) => [row.u.kind, ...(row.u.roles ?? [])].map((k) => UNIT_WORDS[k]).join(", "),
    },
    { id: "where", head: "Where", value: (row) => whereWords(plan(), row.u.place) },
    { id: "power", head: "Power", value: (row) => power(row.u) },
    { id: "channels", head: "Channels connected", numeric: true, value: channels },
    {
      id: "hub",
      head: "Hub",
      value: (row) => (row.u.hub ? (plan().units[row.u.hub]?.name ?? "") : ""),
      edit: {
        raw: (row) => row.u.hub,
        ops: put("hub"),
        choices: hubs,
        optional: true,
        when: (row) => carries(row.u) || alone(row.u) || row.u.kind === "CAMERA",
      },
    },
    { id: "now", head: "Now", wide: true, value: (row) => bench.shown?.troubles[row.id]?.why ?? "" },
    {
      id: "height",
      head: "Height, m",
      hidden: true,
      numeric: true,
      value: (row) => row.u.place?.heightM ?? null,
      edit: {
        raw: (row) => row.u.place?.heightM ?? null,
        ops: put("place", "heightM"),
        unit: "m",
        when: (row) => !!row.u.place,
      },
    },
    {
      id: "backup",
      head: "Own backup, h",
      hidden: true,
      numeric: true,
      value: (row) => row.u.power.backupH || null,
      edit: { raw: (row) => row.u.power.backupH, ops: put("power", "backupH"), unit: "h" },
    },
    {
      id: "wish",
      head: "Wished without mains, h",
      hidden: true,
      numeric: true,
      value: (row) => row.u.power.wishH,
      edit: { raw: (row) => row.u.power.wishH, ops: put("power", "wishH"), unit: "h", optional: true },
    },
    {
      id: "rating",
      head: "Made for",
      hidden: true,
      value: (row) => (row.u.rating ? words(row.u.rating) : ""),
      edit: {
        raw: (row) => row.u.rating,
        ops: put("rating"),
        choices: () => ["DRY", "DAMP", "OUTDOOR", "FREEZING"].map((r) => [r, words(r)]),
        optional: true,
      },
    },
    { id: "ipv4", head: "Address", hidden: true, value: (row) => row.u.ipv4 ?? "" },
    { id: "mac", head: "Hardware address", hidden: true, value: (row) => row.u.mac ?? "" },
    { id: "node", head: "Node id", hidden: true, numeric: true, value: (row) => row.u.nodeId },
  ];
}
