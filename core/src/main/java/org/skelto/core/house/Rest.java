package org.skelto.core.house;

import static org.skelto.core.house.Formula.all;

import java.util.List;
import java.util.Optional;
import org.skelto.core.house.Formula.Any;
import org.skelto.core.house.Formula.Not;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.equipment.ContactRest;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;

/**
 * The position that a lock, valve, gate or motor rests in when nobody commands it: what its mechanism does without power, times
 * the contact that it hangs on, times whether its feed lives.
 *
 * <p>A worked bolt, fail-safe (open without power) on a normally closed contact: its controller dies, the contact closes, the
 * feed holds it shut; its supply dies, it opens.
 */
final class Rest {
    /** What the mechanism does without power: open, shut, or stay where it was. */
    private final RestState nature;

    private final ContactRest contact;

    /** It does its work. */
    private final Formula board;

    /** It has power, whether it does its work or hangs; a board that hangs leaves its contacts as they were. */
    private final Formula powered;

    private final Formula feed;

    /** Its contact opens and closes, rather than being welded shut. */
    private final Formula sound;

    private final boolean lock;

    Rest(Device device, Catalogue parts, Formula board, Formula powered, Formula feed, Formula sound) {
        this.nature = nature(device, parts);
        this.contact = device.known().contact() == null
                ? ContactRest.NORMALLY_OPEN
                : device.known().contact();
        this.board = board;
        this.powered = powered;
        this.feed = feed;
        this.sound = sound;
        this.lock = device.kind() == DeviceKind.LOCK;
    }

    /** The part's nature wins over what is declared: a fail-safe strike opens, whatever its lock is called. */
    static RestState nature(Device device, Catalogue parts) {
        Optional<Part> part = parts.find(device.known().part());
        if (part.filter(p -> p.is(Trait.FAIL_SAFE)).isPresent()) {
            return RestState.OPEN;
        }
        if (part.filter(p -> p.is(Trait.FAIL_SECURE)).isPresent()) {
            return RestState.CLOSED;
        }
        return device.rest();
    }

    /** Whether a device's mechanism stays where it was without power. */
    static boolean stays(Device device, Catalogue parts) {
        return stays(nature(device, parts));
    }

    private static boolean stays(RestState nature) {
        return nature != RestState.OPEN && nature != RestState.CLOSED;
    }

    /** When it is known to be shut; null when that is never known. */
    Formula shut() {
        if (stays(nature)) {
            return null;
        }
        boolean opens = nature == RestState.OPEN;
        Formula unfed = opens ? null : new Not(feed);
        Formula deadBoard = contact == ContactRest.BISTABLE || opens != (contact == ContactRest.NORMALLY_CLOSED)
                ? null
                : all(new Not(powered), feed, sound);
        Formula welded = opens ? all(new Not(sound), feed) : null;
        return any(unfed, deadBoard, welded, lock ? all(board, feed, sound) : null);
    }

    /** When it is known to stand open; null when that is never known. */
    Formula open() {
        if (stays(nature)) {
            return null;
        }
        boolean opens = nature == RestState.OPEN;
        Formula unfed = opens ? new Not(feed) : null;
        Formula deadBoard = contact == ContactRest.BISTABLE || opens == (contact == ContactRest.NORMALLY_CLOSED)
                ? null
                : all(new Not(powered), feed, sound);
        Formula welded = opens ? null : all(new Not(sound), feed);
        return any(unfed, deadBoard, welded);
    }

    private static Formula any(Formula... parts) {
        List<Formula> real =
                java.util.Arrays.stream(parts).filter(p -> p != null).toList();
        return real.isEmpty() ? null : new Any(real);
    }

    /**
     * When it is stuck in mid-travel, or null when it cannot be: a gate or powered door whose drive keeps its position, that no
     * release frees, and that lost its feed, or its board where sensors on the board end the movement.
     */
    static Formula stuck(Device device, Rest rest) {
        boolean moves = device.kind() == DeviceKind.GATE || device.kind() == DeviceKind.POWERED_DOOR;
        if (!moves || device.hand() == Hand.MECHANICAL || !stays(rest.nature)) {
            return null;
        }
        Integer ends = device.known().endSensors();
        return ends != null && ends > 0 ? any(new Not(rest.feed), new Not(rest.board)) : new Not(rest.feed);
    }
}
