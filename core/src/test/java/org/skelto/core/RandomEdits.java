package org.skelto.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.BiFunction;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.ContactRest;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.MessageAspect;
import org.skelto.core.plan.equipment.MessageChoiceBuilder;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Talks;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.BrokerAccess;
import org.skelto.core.plan.network.Credential;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.Network;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.network.TopicLevel;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerBuilder;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Beam;
import org.skelto.core.plan.radio.Calibration;
import org.skelto.core.plan.radio.IndoorModel;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBand;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.validation.PlanValidator;

/** Edits as people make them, by chance, of every part of a plan that facts read. */
public final class RandomEdits {
    private final Random random;

    public RandomEdits(long seed) {
        this.random = new Random(seed);
    }

    /** The walls of a house with nothing in them. */
    public static Plan emptied(Plan plan) {
        return plan.with(p -> p.units(Map.of())
                .devices(Map.of())
                .links(Map.of())
                .housings(Map.of())
                .cables(Map.of())
                .routes(Map.of())
                .demands(Map.of())
                .paths(Map.of())
                .accepted(Map.of())
                .network(Network.standard("house")));
    }

    /** A house after up to eight edits. */
    public static Plan changed(Plan house, long seed) {
        Random random = new Random(seed);
        RandomEdits edits = new RandomEdits(seed);
        Plan plan = house;
        for (int i = random.nextInt(8); i >= 0; i--) {
            plan = edits.next(plan);
        }
        return plan;
    }

    private interface Change extends BiFunction<RandomEdits, Plan, Plan> {}

    private static final List<Change> CHANGES = List.of(
            (r, p) -> r.unit(p, u -> u.place() == null ? u : u.withPlace(r.moved(u.place()))),
            (r, p) -> r.unit(p, u -> u.place() == null ? u : u.withPlace(r.moved(u.place()))),
            (r, p) -> r.unit(p, u -> u.withName("unit " + r.random.nextInt(1000))),
            (r, p) -> r.unit(p, u -> u.withPower(r.power(p, u.power()))),
            (r, p) -> r.unit(p, u -> u.withIpv4(null)),
            (r, p) -> r.unit(p, u -> u.withBoards(null)),
            (r, p) -> r.unit(p, u -> u.withBroker(!u.broker())),
            (r, p) -> r.unit(p, u -> u.withHub(null)),
            (r, p) -> r.unit(p, u -> u.withRadios(r.radios(u.radios()))),
            (r, p) -> r.unit(
                    p,
                    u -> u.message() == null
                            ? u
                            : u.withMessage(u.message()
                                    .with(m -> m.tries(1 + r.random.nextInt(3))
                                            .command(r.one(List.of(Message.Command.values())))))),
            (r, p) -> r.device(p, d -> d.place() == null ? d : d.withPlace(r.moved(d.place()))),
            (r, p) -> r.device(p, d -> d.withName("device " + r.random.nextInt(1000))),
            (r, p) -> r.device(p, d -> d.withWays(new TreeSet<>(List.of(r.one(List.of(Way.values())))))),
            (r, p) -> r.device(p, d -> d.withHand(r.one(List.of(Hand.values())))),
            (r, p) -> r.device(p, d -> d.withRest(r.one(List.of(RestState.values())))),
            (r, p) -> r.device(p, d -> d.withCriticality(r.one(List.of(Criticality.values())))),
            (r, p) -> r.device(p, d -> d.attachedTo(r.one(p.units().keySet()))),
            (r, p) -> r.device(p, d -> d.withWiring(null)),
            (r, p) -> r.device(p, d -> d.withTopic("a/" + r.random.nextInt(5))),
            (r, p) -> r.device(p, d -> d.withWorks(d.known().withWatts(r.random.nextDouble() * 500))),
            (r, p) -> r.device(p, d -> d.withWorks(d.known().withContact(r.one(List.of(ContactRest.values()))))),
            (r, p) -> r.device(p, d -> d.withJobs(new TreeSet<>(List.of(r.one(List.of(Job.values())))))),
            (r, p) -> r.device(p, d -> d.withWays(new TreeSet<>(r.some(Way.values())))),
            (r, p) -> r.device(
                    p,
                    d -> d.withWorks(d.known()
                            .withSupply(
                                    r.random.nextBoolean()
                                            ? null
                                            : r.one(p.units().keySet())))),
            (r, p) -> r.device(p, d -> d.withExitRoute(!d.exitRoute())),
            (r, p) -> r.device(p, d -> d.withOutsideDoor(!d.outsideDoor())),
            (r, p) -> r.device(
                    p,
                    d -> d.withWallControls(new TreeSet<>(r.someOf(p.devices().entrySet().stream()
                            .filter(e -> e.getValue().kind() == DeviceKind.PUSH_BUTTON)
                            .map(Map.Entry::getKey)
                            .toList())))),
            (r, p) -> r.unit(p, u -> u.withTalks(r.one(List.of(Talks.values())))),
            (r, p) -> r.unit(p, u -> u.withTunnel(r.random.nextBoolean())),
            (r, p) -> r.unit(p, u -> u.withBridges(r.random.nextBoolean())),
            (r, p) -> r.unit(p, u -> u.withInternetEntry(r.random.nextBoolean())),
            (r, p) -> r.unit(
                    p,
                    u -> u.withHub(r.one(p.units().entrySet().stream()
                            .filter(e -> e.getValue().kind() == UnitKind.HUB)
                            .map(Map.Entry::getKey)
                            .toList()))),
            (r, p) -> r.unit(
                    p,
                    u -> u.withPower(PowerBuilder.builder(u.power())
                            .more(List.of(new Source(
                                    PowerSource.SUPPLY, null, r.one(p.units().keySet()))))
                            .build())),
            (r, p) -> r.unit(
                    p,
                    u -> u.withPower(Power.of(
                            r.random.nextBoolean() ? PowerSource.SUPPLY : PowerSource.ETHERNET,
                            null,
                            r.one(p.units().keySet()),
                            r.random.nextInt(3)))),
            (r, p) -> r.unit(
                    p,
                    u -> u.withPower(u.power()
                            .withPart(r.one(List.of("backup-12", "backup-500")))
                            .withCount(1 + r.random.nextInt(3)))),
            (r, p) -> r.unit(p, u -> u.withPower(u.power().withBackupH(r.random.nextInt(5)))),
            (r, p) -> p.withCircuits(r.with(
                    p.circuits(),
                    c -> new Circuit(
                            c.name(),
                            c.breakerA(),
                            c.cable(),
                            r.random.nextBoolean() ? null : r.one(p.units().keySet()),
                            r.random.nextBoolean() ? null : r.one(List.of(Circuit.Phase.values())),
                            r.random.nextInt(4) == 0))),
            (r, p) -> p.withCircuits(r.with(
                    p.circuits(),
                    c -> new Circuit(
                            c.name(),
                            c.breakerA(),
                            c.cable(),
                            c.from(),
                            r.one(List.of(Circuit.Phase.values())),
                            false))),
            (r, p) -> r.unit(p, u -> u.withRoles(new TreeSet<>(List.of(r.one(List.of(UnitKind.values())))))),
            (r, p) -> r.unit(p, u -> u.withLeaseH(1 + 40.0 * r.random.nextInt(3))),
            (r, p) -> r.device(p, d -> d.withControl(new TreeSet<>(r.some(ControlScheme.values())))),
            (r, p) -> r.device(p, d -> d.withControl(new TreeSet<>(List.of(r.one(List.of(ControlScheme.values())))))),
            (r, p) -> r.unit(p, u -> u.withRelays(r.random.nextBoolean())),
            // all at once onto one bus, one carrier, or whatever it is
            (r, p) -> r.all(p, r.one(List.of(Medium.RS485, Medium.POWER_LINE, Medium.values()[r.random.nextInt(12)]))),
            (r, p) -> p.withNetwork(p.network()
                    .with(n -> n.lines(List.of(r.one(p.units().keySet()))).failover(r.random.nextBoolean()))),
            (r, p) -> p.withRooms(r.with(p.rooms(), r::room)),
            (r, p) -> p.withLinks(r.with(p.links(), l -> r.link(p, l))),
            (r, p) -> p.withLinks(r.without(p.links())),
            (r, p) -> p.withPaths(r.with(p.paths(), path -> path.withExponent(2 + r.random.nextDouble() * 2))),
            (r, p) -> p.withIndoorModel(r.one(List.of(IndoorModel.values()))),
            (r, p) -> p.withCalibration(new Calibration(
                    true,
                    Map.of("brick-110", Map.of(RadioBand.AROUND_2_4_GHZ, r.random.nextDouble() * 20)),
                    Map.of(),
                    Map.of(),
                    1,
                    null)),
            (r, p) -> p.withAccepted(Map.of("S2", "known " + r.random.nextInt(5))),
            (r, p) -> p.withMainsVoltageV(r.random.nextBoolean() ? 230.0 : 120.0),
            (r, p) -> p.withNetwork(p.network()),
            (r, p) -> p.withServices(r.without(p.services())),
            (r, p) -> p.withNetwork(p.network()
                    .with(n ->
                            n.access(r.one(List.of(BrokerAccess.values()))).topicLevels(r.some(TopicLevel.values())))),
            (r, p) -> p.withCredentials(Map.of(
                    r.one(List.of("wireless", "admin.hub", "admin.router", "pairing.mesh-802154")),
                    new Credential(r.one(List.of(Credential.State.values())), null, r.random.nextBoolean(), null))),
            (r, p) -> r.device(
                    p,
                    d -> d.withMessages(Map.of(
                            r.one(List.of(MessageAspect.values())),
                            MessageChoiceBuilder.builder()
                                    .delivery(r.random.nextInt(3))
                                    .retained(r.random.nextBoolean())
                                    .build()))),
            (r, p) -> r.device(
                    p,
                    d -> d.withAliases(Map.of("a/" + r.random.nextInt(5), "2027-03-31"))
                            .withEnteredAs(Map.of("hub", "device " + r.random.nextInt(1000)))),
            (r, p) -> p.withServices(
                    r.with(p.services(), s -> new Service(s.name(), s.kind(), null, 1 + r.random.nextInt(2000), 1))),
            (r, p) -> p.withHousings(r.with(p.housings(), h -> h)),
            (r, p) -> p.withDemands(r.without(p.demands())),
            (r, p) -> p.withOpenings(r.with(p.openings(), o -> o.withWidthM(0.5 + r.random.nextDouble()))));

    /** A plan that differs from this one in one place, still well-formed. */
    public Plan next(Plan plan) {
        while (true) {
            Plan changed = any(plan);
            if (PlanValidator.problems(changed).isEmpty()) {
                return changed;
            }
        }
    }

    /** A plan that differs from this one in one place, well-formed or not. */
    public Plan any(Plan plan) {
        return CHANGES.get(random.nextInt(CHANGES.size())).apply(this, plan);
    }

    private <T> List<T> some(T[] all) {
        return someOf(List.of(all));
    }

    private <T> List<T> someOf(List<T> all) {
        return all.stream().filter(x -> random.nextInt(3) == 0).toList();
    }

    private <T> T one(Iterable<T> all) {
        List<T> list = new ArrayList<>();
        all.forEach(list::add);
        return list.get(random.nextInt(list.size()));
    }

    private <T> Map<String, T> with(Map<String, T> map, java.util.function.UnaryOperator<T> change) {
        Map<String, T> all = new TreeMap<>(map);
        if (!all.isEmpty()) {
            all.computeIfPresent(one(map.keySet()), (id, value) -> change.apply(value));
        }
        return all;
    }

    private <T> Map<String, T> without(Map<String, T> map) {
        Map<String, T> all = new TreeMap<>(map);
        if (!all.isEmpty()) {
            all.remove(one(map.keySet()));
        }
        return all;
    }

    private Plan all(Plan plan, Medium medium) {
        Map<String, Link> all = new TreeMap<>(plan.links());
        all.replaceAll((id, l) -> random.nextInt(3) == 0 ? l : Link.of(l.from(), l.to(), medium, null, null, null));
        return plan.withLinks(all);
    }

    private Plan unit(Plan plan, java.util.function.UnaryOperator<Unit> change) {
        return plan.withUnits(with(plan.units(), change));
    }

    private Plan device(Plan plan, java.util.function.UnaryOperator<Device> change) {
        return plan.withDevices(with(plan.devices(), change));
    }

    private Place moved(Place place) {
        return new Place(
                place.room(),
                place.spot(),
                Corner.cm(place.xM() + random.nextGaussian()),
                Corner.cm(place.yM() + random.nextGaussian()),
                place.heightM());
    }

    private Power power(Plan plan, Power power) {
        return random.nextBoolean()
                ? power.withBackupH(random.nextInt(10))
                : Power.of(PowerSource.MAINS, one(plan.circuits().keySet()), null, 0);
    }

    private Map<String, Radio> radios(Map<String, Radio> radios) {
        return with(
                radios,
                radio -> radio.withTxPowerDbm(random.nextInt(20))
                        .withReceives(random.nextInt(4) > 0)
                        .withBeam(random.nextInt(3) > 0 ? null : Beam.facing(random.nextInt(360))));
    }

    private Room room(Room room) {
        if (random.nextBoolean()) {
            return room.withClutter(one(List.of(Clutter.values())));
        }
        List<Corner> corners = new ArrayList<>(room.corners());
        int i = random.nextInt(corners.size());
        Corner at = corners.get(i);
        corners.set(i, new Corner(Corner.cm(at.xM() + random.nextGaussian() / 5), at.yM()));
        return room.withCorners(corners);
    }

    private Link link(Plan plan, Link link) {
        return random.nextBoolean()
                ? Link.of(link.from(), link.to(), link.medium(), one(List.of(Direction.values())), null, link.why())
                : Link.of(link.from(), one(plan.units().keySet()), one(List.of(Medium.values())), null, null, null);
    }
}
