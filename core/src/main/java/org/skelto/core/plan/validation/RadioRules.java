package org.skelto.core.plan.validation;

import java.util.List;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.radio.Calibration;
import org.skelto.core.plan.radio.Cover;
import org.skelto.core.plan.radio.GroundPoint;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.MessageField;
import org.skelto.core.plan.radio.RadioPath;

/** Profiles of radio paths run outwards, messages fit into a frame, and what readings taught is not more than a plan has. */
final class RadioRules {
    private final Plan plan;
    private final ValidationErrors found;

    RadioRules(Plan plan, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
    }

    void all() {
        plan.paths().forEach(this::path);
        plan.units().forEach((id, unit) -> {
            if (unit.message() != null) {
                message(Pointers.of("units", id) + "/message", unit.message());
            }
        });
        Calibration c = plan.calibration();
        if (c != null
                && (c.wallDb().size() > Limits.CONSTRUCTIONS || c.offsetDb().size() > Limits.UNITS)) {
            found.add("/calibration", "holds more than a plan has walls and units");
        }
    }

    private void path(String id, RadioPath path) {
        String at = Pointers.of("paths", id);
        if (path.from().equals(path.to())) {
            found.add(at + "/to", "a path cannot lead to where it starts");
        }
        profile(at + "/profile", path.profile());
        for (int i = 0; i < path.covers().size(); i++) {
            Cover cover = path.covers().get(i);
            if (cover.toM() <= cover.fromM()) {
                found.add(at + "/covers/" + i + "/toM", "must lie beyond where it begins");
            }
        }
    }

    private void profile(String at, List<GroundPoint> points) {
        double before = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < points.size(); i++) {
            double distanceM = points.get(i).distanceM();
            if (i == 0 && distanceM != 0) {
                found.add(at + "/0/distanceM", "must be 0: the path starts there");
            }
            if (distanceM <= before) {
                found.add(at + "/" + i + "/distanceM", "must lie beyond the point before it");
            }
            before = distanceM;
        }
    }

    private void message(String at, Message message) {
        for (int i = 0; i < message.fields().size(); i++) {
            MessageField field = message.fields().get(i);
            if (field.kind() == MessageField.Kind.VALUE) {
                value(at + "/fields/" + i, field);
            }
        }
        if (message.bytes() > Message.MOST_BYTES) {
            found.add(
                    at + "/fields",
                    "pack into " + message.bytes() + " bytes; a frame takes 1 to " + Message.MOST_BYTES);
        }
    }

    private void value(String at, MessageField field) {
        if (field.least() == null || field.most() == null || field.step() == null) {
            found.add(at, "needs its smallest and largest value and the step between two");
        } else if (field.most() <= field.least()) {
            found.add(at + "/most", "must be larger than the smallest value");
        } else if ((field.most() - field.least()) / field.step() >= 0x1p53) {
            found.add(at + "/step", "is too fine for the range");
        }
    }
}
