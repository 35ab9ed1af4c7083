package org.skelto.core.snags;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.skelto.core.build.PartsList;
import org.skelto.core.calibration.Reading;
import org.skelto.core.coverage.DemandReport;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.facts.SurvivalFacts;
import org.skelto.core.house.Backups;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Outages;
import org.skelto.core.house.PossibleLink;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.links.LinkReport;
import org.skelto.core.mesh.MeshReport;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.power.PowerNode;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.rules.RuleFinding;
import org.skelto.core.sight.Sights;
import org.skelto.core.site.SiteModel;
import org.skelto.core.sound.SoundReport;
import org.skelto.core.survival.Promises;
import org.skelto.core.wiring.ChainReport;
import org.skelto.core.wiring.Wired;
import org.skelto.core.work.ComputingBudget;

/** What the checks look at, and where they put what they find. */
final class CheckContext {
    final Plan plan;
    final SlabTables tables;
    final List<Reading> readings;
    final Catalogue parts;
    private final Facts facts;

    /** How often another link has been looked for. */
    int offers;

    private final List<Snag> found = new ArrayList<>();

    CheckContext(Facts facts) {
        this.facts = facts;
        this.plan = facts.plan();
        this.tables = facts.tables();
        this.readings = facts.readings();
        this.parts = facts.parts();
    }

    SiteModel site() {
        return facts.site();
    }

    Map<String, LinkReport> links() {
        return facts.links();
    }

    Outages outages() {
        return facts.outages();
    }

    /** Units that are dark or cut off with everything working, by id. */
    Map<String, Outages.UnitTrouble> troubles() {
        return facts.get(HouseFacts.TROUBLES);
    }

    /** Every promise of the plan, judged. */
    List<Promises.JudgedPromise> promises() {
        return facts.get(SurvivalFacts.PROMISES);
    }

    Sights sights() {
        return facts.get(HouseFacts.SIGHTS);
    }

    /** What the solver finds about the rules. */
    List<RuleFinding> ruleFindings() {
        return facts.get(HouseFacts.RULE_FINDINGS);
    }

    /** Links that radios make by themselves. */
    List<PossibleLink> possible() {
        return facts.get(HouseFacts.POSSIBLE);
    }

    Map<String, DeviceState> now() {
        return outages().now();
    }

    List<MeshReport> meshes() {
        return facts.get(HouseFacts.MESHES);
    }

    Map<String, SoundReport> sounds() {
        return facts.sounds();
    }

    Map<String, DemandReport> demands() {
        return facts.demands();
    }

    Map<String, Wired> wired() {
        return facts.wired();
    }

    List<Backups.BackupPath> backups() {
        return facts.backups();
    }

    /** The first few names, and how many more there are. */
    static String some(int most, List<String> names) {
        return names.stream().limit(most).collect(Collectors.joining(", "))
                + (names.size() > most ? " and " + (names.size() - most) + " more" : "");
    }

    PartsList partsList(LocalDate today) {
        return facts.partsList(today);
    }

    Map<String, PowerNode> power() {
        return facts.power();
    }

    Map<String, HousingFit> housings() {
        return facts.housings();
    }

    List<ChainReport> chains() {
        return facts.chains();
    }

    /** The link that would be chosen for a unit, if any will do. */
    Optional<LinkChooser.Option> bestLink(String unit) {
        return HouseFacts.bestLink(facts, unit);
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
            ComputingBudget.step();
            String key = code + String.join(" ", subjects);
            found.add(SnagBuilder.builder()
                    .key(key)
                    .code(code)
                    .severity(severity)
                    .stage(stage)
                    .title(title)
                    .figures(figures)
                    .consequence(consequence)
                    .subjects(subjects)
                    .fixes(fixes)
                    .accepted(plan.accepted().get(key))
                    .build());
        }
    }

    Draft snag(String code, Severity severity, Stage stage, String title) {
        ComputingBudget.step();
        return new Draft(code, severity, stage, title);
    }

    Stream<Map.Entry<String, Unit>> units(UnitKind kind) {
        return plan.units().entrySet().stream().filter(e -> e.getValue().is(kind));
    }

    Stream<Map.Entry<String, Device>> devicesOn(String unit) {
        ComputingBudget.step();
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
