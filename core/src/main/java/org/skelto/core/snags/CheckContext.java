package org.skelto.core.snags;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.skelto.core.calibration.Reading;
import org.skelto.core.coverage.DemandReport;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.links.LinkReport;
import org.skelto.core.mesh.MeshReport;
import org.skelto.core.outage.DeviceState;
import org.skelto.core.outage.Outages;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Device;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Unit;
import org.skelto.core.plan.UnitKind;
import org.skelto.core.power.PowerNode;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.sound.SoundReport;
import org.skelto.core.wiring.ChainReport;
import org.skelto.core.wiring.Wired;

/** What the checks look at, and where they put what they find. */
final class CheckContext {
    final Plan plan;
    final SiteModel site;
    final SlabTables tables;
    final Map<String, LinkReport> links;
    final Outages outages;
    final Map<String, DeviceState> now;

    /** How often another link has been looked for. */
    int offers;

    private final List<Snag> found = new ArrayList<>();

    final List<MeshReport> meshes;
    final Map<String, SoundReport> sounds;
    final Map<String, DemandReport> demands;
    final List<Reading> readings;
    final Catalogue parts;
    final Map<String, Wired> wired;
    final Map<String, PowerNode> power;
    final Map<String, HousingFit> housings;
    final List<ChainReport> chains;

    CheckContext(Review.Seen seen) {
        this.meshes = seen.meshes();
        this.sounds = seen.sounds();
        this.demands = seen.demands();
        this.readings = seen.readings();
        this.parts = seen.parts();
        this.wired = seen.wired();
        this.power = seen.power();
        this.housings = seen.housings();
        this.chains = seen.chains();
        this.site = seen.site();
        this.plan = site.plan();
        this.tables = seen.tables();
        this.links = seen.links();
        this.outages = seen.outages();
        this.now = outages.now();
    }

    List<Snag> found() {
        return found;
    }

    /** A snag being described; ends with {@link Draft#add}. */
    final class Draft {
        private final String code;
        private final Severity severity;
        private final Stage stage;
        private final String title;
        private String figures = "";
        private String consequence = "";
        private List<String> subjects = List.of();
        private final List<Snag.Fix> fixes = new ArrayList<>();

        private Draft(String code, Severity severity, Stage stage, String title) {
            this.code = code;
            this.severity = severity;
            this.stage = stage;
            this.title = title;
        }

        Draft figures(String text) {
            figures = text;
            return this;
        }

        Draft leadsTo(String text) {
            consequence = text;
            return this;
        }

        Draft at(String... pointers) {
            subjects = Arrays.asList(pointers);
            return this;
        }

        Draft fix(String label, org.skelto.core.plan.Edit... edits) {
            fixes.add(new Snag.Fix(label, Arrays.asList(edits)));
            return this;
        }

        void add() {
            String key = code + String.join(" ", subjects);
            found.add(new Snag(
                    key,
                    code,
                    severity,
                    stage,
                    title,
                    figures,
                    consequence,
                    subjects,
                    fixes,
                    plan.accepted().get(key)));
        }
    }

    Draft snag(String code, Severity severity, Stage stage, String title) {
        return new Draft(code, severity, stage, title);
    }

    Stream<Map.Entry<String, Unit>> units(UnitKind kind) {
        return plan.units().entrySet().stream().filter(e -> e.getValue().kind() == kind);
    }

    Stream<Map.Entry<String, Device>> devicesOn(String unit) {
        return plan.devices().entrySet().stream()
                .filter(e -> unit.equals(e.getValue().unit()));
    }

    static String device(String id, String... more) {
        return Pointers.of("devices", id) + String.join("", more);
    }

    static String unit(String id, String... more) {
        return Pointers.of("units", id) + String.join("", more);
    }

    static String link(String id, String... more) {
        return Pointers.of("links", id) + String.join("", more);
    }
}
