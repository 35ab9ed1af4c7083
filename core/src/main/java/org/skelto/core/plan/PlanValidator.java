package org.skelto.core.plan;

import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Says whether a document is a well-formed plan: known ids, finite numbers within bounds, sizes within
 * {@link Limits}. What a real house can be in, such as overlapping rooms or duplicate addresses, is not its business.
 *
 * @see <a href="https://www.rfc-editor.org/rfc/rfc6901">RFC 6901 for the pointers</a>
 */
public final class PlanValidator {
    private final Plan plan;
    private final Set<String> constructions;
    private final Findings found = new Findings();

    private PlanValidator(Plan plan, Set<String> constructions) {
        this.plan = plan;
        this.constructions = constructions;
    }

    /**
     * The problems of a plan, none when it is well-formed.
     *
     * @param constructions ids of the constructions that walls and slabs may be of
     */
    public static List<Problem> problems(Plan plan, Set<String> constructions) {
        PlanValidator validator = new PlanValidator(plan, constructions);
        validator.head();
        if (validator.sizes()) {
            validator.site();
            new UnitValidator(plan, validator.found).all();
        }
        return validator.found.problems();
    }

    private void head() {
        if (!Plan.FORMAT.equals(plan.format())) {
            found.add("/format", "is not a format this version reads; it reads \"" + Plan.FORMAT + "\"");
        }
        found.name("/name", plan.name());
        found.required("/region", plan.region());
        found.withinOrNull("/mainsVoltageV", plan.mainsVoltageV(), 50, 480, " V");
        if (plan.place() != null) {
            found.within("/place/latitudeDeg", plan.place().latitudeDeg(), -90, 90, "°");
            found.within("/place/longitudeDeg", plan.place().longitudeDeg(), -180, 180, "°");
        }
        Network network = plan.network();
        if (!Ipv4Subnet.isSubnet(network.subnet())) {
            found.add("/network/subnet", "is not an IPv4 subnet of prefix length 16 to 29 such as 192.168.40.0/24");
        }
        address("/network/poolFrom", network.poolFrom());
        address("/network/poolTo", network.poolTo());
        if (network.topicRoot() == null || network.topicRoot().isEmpty()) {
            found.add("/network/topicRoot", "is missing");
        } else {
            found.text("/network/topicRoot", network.topicRoot(), Limits.NAME_LENGTH);
        }
    }

    private void address(String pointer, String address) {
        if (!Ipv4Subnet.isAddress(address)) {
            found.add(pointer, "is not an IPv4 address");
        }
    }

    private boolean sizes() {
        boolean sound = found.map("buildings", plan.buildings(), Limits.BUILDINGS);
        sound &= found.map("floors", plan.floors(), Limits.FLOORS);
        sound &= found.map("rooms", plan.rooms(), Limits.ROOMS);
        sound &= found.map("spots", plan.spots(), Limits.SPOTS);
        sound &= found.map("circuits", plan.circuits(), Limits.CIRCUITS);
        sound &= found.map("services", plan.services(), Limits.SERVICES);
        sound &= found.map("units", plan.units(), Limits.UNITS);
        sound &= found.map("devices", plan.devices(), Limits.DEVICES);
        sound &= found.map("links", plan.links(), Limits.LINKS);
        if (plan.accepted().size() > Limits.ACCEPTED) {
            found.add("/accepted", "holds more than " + Limits.ACCEPTED + " entries");
        }
        plan.accepted().forEach((key, reason) -> {
            String pointer = Pointers.of("accepted", key);
            found.text(pointer, key, Limits.TEXT_LENGTH);
            found.required(pointer, reason);
            found.text(pointer, reason, Limits.TEXT_LENGTH);
        });
        return sound;
    }

    private void site() {
        plan.buildings().forEach((id, b) -> {
            found.name(Pointers.of("buildings", id, "name"), b.name());
            point("buildings", id, b.xM(), b.yM(), b.zM());
        });
        plan.spots().forEach((id, s) -> {
            found.name(Pointers.of("spots", id, "name"), s.name());
            point("spots", id, s.xM(), s.yM(), s.zM());
        });
        plan.floors().forEach((id, f) -> {
            found.name(Pointers.of("floors", id, "name"), f.name());
            found.known(Pointers.of("floors", id, "building"), f.building(), plan.buildings(), "a building");
            found.within(Pointers.of("floors", id, "baseM"), f.baseM(), -50, 200, " m");
            found.within(Pointers.of("floors", id, "heightM"), f.heightM(), 1, 20, " m");
            construction(Pointers.of("floors", id, "slab"), f.slab());
        });
        plan.rooms().forEach(this::room);
        named("circuits", plan.circuits(), Circuit::name);
        named("services", plan.services(), Service::name);
        plan.services().forEach((id, s) -> found.required(Pointers.of("services", id, "kind"), s.kind()));
    }

    private void point(String map, String id, double xM, double yM, double zM) {
        found.within(Pointers.of(map, id, "xM"), xM, -Limits.SITE_M, Limits.SITE_M, " m");
        found.within(Pointers.of(map, id, "yM"), yM, -Limits.SITE_M, Limits.SITE_M, " m");
        found.within(Pointers.of(map, id, "zM"), zM, -1000, 9000, " m");
    }

    private void room(String id, Room room) {
        found.name(Pointers.of("rooms", id, "name"), room.name());
        found.known(Pointers.of("rooms", id, "floor"), room.floor(), plan.floors(), "a floor");
        found.within(Pointers.of("rooms", id, "xM"), room.xM(), -Limits.LOCAL_M, Limits.LOCAL_M, " m");
        found.within(Pointers.of("rooms", id, "yM"), room.yM(), -Limits.LOCAL_M, Limits.LOCAL_M, " m");
        found.within(Pointers.of("rooms", id, "widthM"), room.widthM(), Limits.ROOM_LEAST_M, Limits.ROOM_MOST_M, " m");
        found.within(Pointers.of("rooms", id, "depthM"), room.depthM(), Limits.ROOM_LEAST_M, Limits.ROOM_MOST_M, " m");
        for (Side side : Side.values()) {
            String name = side.name().toLowerCase(java.util.Locale.ROOT);
            construction(Pointers.of("rooms", id, "walls", name), room.walls().on(side));
        }
    }

    private void construction(String pointer, String id) {
        if (id == null) {
            found.add(pointer, "is missing: it names a construction");
        } else if (!constructions.contains(id)) {
            found.add(pointer, "is not a construction of the list: \"" + id + "\"");
        }
    }

    private <V> void named(String map, Map<String, V> entries, java.util.function.Function<V, String> name) {
        entries.forEach((id, entry) -> found.name(Pointers.of(map, id, "name"), name.apply(entry)));
    }
}
