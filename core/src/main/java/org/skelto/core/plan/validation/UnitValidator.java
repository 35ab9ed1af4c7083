package org.skelto.core.plan.validation;

import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Wiring;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.network.Ipv4Subnet;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;

/** The part of {@link PlanValidator} that looks at units, devices and links. */
final class UnitValidator {
    private static final String PART = "[a-z0-9-]{1,60}";
    private static final String BOARD_NAME = "[A-Za-z0-9-]{1,40}";
    private static final String TERMINAL = BOARD_NAME + "/[^ /]{1,20}";

    private final Plan plan;
    private final ValidationErrors found;
    private WorksValidator works;

    UnitValidator(Plan plan, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
    }

    void all() {
        works = new WorksValidator(plan, found);
        plan.units().forEach(this::unit);
        plan.devices().forEach(this::device);
        plan.links().forEach(this::link);
    }

    private void unit(String id, Unit unit) {
        String at = Pointers.of("units", id);
        found.name(at + "/name", unit.name());
        found.required(at + "/kind", unit.kind());
        found.place(at + "/place", unit.place(), plan);
        found.within(at + "/channels", unit.channels(), 0, 64, "");
        found.within(at + "/maxClients", unit.maxClients(), 0, 512, "");
        if (unit.hub() != null) {
            found.known(at + "/hub", unit.hub(), plan.units(), "a hub");
            Unit hub = plan.units().get(unit.hub());
            if (hub != null && hub.kind() != UnitKind.HUB) {
                found.add(at + "/hub", "names a unit that is not a hub");
            }
        }
        power(at + "/power", id, unit.power());
        found.withinOrNull(at + "/nodeId", unit.nodeId(), 1, 254, "");
        if (unit.ipv4() != null && !Ipv4Subnet.isAddress(unit.ipv4())) {
            found.add(at + "/ipv4", "is not an IPv4 address");
        }
        if (unit.mac() != null && !unit.mac().matches("([0-9a-f]{2}:){5}[0-9a-f]{2}")) {
            found.add(at + "/mac", "is not a hardware address of six lower-case pairs such as 02:5b:1e:00:00:01");
        }
        if (unit.radios().size() > Limits.RADIOS) {
            found.add(at + "/radios", "holds more than " + Limits.RADIOS + " radios");
        }
        if (unit.wireless() != null) {
            found.text(at + "/wireless/name", unit.wireless().name(), 32);
            found.text(at + "/wireless/segment", unit.wireless().segment(), Limits.NAME_LENGTH);
        }
        if (unit.boards() != null) {
            boards(at + "/boards", unit.boards());
        }
        works.unit(at, unit);
        if (unit.message() != null) {
            PathValidator.message(found, at + "/message", unit.message());
        }
        if (unit.solar() != null) {
            PathValidator.solar(found, at + "/solar", unit.solar());
        }
        unit.radios().forEach((name, radio) -> radio(at + "/radios" + Pointers.of(name), radio));
    }

    private void boards(String at, BoardSet boards) {
        if (boards.main() == null || !boards.main().matches(PART)) {
            found.add(at + "/main", "is not the id of a part");
        }
        if (boards.more().size() > Limits.BOARDS) {
            found.add(at + "/more", "holds more than " + Limits.BOARDS + " boards");
        }
        boards.more().forEach((name, board) -> {
            String here = at + "/more" + Pointers.of(name);
            if (!name.matches(BOARD_NAME) || name.equals(BoardSet.MAIN)) {
                found.add(here, "needs a name of 1 to 40 letters, digits and hyphens that is not \"main\"");
            }
            if (board == null || board.part() == null || !board.part().matches(PART)) {
                found.add(here + "/part", "is not the id of a part");
            } else {
                found.withinOrNull(here + "/address", board.address(), 1, 247, "");
                works.driver(here + "/driver", board.driver());
            }
        });
    }

    private void wiring(String at, Wiring wiring) {
        if (wiring.terminals().size() > Limits.TERMINALS) {
            found.add(at + "/terminals", "holds more than " + Limits.TERMINALS + " terminals");
        }
        wiring.terminals().forEach((need, terminal) -> {
            if (!need.matches("[a-z]{1,20}")
                    || terminal == null
                    || !terminal.matches(TERMINAL + "( " + TERMINAL + ")?")) {
                found.add(at + "/terminals" + Pointers.of(need), "is not a terminal such as main/G4");
            }
        });
    }

    private void power(String at, String id, Power power) {
        if (power == null) {
            found.add(at, "is missing");
            return;
        }
        found.required(at + "/source", power.source());
        found.knownOrNull(at + "/circuit", power.circuit(), plan.circuits(), "a circuit");
        found.knownOrNull(at + "/from", power.from(), plan.units(), "a unit");
        found.within(at + "/backupH", power.backupH(), 0, 10_000, " h");
        works.power(at, power);
        String from = power.from();
        for (int steps = 0; from != null && steps <= plan.units().size(); steps++) {
            if (from.equals(id)) {
                found.add(at + "/from", "is fed by itself, directly or through others");
                return;
            }
            Unit feeder = plan.units().get(from);
            from = feeder == null || feeder.power() == null
                    ? null
                    : feeder.power().from();
        }
    }

    private void radio(String at, Radio radio) {
        if (radio == null) {
            found.add(at, "is null");
            return;
        }
        found.required(at + "/medium", radio.medium());
        if (radio.medium() == Medium.ETHERNET) {
            found.add(at + "/medium", "a radio cannot be Ethernet");
        }
        found.within(at + "/frequencyMHz", radio.frequencyMHz(), 100, 7200, " MHz");
        found.within(at + "/txPowerDbm", radio.txPowerDbm(), -40, 40, " dBm");
        found.within(at + "/antennaGainDbi", radio.antennaGainDbi(), -20, 30, " dBi");
        found.within(at + "/feederLossDb", radio.feederLossDb(), 0, 30, " dB");
        found.withinOrNull(at + "/sensitivityDbm", radio.sensitivityDbm(), -150, -20, " dBm");
        found.text(at + "/family", radio.family(), Limits.NAME_LENGTH);
        if (radio.decodes().size() > Limits.FAMILIES) {
            found.add(at + "/decodes", "names more than " + Limits.FAMILIES + " families");
        }
        radio.decodes().forEach(family -> found.text(at + "/decodes", family, Limits.NAME_LENGTH));
        if (radio.air() != null) {
            PathValidator.air(found, at + "/air", radio.air());
        }
        Chirp chirp = radio.chirp();
        if (chirp != null) {
            found.within(at + "/chirp/spreadingFactor", chirp.spreadingFactor(), 6, 12, "");
            found.within(at + "/chirp/bandwidthKHz", chirp.bandwidthKHz(), 7.8, 500, " kHz");
            found.within(at + "/chirp/codingRateDenominator", chirp.codingRateDenominator(), 5, 8, "");
        } else if (radio.medium() == Medium.CHIRP) {
            found.add(at + "/chirp", "is missing: a chirp radio needs its settings");
        }
        if (radio.medium() != Medium.CHIRP && radio.sensitivityDbm() == null) {
            found.add(at + "/sensitivityDbm", "is missing: only a chirp radio's follows from its settings");
        }
    }

    private void device(String id, Device device) {
        String at = Pointers.of("devices", id);
        found.name(at + "/name", device.name());
        found.required(at + "/kind", device.kind());
        found.place(at + "/place", device.place(), plan);
        found.knownOrNull(at + "/unit", device.unit(), plan.units(), "a unit");
        found.withinOrNull(at + "/channel", device.channel(), 1, 64, "");
        found.knownOrNull(at + "/circuit", device.circuit(), plan.circuits(), "a circuit");
        for (String control : device.wallControls()) {
            found.known(at + "/wallControls", control, plan.devices(), "a push-button");
        }
        if (device.wiring() != null) {
            wiring(at + "/wiring", device.wiring());
        }
        if (device.works() != null) {
            works.device(at + "/works", device.works());
        }
        found.text(at + "/topic", device.topic(), 4 * Limits.NAME_LENGTH);
        if (device.sound() != null) {
            found.within(at + "/sound/levelDb", device.sound().levelDb(), 30, 140, " dB(A)");
            found.within(at + "/sound/atM", device.sound().atM(), 0.1, 30, " m");
        }
        for (String room : device.heardIn()) {
            found.known(at + "/heardIn", room, plan.rooms(), "a room");
        }
    }

    private void link(String id, Link link) {
        String at = Pointers.of("links", id);
        found.known(at + "/from", link.from(), plan.units(), "a unit");
        found.known(at + "/to", link.to(), plan.units(), "a unit");
        if (link.from() != null && link.from().equals(link.to())) {
            found.add(at + "/to", "a link cannot lead to where it starts");
        }
        found.required(at + "/medium", link.medium());
        found.withinOrNull(at + "/lengthM", link.lengthM(), 0, 100_000, " m");
        found.text(at + "/why", link.why(), Limits.TEXT_LENGTH);
    }
}
