package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.NAMES;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.naming.Credentials;
import org.skelto.core.naming.Credentials.Kind;
import org.skelto.core.naming.Credentials.Secret;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Talks;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.BrokerAccess;
import org.skelto.core.plan.network.Credential;
import org.skelto.core.plan.network.OpenedPort;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;

/** N8 to N13, T12: who may command, who may listen, and which secrets are still those of the factory. */
final class AccessChecks {
    /** From so many clients on, changing a passphrase is a day's work. */
    static final int MANY_CLIENTS = 10;

    static final Check CHECK = Check.reading(
            "snags of access",
            List.of(
                    Code.of("N8", NAMES, "wireless passphrase not confirmed strong", LOOK, FIX),
                    Code.of("N9", NAMES, "password of the factory not confirmed changed", LOOK, FIX),
                    Code.of("N10", NAMES, "service opened to the internet without need", STOP, FIX, LOOK),
                    Code.of("N11", NAMES, "what moves or unlocks answers to anyone on the network", LOOK, FIX, STOP),
                    Code.of("N12", NAMES, "pairing code or code of the factory kept", LOOK, FIX),
                    Code.of("N13", NAMES, "one shared secret for all boards", FIX),
                    Code.of("T12", NAMES, "personal reading that everybody can subscribe to", FIX)),
            List.of(
                    PlanPart.LINKS,
                    PlanPart.NETWORK,
                    PlanPart.SERVICES,
                    PlanPart.HOUSINGS,
                    PlanPart.CREDENTIALS,
                    PlanPart.UNIT_NAMES,
                    PlanPart.UNIT_ROLES,
                    PlanPart.UNIT_PLACES,
                    PlanPart.UNIT_POWER,
                    PlanPart.UNIT_BOARDS,
                    PlanPart.UNIT_RADIOS,
                    PlanPart.DEVICE_NAMES,
                    PlanPart.DEVICE_ROLES,
                    PlanPart.DEVICE_WAYS),
            List.of(),
            AccessChecks::run);

    private static final int NAMED = 4;

    private AccessChecks() {}

    static void run(CheckContext c) {
        List<Secret> secrets = Credentials.of(c.plan);
        Credentials.of(secrets, Kind.WIRELESS).forEach(s -> passphrase(c, s));
        unconfirmed(
                c,
                "N9",
                "password",
                Credentials.of(secrets, Kind.ADMINISTRATION),
                "Whoever is on the network once can look it up and change everything.");
        List<Secret> codes = new ArrayList<>(Credentials.of(secrets, Kind.PAIRING));
        codes.addAll(Credentials.of(secrets, Kind.CODE));
        unconfirmed(c, "N12", "code", codes, "A neighbour with the same box joins the house, or disarms it.");
        c.plan.network().opened().forEach((id, port) -> opened(c, id, port, secrets));
        broker(c);
        requests(c, secrets);
    }

    /** What is known of the password of a unit's own pages. */
    private static Optional<Credential> password(List<Secret> secrets, String unit) {
        return secrets.stream()
                .filter(s -> s.key().equals("admin." + unit))
                .findFirst()
                .map(Secret::said);
    }

    /** What the whole world may knock at: worse where nobody needs it, and where the factory's password opens it. */
    private static void opened(CheckContext c, String id, OpenedPort port, List<Secret> secrets) {
        Optional<Credential> said = password(secrets, port.unit());
        boolean factory =
                said.filter(s -> s.state() == Credential.State.FACTORY).isPresent();
        boolean unsure = said.filter(s -> s.state() == null).isPresent();
        if (port.need() != null && !factory && !unsure) {
            return;
        }
        String unit = c.plan.units().get(port.unit()).name();
        boolean tunnel = c.plan.units().values().stream().anyMatch(Unit::endsTunnel);
        c.snag(
                        "N10",
                        factory ? STOP : port.need() == null ? FIX : LOOK,
                        NAMES,
                        "Port " + port.port() + " of " + unit + " is open to the internet"
                                + (port.need() == null ? " without need" : ""))
                .figures((port.need() == null ? "nobody said what it is for" : "for " + port.need())
                        + (factory
                                ? "; its password is the factory's"
                                : unsure ? "; its password is not confirmed changed" : ""))
                .leadsTo("It is found within a day and tried by strangers for as long as it is open; "
                        + (tunnel ? "the way in of the house's own" : "a way in of the house's own, or its service,")
                        + " does the same behind a key.")
                .at(Pointers.of("network", "opened", id))
                .fix("Close it", Edit.remove(Pointers.of("network", "opened", id)))
                .add();
    }

    private static void passphrase(CheckContext c, Secret s) {
        boolean weak = Boolean.FALSE.equals(s.said().strong()) || s.said().state() == Credential.State.FACTORY;
        if (!weak && s.said().strong() != null && !s.unconfirmed()) {
            return;
        }
        int clients = s.units().size();
        c.snag(
                        "N8",
                        weak ? FIX : LOOK,
                        NAMES,
                        weak ? "The " + s.name() + " is weak" : "The " + s.name() + " is not confirmed strong")
                .figures(clients + " units know it; to change it "
                        + (clients >= MANY_CLIENTS ? "now " : "")
                        + "takes "
                        + Text.number(s.hours(), 1) + " h")
                .leadsTo("It is guessed from the street; later each unit must be told another one.")
                .at(points(c, s))
                .add();
    }

    /** The units that offer it, so that the snag stays the same when clients come and go. */
    private static String[] points(CheckContext c, Secret s) {
        return s.units().stream()
                .filter(id -> c.plan.units().get(id).collects())
                .map(CheckContext::unit)
                .toArray(String[]::new);
    }

    /** One snag for those that are said to be the factory's, one for those of which nothing is known. */
    private static void unconfirmed(CheckContext c, String code, String what, List<Secret> secrets, String leadsTo) {
        Map<Boolean, List<Secret>> by = new TreeMap<>();
        secrets.stream()
                .filter(Secret::unconfirmed)
                .forEach(s -> by.computeIfAbsent(s.said().state() == Credential.State.FACTORY, k -> new ArrayList<>())
                        .add(s));
        by.forEach((factory, those) -> {
            List<String> names = those.stream().map(Secret::name).toList();
            String many = those.size() == 1 ? "A " + what : those.size() + " " + what + "s";
            c.snag(
                            code,
                            factory ? FIX : LOOK,
                            NAMES,
                            factory
                                    ? many + (those.size() == 1 ? " is" : " are") + " still the factory's"
                                    : many + (those.size() == 1 ? " is" : " are") + " not confirmed changed")
                    .figures(CheckContext.some(NAMED, names))
                    .leadsTo(leadsTo)
                    .at(those.stream()
                            .flatMap(s -> s.units().stream().limit(s.kind() == Kind.PAIRING ? 1 : NAMED))
                            .distinct()
                            .map(CheckContext::unit)
                            .toArray(String[]::new))
                    .add();
        });
    }

    private static boolean opens(Device d) {
        return d.kind().moves() || d.kind() == DeviceKind.LOCK;
    }

    static List<Map.Entry<String, Device>> devices(CheckContext c, Predicate<Device> test) {
        return c.plan.devices().entrySet().stream()
                .filter(e -> e.getValue().unit() != null && test.test(e.getValue()))
                .toList();
    }

    private static boolean asked(CheckContext c, Device d) {
        Unit unit = d.unit() == null ? null : c.plan.units().get(d.unit());
        return unit != null && unit.talks() == Talks.REQUEST
                || d.control() != null && d.control().contains(ControlScheme.REQUEST);
    }

    static boolean outside(Device d) {
        return d.control() != null && d.control().contains(ControlScheme.SERVICE);
    }

    private static void broker(CheckContext c) {
        if (c.plan.units().values().stream().noneMatch(Unit::broker)) {
            return;
        }
        BrokerAccess access = c.plan.network().access();
        Edit each = Edit.replace("/network/access", BrokerAccess.EACH);
        String label = "Give each unit a secret of its own, with the access list";
        List<Map.Entry<String, Device>> opening = devices(c, d -> opens(d) && !asked(c, d) && !outside(d));
        List<Map.Entry<String, Device>> telling = devices(c, d -> d.kind().personal() && !asked(c, d) && !outside(d));
        if (!opening.isEmpty() && (access == null || access == BrokerAccess.OPEN)) {
            c.snag(
                            "N11",
                            access == null ? LOOK : STOP,
                            NAMES,
                            access == null
                                    ? "Nobody said who may command what moves or unlocks"
                                    : "Anyone on the network can command what moves or unlocks")
                    .figures(names(opening))
                    .leadsTo("A guest's phone or a hacked lamp opens the door.")
                    .at("/network/access")
                    .fix(label, each)
                    .add();
        }
        if (access == BrokerAccess.SHARED) {
            c.snag("N13", FIX, NAMES, "All boards have one secret at the broker")
                    .figures("one name and secret for all")
                    .leadsTo("Whoever takes one board off a wall can speak for every other.")
                    .at("/network/access")
                    .fix(label, each)
                    .add();
        }
        if (!telling.isEmpty() && (access == BrokerAccess.SHARED || access == BrokerAccess.OPEN)) {
            c.snag("T12", FIX, NAMES, "Everybody at the broker can listen to who is at home")
                    .figures(names(telling))
                    .leadsTo("Any one unit, or whoever has its secret, sees who comes and goes.")
                    .at("/network/access")
                    .fix(label, each)
                    .add();
        }
    }

    private static String names(List<Map.Entry<String, Device>> devices) {
        return CheckContext.some(
                NAMED, devices.stream().map(e -> e.getValue().name()).toList());
    }

    /** What moves and is asked at its address needs a password there. */
    private static void requests(CheckContext c, List<Secret> secrets) {
        devices(c, d -> opens(d) && asked(c, d)).forEach(e -> {
            String unit = String.valueOf(e.getValue().unit());
            Credential said = password(secrets, unit).orElse(Credential.UNKNOWN);
            if (said.state() != Credential.State.CHANGED) {
                boolean factory = said.state() == Credential.State.FACTORY;
                c.snag(
                                "N11",
                                factory ? FIX : LOOK,
                                NAMES,
                                e.getValue().name() + " may answer to anyone who asks its address")
                        .figures(c.plan.units().get(unit).name() + ", password "
                                + (factory ? "the factory's" : "not confirmed changed"))
                        .leadsTo("A guest's phone or a hacked lamp opens it.")
                        .at(CheckContext.device(e.getKey()))
                        .add();
            }
        });
    }
}
