package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Plans;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.MessageAspect;
import org.skelto.core.plan.equipment.MessageChoice;
import org.skelto.core.plan.equipment.MessageChoiceBuilder;
import org.skelto.core.plan.equipment.Talks;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.BrokerAccess;
import org.skelto.core.plan.network.Credential;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.radio.SlabTables;

/** T4 to T9, T12, T13, N8 to N13 and H6: each on a house that has it, not on the sound one, and gone with its fix. */
class AccessChecksTest {
    private static final Credential OURS = new Credential(Credential.State.CHANGED, "2026-10-01", true, "the safe");
    private static final Credential FACTORY = new Credential(Credential.State.FACTORY, null, null, null);

    private static Plan sound() {
        return NameAssigner.assign(
                Plans.sound().withNetwork(Plans.sound().network().withAccess(BrokerAccess.EACH)));
    }

    private static Plan device(Plan plan, String id, UnaryOperator<Device> change) {
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        devices.computeIfPresent(id, (k, d) -> change.apply(d));
        return plan.withDevices(devices);
    }

    private static Plan unit(Plan plan, String id, UnaryOperator<Unit> change) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        units.computeIfPresent(id, (k, u) -> change.apply(u));
        return plan.withUnits(units);
    }

    private static Plan said(Plan plan, String key, Credential said) {
        Map<String, Credential> all = new TreeMap<>(plan.credentials());
        all.put(key, said);
        return plan.withCredentials(all);
    }

    private static Plan access(Plan plan, BrokerAccess access) {
        return plan.withNetwork(plan.network().withAccess(access));
    }

    private static Plan lock(Plan plan) {
        return device(plan, "lamp", d -> d.with(b -> b.kind(DeviceKind.LOCK).criticality(Criticality.PROTECTIVE)));
    }

    private static List<Snag> snags(Plan plan) {
        return Assessment.of(new Facts(plan, new SlabTables(), List.of(), Catalogue.builtIn()), Set.of())
                .snags();
    }

    private static List<Snag> of(String code, Plan plan) {
        return snags(plan).stream().filter(s -> s.code().equals(code)).toList();
    }

    private static void gone(String code, Plan plan) {
        Snag snag = of(code, plan).get(0);
        Plan then = NameAssigner.assign(Changed.after(plan, snag.fixes().get(0).edits()));
        assertEquals(List.of(), of(code, then));
    }

    @Test
    void theSoundHouseHasNone() {
        Set<String> codes =
                Set.of("T4", "T5", "T6", "T7", "T8", "T9", "T12", "T13", "N8", "N9", "N11", "N12", "N13", "H6");
        assertEquals(
                List.of(),
                snags(lock(sound())).stream()
                        .map(Snag::code)
                        .filter(codes::contains)
                        .toList());
    }

    private static Plan choosing(MessageAspect aspect, UnaryOperator<MessageChoiceBuilder> choice) {
        MessageChoice chosen = choice.apply(MessageChoiceBuilder.builder()).build();
        return device(lock(sound()), "lamp", d -> d.withMessages(Map.of(aspect, chosen)));
    }

    @Test
    void aChoiceOfMessagesThatHurtsIsToldAndTakenBack() {
        gone("T4", choosing(MessageAspect.COMMAND, c -> c.retained(true)));
        assertEquals(
                Severity.STOP,
                of("T4", choosing(MessageAspect.COMMAND, c -> c.retained(true)))
                        .get(0)
                        .severity());
        gone("T5", choosing(MessageAspect.STATE, c -> c.retained(false)));
        gone("T6", choosing(MessageAspect.AVAILABILITY, c -> c.lastWill(false)));
        gone("T7", choosing(MessageAspect.COMMAND, c -> c.delivery(0)));
        gone("T7", choosing(MessageAspect.STATE, c -> c.delivery(0)));
    }

    @Test
    void aLongTopicMayNotFitItsController() {
        Plan plan = device(sound(), "lamp", d -> d.withTopic("testhouse/" + "long".repeat(60)));
        gone("T8", plan);
        assertEquals(List.of(), of("T8", device(sound(), "lamp", d -> d.withTopic("testhouse/" + "long".repeat(30)))));
    }

    @Test
    void anOldTopicOfOneIsTheTopicOfAnother() {
        Plan plan = sound();
        String other = String.valueOf(plan.devices().get("probe").topic());
        gone(
                "T9",
                device(
                        plan,
                        "lamp",
                        d -> d.withAliases(Map.of(other.toUpperCase(java.util.Locale.ROOT), "2027-01-31"))));
        assertEquals(
                List.of(), of("T9", device(plan, "lamp", d -> d.withAliases(Map.of("testhouse/once", "2027-01-31")))));
    }

    @ParameterizedTest
    @CsvSource({"OPEN, N11, STOP", ", N11, LOOK", "SHARED, N13, FIX", "OPEN, T12, FIX", "SHARED, T12, FIX"})
    void whoMayCommandAndListen(BrokerAccess access, String code, Severity severity) {
        Plan plan = access(lock(sound()), access);
        assertEquals(severity, of(code, plan).get(0).severity());
        gone(code, plan);
    }

    @Test
    void aLampOnAnOpenBrokerHurtsNobody() {
        assertEquals(List.of(), of("N11", access(sound(), BrokerAccess.OPEN)));
    }

    @Test
    void aLockThatIsAskedDirectlyNeedsAPassword() {
        Plan plan = unit(lock(sound()), "board", u -> u.with(b -> b.talks(Talks.REQUEST)));
        assertEquals(Severity.LOOK, of("N11", plan).get(0).severity());
        assertEquals(
                Severity.FIX,
                of("N11", said(plan, "admin.board", FACTORY)).get(0).severity());
        assertEquals(List.of(), of("N11", said(plan, "admin.board", OURS)));
    }

    @Test
    void secretsOfTheFactory() {
        assertEquals(
                Severity.FIX,
                of("N9", said(sound(), "admin.hub", FACTORY)).get(0).severity());
        Snag unknown = of("N9", said(sound(), "admin.hub", Credential.UNKNOWN)).get(0);
        assertEquals(Severity.LOOK, unknown.severity());
        assertEquals(List.of("/units/hub"), unknown.subjects());
        assertEquals(
                Severity.FIX,
                of("N12", said(sound(), "pairing.mesh-802154", FACTORY)).get(0).severity());
        Plan keypad = Plans.put(sound(), "keys", Plans.unit("keys", UnitKind.KEYPAD, 6, Medium.WIFI_2G4));
        assertTrue(of("N12", keypad).get(0).figures().contains("code typed at the keys"));
    }

    @Test
    void aPassphraseIsStrongOnlyWhenSomebodySaysSo() {
        Plan unsaid = said(sound(), "wireless", OURS.withStrong(null));
        assertEquals(Severity.LOOK, of("N8", unsaid).get(0).severity());
        Plan weak = said(sound(), "wireless", OURS.withStrong(false));
        Snag snag = of("N8", weak).get(0);
        assertEquals(Severity.FIX, snag.severity());
        // access point and board, both from a chair: 2 times 3 minutes
        assertTrue(snag.figures().equals("2 units know it; to change it takes 0.1 h"), snag.figures());
    }

    @Test
    void namesOnOneAccountAreUniqueAndWhatTheyTellLeavesTheHouse() {
        UnaryOperator<Device> outside =
                d -> d.with(b -> b.name("eye").control(new TreeSet<>(Set.of(ControlScheme.SERVICE))));
        Plan plan = device(device(sound(), "lamp", outside), "probe", outside);
        gone("T13", plan);
        Plan eye = device(plan, "probe", d -> d.withKind(DeviceKind.MOTION));
        assertEquals(1, of("H6", eye).size());
        assertFalse(of("H6", eye).get(0).title().isEmpty());
        assertEquals(List.of(), of("H6", device(sound(), "probe", d -> d.withKind(DeviceKind.MOTION))));
    }
}
