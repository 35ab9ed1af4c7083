package org.skelto.core.naming;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Talks;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.BrokerAccess;
import org.skelto.core.plan.network.Credential;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.quantity.Figure;
import org.skelto.core.work.ComputingBudget;

/** The secrets that a house has: where each is, what is known of it, and what changing it would cost. Never the secrets. */
public final class Credentials {
    /** Above that one stands on something to reach it, metres. */
    public static final double LADDER_FROM_M = 2.2;

    /** Minutes for a ladder. */
    public static final int LADDER_MIN = 10;

    private static final double MINUTES = 60;

    private final Plan plan;
    private final Needs needs;
    private final List<Secret> secrets = new ArrayList<>();

    /** What a secret is for. */
    public enum Kind {
        WIRELESS("passphrase of the wireless network"),
        ADMINISTRATION("password of the"),
        BROKER("secret at the broker,"),
        NETWORK_KEY("network key of the"),
        PAIRING("pairing code of the"),
        CODE("code typed at the"),
        TUNNEL("key of the way in at the"),
        ACCOUNT("account at the");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** How a unit is told another secret, and how many minutes that takes. */
    public enum Reached {
        /** From a chair: it has an address and is awake. */
        OVER_NETWORK(3, "over the network"),
        /** At its place, with a hand on it: it sleeps, or has no address. */
        BY_HAND(10, "by hand at its place"),
        /** Its box is opened first. */
        OPENED(20, "by opening its box");

        private final int minutes;
        private final String words;

        Reached(int minutes, String words) {
            this.minutes = minutes;
            this.words = words;
        }

        public int minutes() {
            return minutes;
        }

        public String words() {
            return words;
        }
    }

    /**
     * How many units are reached in one way.
     *
     * @param ladders how many of them hang so high that a ladder is brought
     */
    public record Visits(Reached reached, int units, int ladders) {
        int minutes() {
            return units * reached.minutes() + ladders * LADDER_MIN;
        }
    }

    /**
     * A secret.
     *
     * @param key of {@link Plan#credentials}
     * @param name in words, as "passphrase of the wireless network cottage"
     * @param units ids of all units that are told it
     * @param said what is known of it
     * @param visits how those units are reached
     * @param hours what telling all of them another one would take
     * @param figure how those hours come about
     */
    @RecordBuilder
    public record Secret(
            String key,
            Kind kind,
            String name,
            List<String> units,
            Credential said,
            List<Visits> visits,
            double hours,
            Figure figure)
            implements CredentialsSecretBuilder.With {
        /** Whether nobody said that it is one of the house's own. */
        public boolean unconfirmed() {
            return said.state() != Credential.State.CHANGED;
        }
    }

    private Credentials(Plan plan) {
        this.plan = plan;
        this.needs = Needs.of(plan);
    }

    /** The secrets of a plan, by what they are for and then by key. */
    public static List<Secret> of(Plan plan) {
        Credentials all = new Credentials(plan);
        all.wireless();
        plan.units().forEach(all::unit);
        all.broker();
        all.radios();
        plan.services().forEach((id, service) -> all.add("service." + id, Kind.ACCOUNT, service.name(), List.of()));
        all.secrets.sort(java.util.Comparator.comparing(Secret::kind).thenComparing(Secret::key));
        return List.copyOf(all.secrets);
    }

    private void add(String key, Kind kind, String of, Collection<String> units) {
        ComputingBudget.step();
        Map<Reached, int[]> counts = new TreeMap<>();
        units.forEach(id -> {
            Unit unit = plan.units().get(id);
            int[] count = counts.computeIfAbsent(reached(id, unit), r -> new int[2]);
            count[0]++;
            count[1] += high(unit) && reached(id, unit) != Reached.OVER_NETWORK ? 1 : 0;
        });
        List<Visits> visits = counts.entrySet().stream()
                .map(e -> new Visits(e.getKey(), e.getValue()[0], e.getValue()[1]))
                .toList();
        double minutes = visits.stream().mapToInt(Visits::minutes).sum();
        secrets.add(CredentialsSecretBuilder.builder()
                .key(key)
                .kind(kind)
                .name((kind.words() + " " + of).strip())
                .units(List.copyOf(units))
                .said(plan.credentials().getOrDefault(key, Credential.UNKNOWN))
                .visits(visits)
                .hours(minutes / MINUTES)
                .figure(figure(visits, minutes))
                .build());
    }

    private static Figure figure(List<Visits> visits, double minutes) {
        Map<String, String> inputs = new LinkedHashMap<>();
        visits.forEach(v -> {
            inputs.put(v.reached().words(), v.units() + " × " + v.reached().minutes() + " min");
            if (v.ladders() > 0) {
                inputs.put("of these on a ladder", v.ladders() + " × " + LADDER_MIN + " min");
            }
        });
        inputs.put("together", Math.round(minutes) + " min");
        return new Figure(
                visits.isEmpty() ? "changed in one place" : "sum of units × minutes by how they are reached",
                inputs,
                "minutes are an estimate of ours, docs/calculations.md",
                false);
    }

    /** How a unit is reached. */
    private Reached reached(String id, Unit unit) {
        if (needs.addresses().contains(id) && !unit.power().onCells() && unit.kind() != UnitKind.ASSISTANT) {
            return Reached.OVER_NETWORK;
        }
        return unit.housing() != null && plan.housings().get(unit.housing()).closed()
                ? Reached.OPENED
                : Reached.BY_HAND;
    }

    private static boolean high(Unit unit) {
        return unit.place() != null && unit.place().heightM() > LADDER_FROM_M;
    }

    /** A passphrase for each wireless network by its name. */
    private void wireless() {
        Map<String, TreeSet<String>> points = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            boolean radio = unit.media().stream().anyMatch(Medium::wifi);
            if (unit.is(UnitKind.ACCESS_POINT) || unit.is(UnitKind.ROUTER) && radio) {
                points.computeIfAbsent(network(unit), k -> new TreeSet<>()).add(id);
            }
        });
        points.forEach((name, offering) -> {
            TreeSet<String> told = new TreeSet<>(offering);
            for (Link link : plan.links().values()) {
                if (link.medium().wifi() && (offering.contains(link.from()) || offering.contains(link.to()))) {
                    told.add(link.from());
                    told.add(link.to());
                }
            }
            add(name.isEmpty() ? "wireless" : "wireless." + Slugs.slug(name, "network"), Kind.WIRELESS, name, told);
        });
    }

    private static String network(Unit unit) {
        return unit.wireless() == null || unit.wireless().name() == null
                ? ""
                : unit.wireless().name();
    }

    private void unit(String id, Unit unit) {
        boolean pages = needs.addresses().contains(id)
                && (unit.collects()
                        || unit.is(UnitKind.PANEL)
                        || unit.is(UnitKind.CAMERA)
                        || unit.is(UnitKind.RECORDER)
                        || unit.talks() == Talks.REQUEST
                        || plan.network().opened().values().stream()
                                .anyMatch(port -> port.unit().equals(id)));
        if (pages) {
            add("admin." + id, Kind.ADMINISTRATION, unit.name(), List.of(id));
        }
        if (unit.is(UnitKind.PANEL) || unit.is(UnitKind.KEYPAD)) {
            add("code." + id, Kind.CODE, unit.name(), List.of(id));
        }
        if (unit.endsTunnel()) {
            add("tunnel." + id, Kind.TUNNEL, unit.name(), List.of(id));
        }
    }

    /** One secret for all, or one each. */
    private void broker() {
        if (plan.units().values().stream().noneMatch(Unit::broker)
                || plan.network().access() == BrokerAccess.OPEN) {
            return;
        }
        TreeSet<String> told = new TreeSet<>();
        plan.units().forEach((id, unit) -> {
            if (needs.addresses().contains(id)
                    && unit.talks() != Talks.REQUEST
                    && (unit.carries()
                            || unit.kind().alone()
                            || unit.sink()
                            || unit.is(UnitKind.WALL_TABLET)
                            || unit.is(UnitKind.ASSISTANT))) {
                told.add(id);
            }
        });
        String whose = plan.network().access() == BrokerAccess.SHARED ? "one for all" : "one each";
        add("broker", Kind.BROKER, whose, told);
    }

    private void radios() {
        for (Medium medium : List.of(Medium.CHIRP, Medium.MESH_802154, Medium.MESH_G9959)) {
            TreeSet<String> told = new TreeSet<>();
            plan.units().forEach((id, unit) -> {
                if (unit.media().contains(medium)) {
                    told.add(id);
                }
            });
            if (told.size() > 1) {
                String name = medium.name().toLowerCase(Locale.ROOT).replace('_', '-');
                add("key." + name, Kind.NETWORK_KEY, Wording.of(medium), told);
                if (medium.mesh()) {
                    add("pairing." + name, Kind.PAIRING, Wording.of(medium), told);
                }
            }
        }
    }

    /** The secrets of a kind. */
    public static List<Secret> of(List<Secret> all, Kind kind) {
        return all.stream().filter(s -> s.kind() == kind).toList();
    }
}
