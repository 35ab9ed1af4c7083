package org.skelto.core.proposals;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Outpost;
import org.skelto.core.RandomEdits;
import org.skelto.core.Tried;
import org.skelto.core.Workshop;
import org.skelto.core.channels.Channels;
import org.skelto.core.commands.Command;
import org.skelto.core.commands.NetworkLike;
import org.skelto.core.commands.PlaceRoomSet;
import org.skelto.core.commands.RoomSet;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.State;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.Explorer;
import org.skelto.core.longrange.PathReport;
import org.skelto.core.longrange.WhatItTakes;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.placement.PlacementRequest;
import org.skelto.core.placement.PlacementRequestBuilder;
import org.skelto.core.placement.Placer;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;
import org.skelto.core.rules.Placeholder;
import org.skelto.core.rules.ReadyRule;
import org.skelto.core.rules.ReadyRules;
import org.skelto.core.rules.RuleCopy;
import org.skelto.core.rules.Sky;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Severity;
import org.skelto.core.snags.Snag;
import org.skelto.core.wiring.BoardChoice;
import org.skelto.core.work.Progress;

/** The law of proposals: what is proposed leaves no stop and no fix behind that was not there. */
class ProposalsTest {
    private static final Explorer.Wanted AS_PLANNED = new Explorer.Wanted(5, null, null, null);
    private static final int PLANS = Boolean.getBoolean("skelto.long") ? 2000 : 45;

    /** One thing proposed. */
    private record Proposed(String what, List<Edit> edits) {}

    private static Plan applied(Plan plan, List<Edit> edits) {
        return NameAssigner.assign(Changed.after(plan, edits));
    }

    private static Proposals proposals(Facts facts) {
        return new Proposals(facts, consequences(facts));
    }

    private static Consequences consequences(Facts facts) {
        return new Consequences(facts, ProposalsTest::applied);
    }

    @TestFactory
    Stream<DynamicTest> everyProposalOnEveryDemo() {
        return Stream.of(Demos.mill(), Demos.flat(), Workshop.plan(), Outpost.plan())
                .map(drawn -> DynamicTest.dynamicTest(
                        drawn.name() + ", " + drawn.units().size() + " units", () -> {
                            Facts facts = new Facts(NameAssigner.assign(drawn));
                            List<Proposed> all = new ArrayList<>();
                            Tried.some(facts.plan().units(), 15).forEach(id -> links(facts, id, all));
                            whole(facts, all);
                            ready(facts, all);
                            copies(facts, all);
                            farLinks(facts, all);
                            assertFalse(all.isEmpty());
                            assertEquals(List.of(), broken(facts, all));
                        }));
    }

    @Test
    void proposalsOfTheLodge() {
        Facts facts = new Facts(NameAssigner.assign(ThornfellLodge.plan()));
        List<Proposed> all = new ArrayList<>();
        links(facts, "first-0-board", all);
        whole(facts, all);
        assertEquals(List.of(), broken(facts, all));
    }

    @TestFactory
    Stream<DynamicTest> proposalsForPlansChangedByChance() {
        List<Plan> houses = List.of(Demos.flat(), Workshop.plan(), Outpost.plan());
        return houses.stream()
                .map(house -> DynamicTest.dynamicTest(house.name(), () -> {
                    for (int seed = 0; seed < PLANS / houses.size() + 1; seed++) {
                        Random random = new Random(seed);
                        Plan plan = RandomEdits.changed(house, seed);
                        // some have lost all their links
                        Plan bare = seed % 3 == 0 ? plan.withLinks(new TreeMap<>()) : plan;
                        Facts facts = new Facts(NameAssigner.assign(bare));
                        List<Proposed> all = new ArrayList<>();
                        List<String> units = List.copyOf(facts.plan().units().keySet());
                        links(facts, units.get(random.nextInt(units.size())), all);
                        all.add(new Proposed("links for all", proposals(facts).linksForAll()));
                        all.add(new Proposed(
                                "pins", proposals(facts).terminals(null).edits()));
                        all.add(new Proposed(
                                "channels",
                                Channels.of(facts.site(), facts.tables()).edits()));
                        one(facts, random, all);
                        int at = seed;
                        assertEquals(List.of(), broken(facts, all), () -> "seed " + at);
                    }
                }));
    }

    /** Some of what takes longer: a board, a box to place, a change or setting of a long-range link. */
    private static void one(Facts facts, Random random, List<Proposed> all) {
        List<Proposed> some = new ArrayList<>();
        switch (random.nextInt(3)) {
            case 0 -> boards(facts, some);
            case 1 -> placings(facts, random.nextBoolean() ? Medium.WIFI_2G4 : Medium.MESH_802154, some);
            default -> farLinks(facts, some);
        }
        if (!some.isEmpty()) {
            all.add(some.get(random.nextInt(some.size())));
        }
    }

    private static void links(Facts facts, String unit, List<Proposed> all) {
        if (facts.site().position(facts.plan().units().get(unit)).isEmpty()) {
            return;
        }
        proposals(facts).links(unit).stream()
                .filter(o -> o.ruledOut() == null)
                .forEach(o -> all.add(new Proposed(unit + ": " + o.medium() + " to " + o.to(), o.edits())));
    }

    private static void ready(Facts facts, List<Proposed> all) {
        for (ReadyRule ready : ReadyRules.of(facts.plan(), facts.outages(), Sky.of(facts.plan()))) {
            List<Edit> edits = new ArrayList<>();
            ready.rules().forEach((id, rule) -> edits.add(Edit.add(Pointers.of("rules", id), rule)));
            if (!edits.isEmpty()) {
                all.add(new Proposed("ready rule " + ready.name(), edits));
            }
        }
    }

    private static void copies(Facts facts, List<Proposed> all) {
        List<Edit> placeholders = new ArrayList<>();
        Placeholder.of(facts.plan())
                .forEach(p -> placeholders.add(Edit.add(Pointers.of("rules", "for-" + p.device()), p.rule())));
        if (!placeholders.isEmpty()) {
            all.add(new Proposed("placeholders", placeholders));
        }
        facts.plan()
                .rules()
                .forEach((id, rule) -> RuleCopy.all(facts.plan(), facts.outages(), Sky.of(facts.plan()), rule).stream()
                        .filter(c -> c.made() != null)
                        .forEach(c -> all.add(new Proposed(
                                id + " for " + c.roomName(),
                                List.of(Edit.add(Pointers.of("rules", "copied"), c.made()))))));
    }

    private static void whole(Facts facts, List<Proposed> all) {
        all.add(new Proposed("links for all", proposals(facts).linksForAll()));
        all.add(new Proposed("pins", proposals(facts).terminals(null).edits()));
        all.add(new Proposed(
                "channels", Channels.of(facts.site(), facts.tables()).edits()));
        all.add(new Proposed(
                "network", proposals(facts).network(new NetworkLike(null)).edits()));
        boards(facts, all);
        placings(facts, Medium.WIFI_2G4, all);
        placings(facts, Medium.MESH_802154, all);
    }

    /** Walls and nothing in them, and then with the devices of templates that have radios of their own. */
    @Test
    void aNetworkForAHouseThatHasNone() {
        for (Plan house : List.of(Demos.mill(), Demos.flat(), ThornfellLodge.plan())) {
            Plan bare = NameAssigner.assign(RandomEdits.emptied(house));
            network(bare);
            Plan set = RoomSet.builtIn(bare).get("Living room");
            Map<String, Plan> placed = new TreeMap<>();
            bare.rooms().keySet().stream().limit(3).forEach(room -> placed.put(room, set));
            network(applied(bare, new PlaceRoomSet(placed, true).on(bare).edits()));
        }
    }

    private static void network(Plan bare) {
        Facts facts = new Facts(bare);
        Command.Proposal found = proposals(facts).network(new NetworkLike(null));
        List<Edit> edits = found.edits();
        assertEquals(List.of(), broken(facts, List.of(new Proposed(bare.name(), edits))));
        Plan now = applied(bare, edits);
        assertEquals(
                1, now.units().values().stream().filter(Unit::internetEntry).count());
        // everything of the network hangs together
        now.units()
                .forEach((id, unit) -> assertTrue(
                        unit.is(UnitKind.ROUTER)
                                || unit.kind().alone()
                                || now.links().values().stream()
                                        .anyMatch(l -> l.from().equals(id) || l.to().equals(id)),
                        id + " of " + now.name()));
        // where nothing is left out and said so, every floor is served, and a second time there is nothing to do
        List<String> more =
                new NetworkLike(null).on(now).edits().stream().map(Edit::path).toList();
        assertEquals(found.notes().size(), more.size(), more.toString());
    }

    private static void boards(Facts facts, List<Proposed> all) {
        proposals(facts)
                .boards(0.2)
                .forEach(s -> s.choices()
                        .forEach(c -> all.add(new Proposed(s.name() + ": " + c.name() + " " + c.boards(), c.edits()))));
    }

    private static void placings(Facts facts, Medium medium, List<Proposed> all) {
        PlacementRequest ask = PlacementRequestBuilder.builder()
                .medium(medium)
                .goal(PlacementRequest.Goal.NEXT)
                .cover(PlacementRequest.Cover.DEVICES)
                .times(1)
                .keep(true)
                .boxCost(60)
                .outletCost(120)
                .build();
        proposals(facts)
                .placings(Placer.answer(facts.site(), facts.tables(), ask, new Silent(), 2000, () -> 0))
                .placings()
                .stream()
                .filter(p -> !p.why().contains("it would bring"))
                .forEach(p -> all.add(new Proposed(medium + " " + p.why(), p.edits())));
    }

    private static void farLinks(Facts facts, List<Proposed> all) {
        facts.plan().paths().keySet().forEach(id -> {
            PathReport report = PathReport.of(facts.plan(), facts.site(), facts.tables(), id, null)
                    .orElse(null);
            if (report == null || report.report().marginDb() == null) {
                return;
            }
            proposals(facts)
                    .takes(WhatItTakes.of(facts.plan(), facts.site(), facts.tables(), id, report.medium(), null, 0.95))
                    .changes()
                    .stream()
                    .filter(c -> c.brings() == null)
                    .forEach(c -> all.add(new Proposed(c.text(), c.edits())));
            if (report.medium() == Medium.CHIRP) {
                Explorer.SettingGrid grid = grid(facts, id);
                grid.picks()
                        .forEach(p -> all.add(new Proposed(
                                id + " " + p.wish(),
                                consequences(facts).weighed(setting(grid, p)).edits())));
            }
        });
    }

    private static Explorer.SettingGrid grid(Facts facts, String path) {
        LinkReport basis = Explorer.basis(facts.plan(), facts.site(), facts.tables(), path, AS_PLANNED);
        return proposals(facts).settings(basis, AS_PLANNED);
    }

    private static List<Edit> setting(Explorer.SettingGrid grid, Explorer.Pick pick) {
        return grid.radios().stream()
                .map(at -> Edit.replace(at + "/chirp", new Chirp(pick.spreadingFactor(), pick.bandwidthKHz(), 5)))
                .toList();
    }

    private static List<String> broken(Facts facts, List<Proposed> all) {
        List<String> broken = new ArrayList<>();
        List<Snag> before = pressing(facts);
        Set<String> keys = before.stream().map(Snag::key).collect(Collectors.toSet());
        for (Proposed p : all) {
            if (p.edits.isEmpty()) {
                continue;
            }
            List<Snag> then = pressing(facts.after(applied(facts.plan(), p.edits)));
            for (Snag snag : then) {
                if (!keys.contains(snag.key())
                        && !fewer(snag, before)
                        && !lostBefore(snag, facts)
                        && !stoppedBefore(snag, before, then)) {
                    broken.add(p.what + " leaves " + snag.code() + " " + snag.title() + ", " + snag.figures());
                }
            }
        }
        return broken;
    }

    /** Of things told together before some are left. */
    private static boolean fewer(Snag snag, List<Snag> before) {
        return snag.subjects().stream()
                .allMatch(s -> before.stream()
                        .anyMatch(b ->
                                b.code().equals(snag.code()) && b.subjects().contains(s)));
    }

    /** A link that did not carry at all, and now misses its margin, has gained. */
    private static boolean stoppedBefore(Snag snag, List<Snag> before, List<Snag> then) {
        return snag.severity() == Severity.FIX
                && before.stream()
                        .filter(b -> b.severity() == Severity.STOP)
                        .filter(b -> then.stream().noneMatch(t -> t.key().equals(b.key())))
                        .anyMatch(b -> b.subjects().contains(snag.subjects().get(0)));
    }

    private static boolean lostBefore(Snag snag, Facts before) {
        return snag.code().matches("O[12349]")
                && before.outages().now().entrySet().stream()
                        .filter(e -> e.getValue().state().compareTo(State.LOST) >= 0)
                        .map(e -> before.plan().devices().get(e.getKey()))
                        .anyMatch(d -> d != null && (snag.figures() + snag.title()).contains(d.name()));
    }

    private static List<Snag> pressing(Facts facts) {
        return Checks.snags(facts).stream()
                .filter(s -> s.severity() != Severity.LOOK)
                .toList();
    }

    private static final class Silent implements Progress {
        @Override
        public void at(double share, String doing) {}

        @Override
        public boolean cancelled() {
            return false;
        }
    }

    @Test
    void whatAChangeBringsIsToldAndItsFixGoesAlong() {
        Facts facts = new Facts(NameAssigner.assign(Workshop.plan()));
        LinkChooser.Option radio = proposals(facts).links("hub").stream()
                .filter(o -> o.medium() == Medium.WIFI_2G4)
                .findFirst()
                .orElseThrow();
        assertTrue(radio.ruledOut().contains("H3"), radio.ruledOut());
        assertFalse(radio.best());
        Facts far = new Facts(NameAssigner.assign(Outpost.plan()));
        LinkChooser.Option chirp = proposals(far).links("board").stream()
                .filter(o -> o.medium() == Medium.CHIRP)
                .findFirst()
                .orElseThrow();
        assertTrue(chirp.why().contains("Its messages are acknowledged"), chirp.why());
    }

    @Test
    void whatMakesPowerGetsNoRadio() {
        Facts facts = new Facts(NameAssigner.assign(Demos.mill()));
        assertEquals(List.of(), new LinkChooser(facts.site(), facts.tables()).options("rail-12"));
        facts.plan().units().forEach((id, unit) -> {
            if (unit.is(UnitKind.SWITCH) && facts.site().position(unit).isPresent()) {
                assertTrue(new LinkChooser(facts.site(), facts.tables())
                        .options(id).stream().noneMatch(o -> o.medium().radio()));
            }
        });
    }

    @Test
    void aBoardThatIsPutInTalksAndIsWired() {
        Plan drawn = Demos.flat();
        TreeMap<String, Device> devices = new TreeMap<>(drawn.devices());
        for (String room : drawn.rooms().keySet()) {
            devices.put("key-" + room, key(room));
        }
        Facts facts = new Facts(NameAssigner.assign(drawn.withDevices(devices)));
        List<BoardChoice> made = proposals(facts).boards(0.2).get(0).choices().stream()
                .filter(c -> !c.edits().isEmpty())
                .toList();
        assertEquals(drawn.rooms().size(), made.size());
        for (BoardChoice choice : made) {
            Plan then = applied(facts.plan(), choice.edits());
            String unit = then.units().keySet().stream()
                    .filter(u -> !drawn.units().containsKey(u))
                    .findFirst()
                    .orElseThrow();
            assertTrue(then.links().values().stream().anyMatch(l -> l.from().equals(unit)), choice.name());
            Facts after = new Facts(then);
            assertFalse(after.wired().get(unit).needs().isEmpty());
            after.wired().get(unit).needs().forEach(n -> {
                assertNotNull(n.terminal());
                assertNull(n.trouble());
            });
        }
        List<Proposed> all = new ArrayList<>();
        made.forEach(c -> all.add(new Proposed(c.name(), c.edits())));
        assertEquals(List.of(), broken(facts, all));
    }

    private static Device key(String room) {
        return DeviceBuilder.builder()
                .name("key in " + room)
                .kind(DeviceKind.PUSH_BUTTON)
                .place(new Place(room, null, 1, 1, 1.1))
                .build();
    }

    @Test
    void channelsThatWereChosenAreTheBestAfterwards() {
        for (Plan drawn : List.of(Demos.mill(), ThornfellLodge.plan())) {
            Facts facts = new Facts(NameAssigner.assign(drawn));
            Plan then = applied(
                    facts.plan(), Channels.of(facts.site(), facts.tables()).edits());
            Facts after = facts.after(then);
            assertEquals(List.of(), Channels.of(after.site(), after.tables()).edits(), drawn.name());
            // a mesh stays together
            drawn.links().values().stream()
                    .filter(l -> l.medium() == Medium.MESH_802154)
                    .forEach(l -> assertEquals(frequency(then, l.from()), frequency(then, l.to())));
        }
    }

    private static double frequency(Plan plan, String unit) {
        return plan.units().get(unit).radio(Medium.MESH_802154).orElseThrow().frequencyMHz();
    }

    @Test
    void everySettingIsReckonedWithBothEndsSetAlike() {
        Plan plan = Outpost.plan();
        Facts facts = new Facts(NameAssigner.assign(plan));
        String path = facts.plan().paths().keySet().iterator().next();
        LinkReport link = PathReport.of(facts.plan(), facts.site(), facts.tables(), path, Medium.CHIRP)
                .orElseThrow()
                .report();
        String receiver = "/units/" + link.to() + "/radios/"
                + plan.units().get(link.to()).radioId(Medium.CHIRP).orElseThrow() + "/chirp/spreadingFactor";
        Facts mismatched = new Facts(NameAssigner.assign(Changed.with(plan, receiver, "7")));
        Explorer.SettingGrid alike = grid(facts, path);
        Explorer.SettingGrid apart = grid(mismatched, path);
        for (int i = 0; i < alike.settings().size(); i++) {
            assertEquals(
                    alike.settings().get(i).marginDb(), apart.settings().get(i).marginDb(), 1e-9);
        }
        assertTrue(apart.settings().stream().noneMatch(Explorer.Setting::now));
        // and each is the margin that the link has once it is set so
        Explorer.Setting some = alike.settings().stream()
                .filter(s -> s.spreadingFactor() == 8 && s.bandwidthKHz() == 250)
                .findFirst()
                .orElseThrow();
        List<Edit> edits = alike.radios().stream()
                .map(at -> Edit.replace(at + "/chirp", new Chirp(8, 250, 5)))
                .toList();
        Plan set = applied(facts.plan(), edits);
        Facts then = new Facts(set);
        Double margin = PathReport.of(set, then.site(), then.tables(), path, Medium.CHIRP)
                .orElseThrow()
                .report()
                .marginDb();
        assertNotNull(margin);
        assertEquals(margin, some.marginDb(), 1e-9);
    }

    /** Alike snags are fixed together: each is gone or told as left, and the law holds for all of it. */
    @Test
    void alikeSnagsAreFixedTogether() {
        for (Plan drawn : List.of(Demos.mill(), Workshop.plan())) {
            Facts facts = new Facts(NameAssigner.assign(drawn));
            List<Proposed> all = new ArrayList<>();
            Checks.snags(facts).stream()
                    .filter(s -> !s.fixes().isEmpty())
                    .collect(Collectors.groupingBy(Snag::code))
                    .forEach((code, alike) -> {
                        List<String> keys = alike.stream().map(Snag::key).toList();
                        Proposals.FixedTogether fixed = proposals(facts).fixes(keys);
                        all.add(new Proposed("all " + code, fixed.edits()));
                        Set<String> then = Checks.snags(facts.after(applied(facts.plan(), fixed.edits()))).stream()
                                .map(Snag::key)
                                .collect(Collectors.toSet());
                        assertEquals(
                                fixed.left(),
                                keys.stream().filter(then::contains).toList(),
                                code);
                    });
            assertFalse(all.isEmpty());
            assertEquals(List.of(), broken(facts, all));
        }
    }
}
