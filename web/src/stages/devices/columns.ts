import { typed } from "../../plan/patch";
import type { Device, Op } from "../../api/client";
import { JOB_WORDS, words } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { whereWords } from "../../plan/units";
import type { Stored, TableColumn } from "../../table/columns";

/** A device with its id. */
export interface DeviceRow {
  id: string;
  d: Device;
}
type Field = keyof Device;

const CRITICALITIES = ["COMFORT", "ROUTINE", "PROTECTIVE", "VITAL"];
const HANDS: [string, string][] = [
  ["NONE", "none"],
  ["SWITCH", "switch"],
  ["MECHANICAL", "mechanical"],
];
const RESTS = ["STAYS", "OFF", "ON", "OPEN", "CLOSED"];
const RATINGS = ["DRY", "DAMP", "OUTDOOR", "FREEZING"];

/** The columns of the table of devices. */
export function deviceColumns(): TableColumn<DeviceRow>[] {
  const bench = useBench();
  const plan = () => bench.plan!;
  const put =
    (field: Field) =>
    (row: DeviceRow, value: Stored): Op[] => [typed(["devices", row.id, field], value)];
  const listed = (values: readonly string[]): [string, string][] => values.map((v) => [v, words(v)]);
  const family = (d: Device) => bench.catalog!.deviceKinds.find((k) => k.kind === d.kind)?.family;
  const acts = (row: DeviceRow) => family(row.d) !== "SENSOR";
  const own = (d: Device) => !!d.unit && plan().units[d.unit]?.kind === "SELF_CONTAINED";
  const where = (d: Device) =>
    whereWords(plan(), d.place ?? (d.unit ? plan().units[d.unit]?.place : undefined));
  const sits = (d: Device) =>
    d.unit
      ? own(d)
        ? "own radio"
        : `${plan().units[d.unit]?.name}${d.channel ? ` · ${d.channel}` : ""}`
      : "nothing yet";
  const enumerated = (
    id: string,
    head: string,
    field: Field,
    choices: [string, string][],
    more: Partial<TableColumn<DeviceRow>> = {},
    when?: (row: DeviceRow) => boolean,
  ): TableColumn<DeviceRow> => ({
    id,
    head,
    value: (row) => choices.find(([v]) => v === (row.d[field] ?? ""))?.[1] ?? "",
    edit: {
      raw: (row) => row.d[field] as Stored,
      ops: put(field),
      choices: () => choices,
      when,
    },
    ...more,
  });
  return [
    {
      id: "name",
      head: "Device",
      wide: true,
      value: (row) => row.d.name,
      edit: { raw: (row) => row.d.name, ops: put("name") },
    },
    enumerated(
      "kind",
      "Kind",
      "kind",
      bench.catalog!.deviceKinds.map((k) => [k.kind, words(k.kind)]),
    ),
    { id: "where", head: "Where", value: (row) => where(row.d) },
    enumerated("criticality", "Criticality", "criticality", listed(CRITICALITIES)),
    enumerated("hand", "By hand", "hand", HANDS, {}, acts),
    { id: "unit", head: "Controller · channel", wide: true, value: (row) => sits(row.d) },
    enumerated("rest", "On power loss", "rest", listed(RESTS), { hidden: true }, acts),
    enumerated("rating", "Made for", "rating", listed(RATINGS), { hidden: true }),
    {
      id: "circuit",
      head: "Circuit",
      hidden: true,
      value: (row) => plan().circuits[row.d.circuit ?? ""]?.name ?? "",
      edit: {
        raw: (row) => row.d.circuit,
        ops: put("circuit"),
        choices: () => Object.entries(plan().circuits).map(([id, c]) => [id, c.name]),
        optional: true,
        when: acts,
      },
    },
    {
      id: "jobs",
      head: "Asked of it",
      hidden: true,
      value: (row) =>
        (bench.shown?.states[row.id]?.jobs ?? []).map((j) => JOB_WORDS[j.job] ?? words(j.job)).join(", "),
    },
    {
      id: "height",
      head: "Height, m",
      hidden: true,
      numeric: true,
      value: (row) => row.d.place?.heightM ?? null,
      edit: {
        raw: (row) => row.d.place?.heightM ?? null,
        ops: (row, value) => [typed(["devices", row.id, "place", "heightM"], value)],
        unit: "m",
        when: (row) => !!row.d.place,
      },
    },
    {
      id: "topic",
      head: "Topic",
      hidden: true,
      wide: true,
      value: (row) => row.d.topic ?? bench.shown?.names[row.id]?.topicByRule ?? "",
    },
  ];
}
