package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Pin;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.PowerBuilder;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;
import org.skelto.core.work.ComputingBudget;

/**
 * Finds the smallest boards for the devices of a room, or of a floor that shares one controller: combinations by price,
 * the first that the exact assignment finds enough.
 */
public final class BoardChooser {
    private static final String SUPPLY = "brick-5";
    private static final double SUPPLY_V = 5;
    private static final String BOX = "case-rail-12";
    private static final String WIRE = "cable-alarm";

    private final Plan plan;
    private final Catalogue catalogue;
    private final double spare;
    private final BiFunction<Place, Place, Double> run;

    private BoardChooser(Plan plan, Catalogue catalogue, double spare, BiFunction<Place, Place, Double> run) {
        this.plan = plan;
        this.catalogue = catalogue;
        this.spare = spare;
        this.run = run;
    }

    /**
     * One controller for each room, and one for each floor.
     *
     * @param spare share of the channels that must stay free, 0 to 1
     * @param run metres of cable from one place to another
     */
    public static List<BoardChoice.BoardSchool> of(
            Plan plan, Catalogue catalogue, double spare, BiFunction<Place, Place, Double> run) {
        BoardChooser chooser = new BoardChooser(plan, catalogue, spare, run);
        Map<String, List<String>> rooms = new TreeMap<>();
        Map<String, List<String>> floors = new TreeMap<>();
        plan.devices().forEach((id, d) -> {
            Unit unit = d.unit() == null ? null : plan.units().get(d.unit());
            boolean alone = unit != null && unit.kind().alone();
            if (!alone
                    && d.place() != null
                    && d.place().room() != null
                    && !Need.of(id, d).isEmpty()) {
                rooms.computeIfAbsent(d.place().room(), k -> new ArrayList<>()).add(id);
                floors.computeIfAbsent(plan.rooms().get(d.place().room()).floor(), k -> new ArrayList<>())
                        .add(id);
            }
        });
        List<BoardChoice> byRoom = new ArrayList<>();
        rooms.forEach((room, devices) ->
                byRoom.add(chooser.choose(room, plan.rooms().get(room).name(), devices)));
        List<BoardChoice> byFloor = new ArrayList<>();
        floors.forEach((floor, devices) ->
                byFloor.add(chooser.choose(floor, plan.floors().get(floor).name(), devices)));
        return List.of(
                school("room", "One controller for each room", byRoom),
                school("floor", "One controller shared by each floor", byFloor));
    }

    private static BoardChoice.BoardSchool school(String id, String name, List<BoardChoice> choices) {
        return new BoardChoice.BoardSchool(
                id,
                name,
                choices,
                choices.stream().mapToDouble(c -> c.parts() + c.cableCost()).sum());
    }

    private static double price(Part part) {
        return part.price() == null ? 0 : part.price();
    }

    private double price(String id) {
        return catalogue.find(id).map(BoardChooser::price).orElse(0.0);
    }

    private int spared(long count) {
        return (int) Math.ceil(count * (1 + spare) - 1e-9);
    }

    private BoardChoice choose(String place, String name, List<String> ids) {
        ComputingBudget.step();
        List<Need> needs = new ArrayList<>();
        ids.forEach(id -> needs.addAll(Need.of(id, plan.devices().get(id))));
        int relays =
                spared(needs.stream().filter(n -> n.kind() == Need.Kind.RELAY).count());
        int dimmers = spared(needs.stream()
                .filter(n -> n.kind() == Need.Kind.DIMMER)
                .filter(n -> plan.devices().get(n.device()).kind() != DeviceKind.LIGHT_STRIP)
                .count());
        int strips = spared(needs.stream()
                .filter(n -> n.kind() == Need.Kind.DIMMER)
                .filter(n -> plan.devices().get(n.device()).kind() == DeviceKind.LIGHT_STRIP)
                .count());
        int inputs = spared(needs.stream().filter(n -> n.kind().reads()).count());
        Place centre = centre(ids);
        double metres = ids.stream()
                .mapToDouble(id -> run.apply(centre, plan.devices().get(id).place()))
                .sum();
        Found found = cheapest(ids, relays, dimmers, strips, inputs);
        double parts = found == null ? 0 : found.price + price(SUPPLY) + price(BOX);
        return BoardChoiceBuilder.builder()
                .place(place)
                .name(name)
                .devices(ids.size())
                .relays(relays)
                .dimmers(dimmers + strips)
                .inputs(inputs)
                .boards(found == null ? List.of() : found.names(catalogue))
                .free(found == null ? 0 : found.free)
                .parts(parts)
                .cableM(metres)
                .cableCost(metres * price(WIRE))
                .edits(found == null ? List.of() : edits(name, ids, centre, found.boards))
                .build();
    }

    private Place centre(List<String> ids) {
        Place first = plan.devices().get(ids.get(0)).place();
        double x = ids.stream()
                .mapToDouble(id -> plan.devices().get(id).place().xM())
                .average()
                .orElse(0);
        double y = ids.stream()
                .mapToDouble(id -> plan.devices().get(id).place().yM())
                .average()
                .orElse(0);
        return new Place(first.room(), null, x, y, 1.4);
    }

    private record Found(BoardSet boards, double price, int free) {
        List<String> names(Catalogue catalogue) {
            List<String> names = new ArrayList<>();
            names.add(catalogue.find(boards.main()).map(Part::name).orElse(boards.main()));
            boards.more()
                    .values()
                    .forEach(b ->
                            names.add(catalogue.find(b.part()).map(Part::name).orElse(b.part())));
            return names;
        }
    }

    /** Combinations of a main board with relay, dimmer and input boards, by price; the first that is enough. */
    private Found cheapest(List<String> ids, int relays, int dimmers, int strips, int inputs) {
        List<List<Part>> relaySets = List.of(
                cover(
                        relays,
                        p -> p.kind() == PartKind.RELAY_BOARD
                                && p.is(Trait.ACTIVE_HIGH)
                                && p.is(Trait.TRANSISTOR)
                                && !p.is(Trait.BUS)
                                && !p.is(Trait.BISTABLE)),
                cover(relays, p -> p.kind() == PartKind.RELAY_BOARD && p.is(Trait.BUS)));
        List<Part> dimmerSet =
                cover(dimmers, p -> p.kind() == PartKind.DIMMER_BOARD && p.is(Trait.BUS) && p.is(Trait.TRAILING_EDGE));
        List<Part> stripSet = cover(strips, p -> p.kind() == PartKind.DIMMER_BOARD && p.is(Trait.PULSE_WIDTH));
        List<List<Part>> inputSets = List.of(
                List.of(),
                cover(Math.min(8, inputs), p -> p.kind() == PartKind.INPUT_BOARD && p.is(Trait.IRQ)),
                cover(inputs, p -> p.kind() == PartKind.INPUT_BOARD && p.is(Trait.IRQ)));
        List<BoardSet> sets = new ArrayList<>();
        for (Part main : catalogue.all(PartKind.BOARD)) {
            if (!suits(main)) {
                continue;
            }
            for (List<Part> relaySet : relaySets) {
                for (List<Part> inputSet : inputSets) {
                    ComputingBudget.step();
                    List<Part> more = new ArrayList<>(relaySet);
                    more.addAll(dimmerSet);
                    more.addAll(stripSet);
                    more.addAll(inputSet);
                    sets.add(set(main, more));
                }
            }
        }
        sets.sort(Comparator.comparingDouble(this::cost).thenComparing(BoardSet::main));
        Plan asked = asked(ids);
        List<Need> needs = new ArrayList<>();
        asked.devices().forEach((id, d) -> needs.addAll(Need.of(id, d)));
        for (BoardSet set : sets) {
            if (!couldDo(needs, set)) {
                continue;
            }
            Wired wired = tryOut(asked, set);
            Layout layout = new Layout(set, catalogue);
            if (alike(set) && wired.needs().stream().allMatch(n -> n.best() != null && !awkward(layout, n.best()))) {
                int taken = wired.needs().size();
                return new Found(set, cost(set), Math.max(0, layout.terminals.size() - taken));
            }
        }
        return null;
    }

    /** Whether a board talks to the house and runs from the plug supply that is put in with it. */
    private boolean suits(Part main) {
        boolean talks = main.is(Trait.WIFI) && heard(Medium.WIFI_2G4)
                || main.is(Trait.MESH) && heard(Medium.MESH_802154)
                || main.is(Trait.ETHERNET) && heard(Medium.ETHERNET);
        double volt = catalogue
                .find(SUPPLY)
                .map(s -> s.figure(Quantity.OUTPUT_V, SUPPLY_V))
                .orElse(SUPPLY_V);
        return talks
                && main.figure(Quantity.SUPPLY_LEAST_V, volt) <= volt
                && main.figure(Quantity.SUPPLY_MOST_V, volt) >= volt;
    }

    /** Whether something of the house takes what is sent over a medium; before there is any network, it may come yet. */
    private boolean heard(Medium medium) {
        boolean none = plan.units().values().stream().noneMatch(Unit::collects);
        return none
                || plan.units().values().stream()
                        .filter(Unit::collects)
                        .anyMatch(u -> medium == Medium.ETHERNET
                                ? u.is(UnitKind.SWITCH) || u.is(UnitKind.ROUTER)
                                : u.radio(medium).isPresent() && !(medium.wifi() && u.is(UnitKind.HUB)));
    }

    /** Whether the boards of a set speak with the same voltage. */
    private boolean alike(BoardSet set) {
        Double logic = catalogue
                .find(set.main())
                .flatMap(p -> p.figure(Quantity.LOGIC_V))
                .orElse(null);
        return logic == null
                || set.more().values().stream()
                        .map(b -> catalogue
                                .find(b.part())
                                .flatMap(p -> p.figure(Quantity.LOGIC_V))
                                .orElse(logic))
                        .allMatch(logic::equals);
    }

    /** Whether a terminal is a pin that matters while the board starts, that programs it, or that an open contact leaves floating. */
    private static boolean awkward(Layout layout, String terminal) {
        String first = terminal.split(" ")[0];
        return layout.main != null
                && first.startsWith(BoardSet.MAIN + "/")
                && layout.main
                        .pin(first.substring(BoardSet.MAIN.length() + 1))
                        .filter(p -> p.strap() || p.can(Pin.Ability.CONSOLE) || p.floats())
                        .isPresent();
    }

    /** Whether there are terminals enough at all, and of each kind; only then an assignment is tried. */
    private boolean couldDo(List<Need> needs, BoardSet set) {
        ComputingBudget.step();
        Layout layout = new Layout(set, catalogue);
        if (layout.terminals.size() < needs.size()) {
            return false;
        }
        for (Need.Kind kind : Need.Kind.values()) {
            long asks = needs.stream().filter(n -> n.kind() == kind).count();
            if (asks > 0 && layout.terminals.stream().filter(t -> t.can(kind)).count() < asks) {
                return false;
            }
        }
        return true;
    }

    private double cost(BoardSet set) {
        double sum = price(set.main());
        for (Attached board : set.more().values()) {
            sum += price(board.part());
        }
        return sum;
    }

    /** The cheapest boards that together have so many channels. */
    private List<Part> cover(int channels, java.util.function.Predicate<Part> which) {
        if (channels <= 0) {
            return List.of();
        }
        List<Part> parts = catalogue.all().stream()
                .filter(which)
                .filter(p -> p.channels() > 0)
                .toList();
        double[] cost = new double[channels + 1];
        Part[] last = new Part[channels + 1];
        for (int n = 1; n <= channels; n++) {
            cost[n] = Double.POSITIVE_INFINITY;
            for (Part p : parts) {
                // a hair for each board, so that of equal prices the fewer boards win
                double sum = cost[Math.max(0, n - p.channels())] + price(p) + 1e-6;
                if (sum < cost[n]) {
                    cost[n] = sum;
                    last[n] = p;
                }
            }
        }
        List<Part> chosen = new ArrayList<>();
        for (int n = channels; n > 0 && last[n] != null; n -= last[n].channels()) {
            chosen.add(last[n]);
        }
        return chosen;
    }

    private static BoardSet set(Part main, List<Part> more) {
        Map<String, Attached> boards = new TreeMap<>();
        Map<String, Integer> addresses = new TreeMap<>();
        for (Part part : more) {
            String word = part.kind() == PartKind.RELAY_BOARD
                    ? "relays"
                    : part.kind() == PartKind.DIMMER_BOARD ? "dimmers" : "inputs";
            String name = word;
            for (int n = 2; boards.containsKey(name); n++) {
                name = word + n;
            }
            int first = (int) part.figure(Quantity.ADDRESS_FIRST, 0);
            int step = addresses.merge(part.id(), 1, Integer::sum) - 1;
            boards.put(name, new Attached(part.id(), first == 0 ? null : first + step));
        }
        return new BoardSet(main.id(), boards);
    }

    /** The devices, and for each kind of need so many plain ones more that the spare is asked for, too. */
    private Plan asked(List<String> ids) {
        Map<String, Device> devices = new TreeMap<>();
        Map<Need.Kind, Integer> counts = new TreeMap<>();
        for (String id : ids) {
            Device d = plan.devices().get(id).attachedTo("asked");
            devices.put(id, d);
            Need.of(id, d).forEach(n -> counts.merge(n.kind(), 1, Integer::sum));
        }
        counts.forEach((kind, count) -> {
            for (int i = count; i < spared(count); i++) {
                devices.put("spare-" + kind + "-" + i, plain(kind));
            }
        });
        return plan.with(p -> p.units(Map.of()).devices(devices));
    }

    /** A device that asks for one terminal of a kind and nothing else. */
    private static Device plain(Need.Kind kind) {
        DeviceKind asks = switch (kind) {
            case RELAY -> DeviceKind.LAMP;
            case DIMMER -> DeviceKind.DIMMED_LAMP;
            case INPUT -> DeviceKind.PUSH_BUTTON;
            case COUNTER -> DeviceKind.METER;
            case ANALOGUE -> DeviceKind.LEVEL;
            case WIRE -> DeviceKind.TEMPERATURE;
        };
        return DeviceBuilder.builder()
                .name("spare")
                .kind(asks)
                .unit("asked")
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .build();
    }

    private Wired tryOut(Plan asked, BoardSet set) {
        Unit unit = controller("asked", null, set);
        return PinAssigner.of(asked.withUnits(Map.of("asked", unit)), catalogue).get("asked");
    }

    private Unit controller(String name, Place place, BoardSet set) {
        String circuit = plan.circuits().keySet().stream().findFirst().orElse(null);
        String hub = plan.units().entrySet().stream()
                .filter(e -> e.getValue().is(UnitKind.HUB))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
        return UnitBuilder.builder()
                .name(name)
                .kind(UnitKind.CONTROLLER)
                .place(place)
                .power(PowerBuilder.builder()
                        .source(org.skelto.core.plan.power.PowerSource.MAINS)
                        .circuit(circuit)
                        .backupH(0)
                        .part(SUPPLY)
                        .build())
                .channels(0)
                .maxClients(0)
                .internetEntry(false)
                .broker(false)
                .hub(hub)
                .radios(Map.of())
                .build()
                .withBoards(set);
    }

    /** Two controllers of one name would have one identity. */
    private String freeName(String wanted) {
        Set<String> taken = plan.units().values().stream()
                .map(u -> Slugs.slug(u.name(), ""))
                .collect(Collectors.toSet());
        String name = wanted;
        for (int n = 2; taken.contains(Slugs.slug(name, "")); n++) {
            name = wanted + " " + n;
        }
        return name;
    }

    private List<Edit> edits(String name, List<String> ids, Place centre, BoardSet set) {
        List<String> loose =
                ids.stream().filter(id -> plan.devices().get(id).unit() == null).toList();
        if (loose.isEmpty()) {
            return List.of();
        }
        String id =
                Slugs.free(Slugs.slug(name + " board", "board"), plan.units().keySet());
        List<Edit> edits = new ArrayList<>();
        edits.add(Edit.add(Pointers.of("units", id), controller(freeName(name + " board"), centre, set)));
        loose.forEach(d -> edits.add(Edit.replace(Pointers.of("devices", d) + "/unit", id)));
        return edits;
    }
}
