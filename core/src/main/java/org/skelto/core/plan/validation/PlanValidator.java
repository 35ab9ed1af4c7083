package org.skelto.core.plan.validation;

import java.util.List;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.network.Ipv4Subnet;
import org.skelto.core.plan.network.Network;

/**
 * Says whether a document is a well-formed plan: known ids, finite numbers within bounds, sizes within
 * {@link Limits}. What a real house can be in, such as overlapping rooms or duplicate addresses, is not its business.
 *
 * @see <a href="https://www.rfc-editor.org/rfc/rfc6901">RFC 6901 for the pointers</a>
 */
public final class PlanValidator {
    private final Plan plan;
    private final ValidationErrors found = new ValidationErrors();

    private PlanValidator(Plan plan) {
        this.plan = plan;
    }

    /** The problems of a plan, none when it is well-formed. */
    public static List<Problem> problems(Plan plan) {
        PlanValidator validator = new PlanValidator(plan);
        validator.head();
        if (validator.sizes()) {
            new SiteValidator(plan, validator.found).all();
            new WorksValidator(plan, validator.found).all();
            new UnitValidator(plan, validator.found).all();
            new PathValidator(plan, validator.found).all();
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
        sound &= found.map("constructions", plan.constructions(), Limits.CONSTRUCTIONS);
        sound &= found.map("openings", plan.openings(), Limits.OPENINGS);
        sound &= found.map("stairwells", plan.stairwells(), Limits.STAIRWELLS);
        sound &= found.map("fittings", plan.fittings(), Limits.FITTINGS);
        sound &= found.map("cables", plan.cables(), Limits.CABLES);
        sound &= found.map("routes", plan.routes(), Limits.ROUTES);
        sound &= found.map("owned", plan.owned(), Limits.OWNED);
        sound &= found.map("housings", plan.housings(), Limits.HOUSINGS);
        sound &= found.map("demands", plan.demands(), Limits.DEMANDS);
        sound &= found.map("paths", plan.paths(), Limits.PATHS);
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
}
