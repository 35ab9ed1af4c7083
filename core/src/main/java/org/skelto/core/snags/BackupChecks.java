package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.OUTAGES;

import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.house.Backups;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;

/** P7, P8 and O6: boxes that end before they are meant to, or before the rest of what guards. */
final class BackupChecks {
    static final Check CHECK = Check.of(
            "snags of backups",
            List.of(
                    Code.of("P7", Stage.OUTAGES, "backup shorter than the wish", Severity.FIX),
                    Code.of("P8", Stage.OUTAGES, "backup feeds only part of the path", Severity.LOOK),
                    Code.of("O6", Stage.OUTAGES, "alarm path crosses a component without backup", FIX, LOOK)),
            List.of(HouseFacts.OUTAGES),
            BackupChecks::run);

    private static final int NAMED = 4;
    private static final Set<Job> ALARMS = EnumSet.of(Job.ALERT_HOME, Job.ALERT_AWAY, Job.SOUND);

    private BackupChecks() {}

    /** Boxes that end paths, the devices whose paths those are, and how long the others on them go on. */
    private static final class Ended {
        private final Set<String> units = new TreeSet<>();
        private final Set<String> devices = new TreeSet<>();
        private double othersH;
        private boolean vital;
    }

    static void run(CheckContext c) {
        c.plan.units().keySet().forEach(unit -> wish(c, unit));
        Ended alarms = new Ended();
        Ended others = new Ended();
        for (Backups.BackupPath path : c.backups()) {
            double carried = path.boxes().stream()
                    .filter(Backups.BackupBox::backed)
                    .mapToDouble(Backups.BackupBox::hours)
                    .max()
                    .orElse(0);
            if (path.hours() > 0 || carried == 0) {
                continue;
            }
            Ended ended = ALARMS.contains(c.now().get(path.device()).job()) ? alarms : others;
            path.boxes().stream().filter(b -> b.hours() == 0).forEach(b -> ended.units.add(b.unit()));
            ended.devices.add(path.name());
            Device d = Objects.requireNonNull(c.plan.devices().get(path.device()));
            // what sounds by itself does not wait for the path
            ended.vital |= d.criticality() == Criticality.VITAL && !d.ways().contains(Way.ALONE);
            ended.othersH = Math.max(ended.othersH, carried);
        }
        // where it is about life it is not a matter of taste
        told(c, "O6", alarms.vital ? FIX : LOOK, "the alarm path", alarms);
        told(c, "P8", LOOK, "the path", others);
    }

    private static void wish(CheckContext c, String id) {
        Double wish = c.plan.units().get(id).power().wishH();
        if (wish == null || wish == 0) {
            return;
        }
        Backups.BackupBox box = Backups.of(c.plan, c.outages(), id);
        if (box.hours() >= wish) {
            return;
        }
        c.snag("P7", FIX, OUTAGES, box.name() + " goes on shorter without the mains than it should")
                .figures(Text.number(box.hours(), 1) + " h of " + Text.number(wish, 1) + " h wished; " + box.why())
                .leadsTo(
                        "After that it is dark, and all that hangs on it. More backup, less load on it, or a shorter wish.")
                .at(CheckContext.unit(id))
                .add();
    }

    /** All in one, since one backup supply may answer it. */
    private static void told(CheckContext c, String code, Severity severity, String path, Ended ended) {
        if (ended.units.isEmpty()) {
            return;
        }
        List<String> names =
                ended.units.stream().map(u -> c.plan.units().get(u).name()).toList();
        c.snag(
                        code,
                        severity,
                        OUTAGES,
                        (names.size() == 1 ? names.get(0) + " has" : names.size() + " boxes have")
                                + " no backup while others on " + path + " have")
                .figures((names.size() == 1 ? "" : CheckContext.some(NAMED, names) + "; ") + "ends for "
                        + CheckContext.some(NAMED, List.copyOf(ended.devices))
                        + "; the others go on for "
                        + (ended.othersH >= 48
                                ? Text.number(ended.othersH / 24, 0) + " days"
                                : Text.number(ended.othersH, 1) + " h"))
                .leadsTo("Without the mains nothing passes there, and the backup of the others carries nothing.")
                .at(ended.units.stream().map(CheckContext::unit).toArray(String[]::new))
                .add();
    }
}
