package org.skelto.core.plan.validation;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.network.Ipv4Subnet;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Cable;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Polygon;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.WallWork;

/** Rooms have an outline, openings lie in walls, things are in one place, and the house's addresses make a subnet. */
final class SiteRules {
    private final Plan plan;
    private final ValidationErrors found;

    SiteRules(Plan plan, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
    }

    void all() {
        if (!Ipv4Subnet.isSubnet(plan.network().subnet())) {
            found.add("/network/subnet", "is not an IPv4 subnet of prefix length 16 to 29 such as 192.168.40.0/24");
        }
        plan.network().addressing().floors().forEach((floor, block) -> {
            if (block.from() > block.to()) {
                found.add(
                        Pointers.of("network", "addressing", "floors", floor, "to"),
                        "is " + block.to() + ", before the first host " + block.from());
            }
        });
        plan.rooms().forEach(this::room);
        plan.openings().forEach(this::opening);
        plan.cables().forEach(this::cable);
        plan.fittings().forEach((id, f) -> place(Pointers.of("fittings", id), f.place()));
        plan.demands().forEach((id, d) -> place(Pointers.of("demands", id), d.place()));
        plan.units().forEach((id, u) -> place(Pointers.of("units", id), u.place()));
        plan.devices().forEach((id, d) -> place(Pointers.of("devices", id), d.place()));
        wallWork();
    }

    private void room(String id, Room room) {
        String at = Pointers.of("rooms", id);
        if (room.walls().size() != room.corners().size()) {
            found.add(
                    at + "/walls",
                    "must name one construction for each of the "
                            + room.corners().size() + " walls");
        }
        outline(at, room.corners());
    }

    /** No wall without length, no wall through another. */
    private void outline(String at, List<Corner> corners) {
        for (int i = 0; i < corners.size(); i++) {
            Corner a = corners.get(i);
            Corner b = corners.get((i + 1) % corners.size());
            if (Math.hypot(b.xM() - a.xM(), b.yM() - a.yM()) < Limits.WALL_LEAST_M) {
                found.add(at + "/corners/" + i, "is where the next corner is: the wall between them has no length");
                return;
            }
        }
        int[] crossing = Polygon.crossing(corners);
        if (crossing != null) {
            found.add(at + "/corners", "run through each other: wall " + crossing[0] + " meets wall " + crossing[1]);
            return;
        }
        Bounds bounds = Bounds.of(corners);
        if (bounds.widthM() < Limits.ROOM_LEAST_M || bounds.depthM() < Limits.ROOM_LEAST_M) {
            found.add(at + "/corners", "make a room less than " + Limits.ROOM_LEAST_M + " m wide");
        }
        if (bounds.widthM() > Limits.ROOM_MOST_M || bounds.depthM() > Limits.ROOM_MOST_M) {
            found.add(at + "/corners", "make a room more than " + Math.round(Limits.ROOM_MOST_M) + " m wide");
        }
    }

    private void opening(String id, Opening o) {
        String at = Pointers.of("openings", id);
        Room room = plan.rooms().get(o.room());
        if (room != null && o.wall() >= room.corners().size()) {
            found.add(
                    at + "/wall",
                    "is not a wall of " + room.name() + ", which has "
                            + room.corners().size());
        }
        if (o.headM() <= o.sillM()) {
            found.add(at + "/headM", "must lie above the sill");
        }
    }

    private void cable(String id, Cable c) {
        if (c.freePairs() > c.pairs()) {
            found.add(Pointers.of("cables", id) + "/freePairs", "are more than the cable has");
        }
    }

    private void place(String at, @Nullable Place place) {
        if (place != null && place.room() != null && place.spot() != null) {
            found.add(at + "/place", "names both a room and a spot");
        }
    }

    private void wallWork() {
        String day = plan.wallWork() == null ? null : plan.wallWork().closesOn();
        if (day == null) {
            return;
        }
        try {
            LocalDate.parse(day);
        } catch (DateTimeException e) {
            found.add("/wallWork/closesOn", WallWork.NO_DAY);
        }
    }
}
