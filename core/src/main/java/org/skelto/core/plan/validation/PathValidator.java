package org.skelto.core.plan.validation;

import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.power.Solar;
import org.skelto.core.plan.radio.AirSettings;
import org.skelto.core.plan.radio.Cover;
import org.skelto.core.plan.radio.GroundPoint;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.MessageField;
import org.skelto.core.plan.radio.RadioPath;

/** The part of {@link PlanValidator} that looks at radio paths, messages and what feeds outposts. */
final class PathValidator {
    private static final double MOST_M = 200_000;

    private final Plan plan;
    private final ValidationErrors found;

    PathValidator(Plan plan, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
    }

    void all() {
        plan.paths().forEach(this::path);
    }

    private void path(String id, RadioPath path) {
        String at = Pointers.of("paths", id);
        found.known(at + "/from", path.from(), plan.units(), "a unit");
        found.known(at + "/to", path.to(), plan.units(), "a unit");
        if (path.from() != null && path.from().equals(path.to())) {
            found.add(at + "/to", "a path cannot lead to where it starts");
        }
        found.text(at + "/source", path.source(), Limits.NAME_LENGTH);
        found.withinOrNull(at + "/exponent", path.exponent(), 1.5, 8, "");
        found.withinOrNull(at + "/interceptDb", path.interceptDb(), 0, 200, " dB");
        found.withinOrNull(at + "/earthFactor", path.earthFactor(), 0.3, 100, "");
        if (path.learned() != null) {
            found.within(at + "/learned/offsetDb", path.learned().offsetDb(), -100, 100, " dB");
            found.within(at + "/learned/sigmaDb", path.learned().sigmaDb(), 3, 40, " dB");
            found.within(at + "/learned/readings", path.learned().readings(), 1, 1e6, "");
            found.text(at + "/learned/at", path.learned().at(), Limits.NAME_LENGTH);
        }
        profile(at + "/profile", path);
        covers(at + "/covers", path);
    }

    private void profile(String at, RadioPath path) {
        if (path.profile().size() < 2 || path.profile().size() > RadioPath.MOST_POINTS) {
            found.add(
                    at,
                    "needs 2 to " + RadioPath.MOST_POINTS + " points, not "
                            + path.profile().size());
            return;
        }
        double before = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < path.profile().size(); i++) {
            String here = at + "/" + i;
            GroundPoint point = path.profile().get(i);
            if (point == null) {
                found.add(here, "is null");
                continue;
            }
            found.within(here + "/distanceM", point.distanceM(), 0, MOST_M, " m");
            found.within(here + "/elevationM", point.elevationM(), -500, 9000, " m");
            if (i == 0 && point.distanceM() != 0) {
                found.add(here + "/distanceM", "must be 0: the path starts there");
            }
            if (point.distanceM() <= before) {
                found.add(here + "/distanceM", "must lie beyond the point before it");
            }
            before = point.distanceM();
        }
    }

    private void covers(String at, RadioPath path) {
        if (path.covers().size() > Limits.COVERS) {
            found.add(at, "holds more than " + Limits.COVERS + " entries");
        }
        for (int i = 0; i < path.covers().size(); i++) {
            String here = at + "/" + i;
            Cover cover = path.covers().get(i);
            if (cover == null) {
                found.add(here, "is null");
                continue;
            }
            found.required(here + "/kind", cover.kind());
            found.within(here + "/fromM", cover.fromM(), 0, MOST_M, " m");
            found.within(here + "/toM", cover.toM(), 0, MOST_M, " m");
            found.within(here + "/heightM", cover.heightM(), 0, 200, " m");
            if (cover.toM() <= cover.fromM()) {
                found.add(here + "/toM", "must lie beyond where it begins");
            }
        }
    }

    static void air(ValidationErrors found, String at, AirSettings air) {
        found.withinOrNull(at + "/mastM", air.mastM(), 0, 100, " m");
        found.withinOrNull(at + "/networkId", air.networkId(), 0, 65_535, "");
        found.withinOrNull(at + "/hopChannels", air.hopChannels(), 2, 100, "");
        found.withinOrNull(at + "/noiseFigureDb", air.noiseFigureDb(), 0, 30, " dB");
    }

    static void message(ValidationErrors found, String at, Message message) {
        found.withinOrNull(at + "/intervalS", message.intervalS(), 1, 31_557_600, " s");
        found.withinOrNull(at + "/tries", message.tries(), 1, 10, "");
        found.withinOrNull(at + "/rateKbps", message.rateKbps(), 0.1, 1000, " kbit/s");
        found.withinOrNull(at + "/preambleSymbols", message.preambleSymbols(), 6, 65_535, "");
        if (message.fields().size() > Message.MOST_FIELDS) {
            found.add(at + "/fields", "holds more than " + Message.MOST_FIELDS + " fields");
        }
        for (int i = 0; i < message.fields().size(); i++) {
            String here = at + "/fields/" + i;
            MessageField field = message.fields().get(i);
            if (field == null) {
                found.add(here, "is null");
                continue;
            }
            found.name(here + "/name", field.name());
            found.required(here + "/kind", field.kind());
            found.withinOrNull(here + "/least", field.least(), -1e12, 1e12, "");
            found.withinOrNull(here + "/most", field.most(), -1e12, 1e12, "");
            found.withinOrNull(here + "/step", field.step(), 1e-9, 1e12, "");
            found.withinOrNull(here + "/bits", field.bits(), 1, 64, "");
            if (field.kind() == MessageField.Kind.VALUE) {
                value(found, here, field);
            }
        }
        if (message.fields().stream().noneMatch(java.util.Objects::isNull) && message.bytes() > Message.MOST_BYTES) {
            found.add(
                    at + "/fields",
                    "pack into " + message.bytes() + " bytes; a frame takes 1 to " + Message.MOST_BYTES);
        }
    }

    private static void value(ValidationErrors found, String at, MessageField field) {
        if (field.least() == null || field.most() == null || field.step() == null) {
            found.add(at, "needs its smallest and largest value and the step between two");
        } else if (field.most() <= field.least()) {
            found.add(at + "/most", "must be larger than the smallest value");
        } else if ((field.most() - field.least()) / field.step() >= 0x1p53) {
            found.add(at + "/step", "is too fine for the range");
        }
    }

    static void solar(ValidationErrors found, String at, Solar solar) {
        found.within(at + "/panelW", solar.panelW(), 0.01, 5000, " W");
        found.within(at + "/tiltDeg", solar.tiltDeg(), 0, 90, "°");
        found.within(at + "/openShare", solar.openShare(), 0, 1, "");
        found.within(at + "/sunShareSummer", solar.sunShareSummer(), 0, 1, "");
        found.within(at + "/sunShareWinter", solar.sunShareWinter(), 0, 1, "");
    }
}
