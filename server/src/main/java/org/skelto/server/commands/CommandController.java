package org.skelto.server.commands;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Supplier;
import org.skelto.core.commands.AddAddressBlock;
import org.skelto.core.commands.AddDemand;
import org.skelto.core.commands.AddDevice;
import org.skelto.core.commands.AddDevices;
import org.skelto.core.commands.AddFitting;
import org.skelto.core.commands.AddOpening;
import org.skelto.core.commands.AddUnit;
import org.skelto.core.commands.Attach;
import org.skelto.core.commands.Command;
import org.skelto.core.commands.CopyRoomSet;
import org.skelto.core.commands.DuplicateUnit;
import org.skelto.core.commands.MoveRoom;
import org.skelto.core.commands.MoveToRoom;
import org.skelto.core.commands.NetworkLike;
import org.skelto.core.commands.PlaceRoomSet;
import org.skelto.core.commands.PutIn;
import org.skelto.core.commands.Remove;
import org.skelto.core.commands.RemoveCorner;
import org.skelto.core.commands.RemoveGround;
import org.skelto.core.commands.SetPowerSource;
import org.skelto.core.commands.SetWall;
import org.skelto.core.commands.SetWallLength;
import org.skelto.core.commands.SplitWall;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.skelto.server.roomsets.RoomSets;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Commands on the newest revision of a plan; nothing is stored. */
@RestController
@RequestMapping("/api/plans/{id}/commands")
class CommandController {
    private static final int MOST_PLACED = 100;

    private final RoomSets rooms;

    CommandController(RoomSets rooms) {
        this.rooms = rooms;
    }

    /** A template by its id, and the room that it is placed in. */
    public record SetPlacing(String set, String room) {}

    /** Templates placed in rooms, and whether their devices come with radios of their own. */
    public record SetPlacings(List<SetPlacing> placings, boolean own) {}

    @PostMapping("/place-room-set")
    Command.Proposal placeRoomSet(OpenPlan open, @RequestBody SetPlacings asked) {
        if (asked.placings() == null
                || asked.placings().stream().anyMatch(p -> p == null || p.room() == null || p.set() == null)) {
            throw missing("/placings", "room and template for each");
        }
        Map<String, Plan> sets = new TreeMap<>();
        asked.placings().stream().limit(MOST_PLACED).forEach(p -> sets.put(p.room(), rooms.of(p.set(), open.plan())));
        return answer(open, new PlaceRoomSet(sets, asked.own()));
    }

    /** What is missing of router, hub and access points, placed and linked. */
    @PostMapping("/network-like")
    Command.Proposal networkLike(OpenPlan open, @RequestBody NetworkLike asked) {
        return refusing(() -> open.proposals().network(asked));
    }

    @PostMapping("/add-device")
    Command.Proposal addDevice(OpenPlan open, @RequestBody AddDevice asked) {
        if (asked.kind() == null) {
            throw missing("/kind", "it is one of " + DeviceKind.values().length + " kinds");
        }
        return answer(open, asked);
    }

    @PostMapping("/add-unit")
    Command.Proposal addUnit(OpenPlan open, @RequestBody AddUnit asked) {
        if (asked.kind() == null) {
            throw missing("/kind", "it is one of " + UnitKind.values().length + " kinds");
        }
        return answer(open, asked);
    }

    @PostMapping("/move-room")
    Command.Proposal moveRoom(OpenPlan open, @RequestBody MoveRoom asked) {
        return answer(open, asked);
    }

    @PostMapping("/remove-corner")
    Command.Proposal removeCorner(OpenPlan open, @RequestBody RemoveCorner asked) {
        return answer(open, asked);
    }

    @PostMapping("/split-wall")
    Command.Proposal splitWall(OpenPlan open, @RequestBody SplitWall asked) {
        return answer(open, asked);
    }

    @PostMapping("/set-wall-length")
    Command.Proposal setWallLength(OpenPlan open, @RequestBody SetWallLength asked) {
        return answer(open, asked);
    }

    @PostMapping("/set-wall")
    Command.Proposal setWall(OpenPlan open, @RequestBody SetWall asked) {
        return answer(open, asked);
    }

    @PostMapping("/add-opening")
    Command.Proposal addOpening(OpenPlan open, @RequestBody AddOpening asked) {
        return answer(open, asked);
    }

    @PostMapping("/remove-ground")
    Command.Proposal removeGround(OpenPlan open, @RequestBody RemoveGround asked) {
        return answer(open, asked);
    }

    @PostMapping("/put-in")
    Command.Proposal putIn(OpenPlan open, @RequestBody PutIn asked) {
        return answer(open, asked);
    }

    @PostMapping("/add-fitting")
    Command.Proposal addFitting(OpenPlan open, @RequestBody AddFitting asked) {
        return answer(open, asked);
    }

    @PostMapping("/add-demand")
    Command.Proposal addDemand(OpenPlan open, @RequestBody AddDemand asked) {
        return answer(open, asked);
    }

    @PostMapping("/add-address-block")
    Command.Proposal addAddressBlock(OpenPlan open, @RequestBody AddAddressBlock asked) {
        return answer(open, asked);
    }

    @PostMapping("/attach")
    Command.Proposal attach(OpenPlan open, @RequestBody Attach asked) {
        return answer(open, asked);
    }

    @PostMapping("/set-power-source")
    Command.Proposal setPowerSource(OpenPlan open, @RequestBody SetPowerSource asked) {
        return answer(open, asked);
    }

    @PostMapping("/duplicate-unit")
    Command.Proposal duplicateUnit(OpenPlan open, @RequestBody DuplicateUnit asked) {
        return answer(open, asked);
    }

    @PostMapping("/remove")
    Command.Proposal remove(OpenPlan open, @RequestBody Remove asked) {
        return answer(open, asked);
    }

    @PostMapping("/move-to-room")
    Command.Proposal moveToRoom(OpenPlan open, @RequestBody MoveToRoom asked) {
        return answer(open, asked);
    }

    @PostMapping("/add-devices")
    Command.Proposal addDevices(OpenPlan open, @RequestBody AddDevices asked) {
        return answer(open, asked);
    }

    @PostMapping("/copy-room-set")
    Command.Proposal copyRoomSet(OpenPlan open, @RequestBody CopyRoomSet asked) {
        return answer(open, asked);
    }

    private static Command.Proposal answer(OpenPlan open, Command asked) {
        return refusing(() -> asked.on(open.plan()));
    }

    private static Command.Proposal refusing(Supplier<Command.Proposal> asked) {
        try {
            return asked.get();
        } catch (Command.Refused e) {
            throw Refusal.invalid(
                    "This cannot be done. Nothing was changed.", List.of(new Problem("/" + e.field(), e.getMessage())));
        }
    }

    private static Refusal missing(String field, String what) {
        return Refusal.invalid(
                "This cannot be done. Nothing was changed.", List.of(new Problem(field, "is missing: " + what)));
    }
}
