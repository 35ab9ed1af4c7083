package org.skelto.core.links;

import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/** Judges links that need no radio: cables, the mains wires, light within a room. They hold or they do not; nothing fades. */
final class WireLinks {
    /** Longest run of two-wire bus, TIA-485 at up to 100 kbit/s, metres. */
    private static final double BUS_MOST_M = 1200;

    /** A contact's pair: 2 · 0.0875 Ω/m of 0.2 mm² stay under the 150 Ω that inputs take for closed, metres; typical. */
    private static final double CONTACT_MOST_M = 750;

    /** An infrared sender of a remote control's kind, typical, metres. */
    private static final double LIGHT_MOST_M = 8;

    /** A cable follows walls and floors: its length is estimated as this times the way along the axes. */
    private static final double CABLE_SPARE = 1.2;

    private final Plan plan;
    private final SiteModel site;

    WireLinks(Plan plan, SiteModel site) {
        this.plan = plan;
        this.site = site;
    }

    LinkReport report(String id, Link link, Unit from, Unit to, double target) {
        Point a = site.position(from).orElseThrow();
        Point b = site.position(to).orElseThrow();
        boolean cable = link.medium().cable();
        double length = cable ? cableM(link, a, b) : a.distanceM(b);
        String trouble = trouble(link, from, to, a, b, length);
        return LinkReportBuilder.builder()
                .link(id)
                .from(link.from())
                .to(link.to())
                .medium(link.medium())
                .direction(link.direction())
                .distanceM(length)
                .indoor(Objects.equals(site.buildingOf(from.place()), site.buildingOf(to.place())))
                .trouble(trouble)
                .placed(true)
                .runs(java.util.List.of())
                .target(target)
                .neededDb(0)
                .meets(trouble == null)
                .chanceFigure(Figure.of(
                        cable
                                ? link.lengthM() != null ? "length as typed" : "1.2 × (|Δx| + |Δy| + |Δz|)"
                                : link.medium() == Medium.INFRARED
                                        ? "one room, nothing between, in range"
                                        : "same phase or a coupler, no filter",
                        source(link.medium()),
                        link.medium() == Medium.CONTACT || link.medium() == Medium.INFRARED,
                        "from",
                        from.name(),
                        "to",
                        to.name(),
                        cable ? "length" : "distance",
                        Text.metres(length)))
                .build();
    }

    /** Along its route, as typed or estimated. */
    private static double cableM(Link link, Point a, Point b) {
        return link.lengthM() != null
                ? link.lengthM()
                : CABLE_SPARE * (Math.abs(a.xM() - b.xM()) + Math.abs(a.yM() - b.yM()) + Math.abs(a.zM() - b.zM()));
    }

    private static String source(Medium medium) {
        return switch (medium) {
            case ETHERNET -> "IEEE 802.3: at most 100 m of twisted pair";
            case RS485 -> "TIA-485: at most 1200 m at up to 100 kbit/s";
            case CONTACT -> "0.2 mm² pair, 17.5 Ω for 100 m and back; at most 150 Ω";
            case INFRARED -> "typical sender of a remote control: 8 m in sight";
            default -> "a carrier on the mains wires does not cross phases by itself";
        };
    }

    private @Nullable String trouble(Link link, Unit from, Unit to, Point a, Point b, double length) {
        return switch (link.medium()) {
            case ETHERNET -> tooLong(length, LinkAssessor.CABLE_MOST_M, "twisted pair");
            case RS485 -> tooLong(length, BUS_MOST_M, "bus");
            case CONTACT -> tooLong(length, CONTACT_MOST_M, "thin pair");
            case POWER_LINE -> PowerLine.trouble(plan, from, to);
            default -> light(from, to, a, b, length);
        };
    }

    private static @Nullable String tooLong(double length, double most, String what) {
        return length <= most
                ? null
                : "the cable is " + Text.metres(length) + " long, over the " + Text.metres(most) + " of " + what;
    }

    private @Nullable String light(Unit from, Unit to, Point a, Point b, double length) {
        if (!from.is(UnitKind.INFRARED_SENDER) && !from.is(UnitKind.HANDSET)) {
            return from.name() + " sends no infrared light";
        }
        boolean room = from.place() != null
                && to.place() != null
                && Objects.equals(from.place().room(), to.place().room())
                && Objects.equals(from.place().spot(), to.place().spot());
        if (!room || !site.crossings(a, b).isEmpty()) {
            return from.name() + " does not see " + to.name() + ": light stays in its room";
        }
        return length <= LIGHT_MOST_M
                ? null
                : Text.metres(length) + " apart, over the " + Text.metres(LIGHT_MOST_M) + " that infrared reaches";
    }
}
