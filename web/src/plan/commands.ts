import { answer, api, type Schemas } from "../api/client";
import { useBench } from "./store";

/** What a person asks for in a word, with what each needs to know. */
interface Commands {
  "add-device": Schemas["AddDevice"];
  "add-devices": Schemas["AddDevices"];
  "add-unit": Schemas["AddUnit"];
  "add-address-block": Schemas["AddAddressBlock"];
  "add-demand": Schemas["AddDemand"];
  "add-fitting": Schemas["AddFitting"];
  "add-opening": Schemas["AddOpening"];
  attach: Schemas["Attach"];
  "copy-room-set": Schemas["CopyRoomSet"];
  "duplicate-unit": Schemas["DuplicateUnit"];
  "network-like": Schemas["NetworkLike"];
  "place-room-set": Schemas["SetPlacings"];
  "move-room": Schemas["MoveRoom"];
  "move-to-room": Schemas["MoveToRoom"];
  "put-in": Schemas["PutIn"];
  remove: Schemas["Remove"];
  "remove-corner": Schemas["RemoveCorner"];
  "remove-ground": Schemas["RemoveGround"];
  "set-power-source": Schemas["SetPowerSource"];
  "set-wall": Schemas["SetWall"];
  "set-wall-length": Schemas["SetWallLength"];
  "split-wall": Schemas["SplitWall"];
}
export type Proposal = Schemas["Proposal"];

/** The edits of a command on the plan as it is; nothing is stored. Ask for it in turn, so that what is under way is in the plan. */
export async function proposal<K extends keyof Commands>(name: K, body: Commands[K]): Promise<Proposal> {
  const path = `/api/plans/{id}/commands/${name}` as "/api/plans/{id}/commands/remove";
  return answer(
    api.POST(path, { params: { path: { id: useBench().id } }, body: body as Schemas["Remove"] }),
  ) as Promise<Proposal>;
}

/** Makes the edits of a proposal, as one named undo, and tells what was left. */
export async function carryOut(found: Proposal, label: string): Promise<boolean> {
  const bench = useBench();
  const done = found.edits.length > 0 && (await bench.edit(found.edits, label));
  if (found.notes.length) bench.message = found.notes.join(" ");
  return done;
}

/** Adds a thing to a map of the plan and selects it. */
export async function addAndSelect<K extends "add-device" | "add-unit">(
  name: K,
  body: Commands[K],
  map: "devices" | "units",
  label: string,
): Promise<boolean> {
  const bench = useBench();
  let done = false;
  await bench.inTurn(() =>
    bench.guarded(async () => {
      const found = await proposal(name, body);
      done = await carryOut(found, label);
      const added = found.edits.find((e) => e.op === "add" && e.path.startsWith(`/${map}/`));
      if (done && added) bench.select(added.path);
    }),
  );
  return done;
}

/** Does it: one named undo; what was left is told. */
export async function command<K extends keyof Commands>(
  name: K,
  body: Commands[K],
  label?: string,
): Promise<boolean> {
  const bench = useBench();
  let done = false;
  await bench.inTurn(() =>
    bench.guarded(async () => {
      const found = await proposal(name, body);
      done = await carryOut(found, label ?? found.label);
    }),
  );
  return done;
}
