package org.skelto.server.commands;

import java.util.List;
import java.util.UUID;
import org.skelto.core.commands.AddDevice;
import org.skelto.core.commands.AddUnit;
import org.skelto.core.commands.Attach;
import org.skelto.core.commands.Command;
import org.skelto.core.commands.CopyRoomSet;
import org.skelto.core.commands.DuplicateUnit;
import org.skelto.core.commands.MoveRoom;
import org.skelto.core.commands.RemoveCorner;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.plans.Plans;
import org.skelto.server.problems.Refusal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Commands on the newest revision of a plan; nothing is stored. */
@RestController
@RequestMapping("/api/plans/{id}/commands")
class CommandController {
    private final Plans plans;

    CommandController(Plans plans) {
        this.plans = plans;
    }

    @PostMapping("/add-device")
    Command.Proposal addDevice(@PathVariable UUID id, @RequestBody AddDevice asked) {
        if (asked.kind() == null) {
            throw missing("/kind", DeviceKind.values().length + " kinds");
        }
        return answer(id, asked);
    }

    @PostMapping("/add-unit")
    Command.Proposal addUnit(@PathVariable UUID id, @RequestBody AddUnit asked) {
        if (asked.kind() == null) {
            throw missing("/kind", UnitKind.values().length + " kinds");
        }
        return answer(id, asked);
    }

    @PostMapping("/move-room")
    Command.Proposal moveRoom(@PathVariable UUID id, @RequestBody MoveRoom asked) {
        return answer(id, asked);
    }

    @PostMapping("/remove-corner")
    Command.Proposal removeCorner(@PathVariable UUID id, @RequestBody RemoveCorner asked) {
        return answer(id, asked);
    }

    @PostMapping("/attach")
    Command.Proposal attach(@PathVariable UUID id, @RequestBody Attach asked) {
        return answer(id, asked);
    }

    @PostMapping("/duplicate-unit")
    Command.Proposal duplicateUnit(@PathVariable UUID id, @RequestBody DuplicateUnit asked) {
        return answer(id, asked);
    }

    @PostMapping("/copy-room-set")
    Command.Proposal copyRoomSet(@PathVariable UUID id, @RequestBody CopyRoomSet asked) {
        return answer(id, asked);
    }

    private Command.Proposal answer(UUID id, Command asked) {
        try {
            return asked.on(plans.get(id).plan());
        } catch (Command.Refused e) {
            throw Refusal.invalid(
                    "This cannot be done. Nothing was changed.", List.of(new Problem("/" + e.field(), e.getMessage())));
        }
    }

    private static Refusal missing(String field, String what) {
        return Refusal.invalid(
                "This cannot be done. Nothing was changed.",
                List.of(new Problem(field, "is missing: it is one of " + what)));
    }
}
