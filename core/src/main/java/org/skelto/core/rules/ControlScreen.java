package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Outages;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.rules.Mode;
import org.skelto.core.plan.rules.Person;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Screen;
import org.skelto.core.plan.rules.Tile;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * A control screen as it stands: what each tile is, whether the screen reaches it, and what is not on it.
 *
 * @param screen its id
 * @param on what it is shown on, in words
 * @param missing things of its rooms that are worked by an app and are not on it
 */
@RecordBuilder
public record ControlScreen(
        String screen, String name, String on, List<TileState> tiles, List<Tile> missing, List<String> missingNames)
        implements ControlScreenBuilder.With {
    /**
     * A tile as it stands.
     *
     * @param tile as it is in the plan
     * @param label what stands on it
     * @param group the room, or "House" for modes and rules
     * @param gone whether the plan does not have the thing any more
     * @param broken why the screen does not work it with everything working, or null where it does
     * @param dangerous whether it opens, moves, heats or runs something at one press
     */
    @RecordBuilder
    public record TileState(
            Tile tile,
            String label,
            String group,
            boolean gone,
            @Nullable String broken,
            boolean dangerous) implements ControlScreenTileStateBuilder.With {}

    private static final String HOUSE = "House";

    /** Those of a plan, by id. */
    public static List<ControlScreen> all(Plan plan, Outages outages) {
        Map<String, DeviceState> now = plan.state().screens().isEmpty() ? Map.of() : outages.now();
        List<ControlScreen> all = new ArrayList<>();
        plan.state().screens().forEach((id, s) -> all.add(of(plan, outages, now, id, s)));
        return all;
    }

    private static ControlScreen of(
            Plan plan, Outages outages, Map<String, DeviceState> now, String id, Screen screen) {
        String cut = cut(plan, outages, screen);
        List<TileState> tiles = screen.tiles().stream()
                .map(t -> {
                    ComputingBudget.step();
                    String group = group(plan, t);
                    boolean gone = name(plan, t) == null;
                    return ControlScreenTileStateBuilder.builder()
                            .tile(t)
                            .label(
                                    t.label() != null
                                            ? t.label()
                                            : gone ? t.of() : Objects.requireNonNull(name(plan, t)))
                            .group(group)
                            .gone(gone)
                            .broken(gone ? "it is not in the plan" : cut != null ? cut : broken(plan, now, t))
                            .dangerous(dangerous(plan, t) && !t.confirm())
                            .build();
                })
                .toList();
        Set<String> shown =
                screen.tiles().stream().map(t -> t.kind() + " " + t.of()).collect(Collectors.toSet());
        List<Tile> missing = tiles(plan, screen.rooms()).stream()
                .filter(t -> !shown.contains(t.kind() + " " + t.of()))
                .toList();
        return ControlScreenBuilder.builder()
                .screen(id)
                .name(screen.name())
                .on(on(plan, screen))
                .tiles(tiles)
                .missing(missing)
                .missingNames(missing.stream()
                        .map(t -> Objects.requireNonNull(name(plan, t)))
                        .toList())
                .build();
    }

    private static String on(Plan plan, Screen screen) {
        Unit unit = screen.unit() == null ? null : plan.units().get(screen.unit());
        Person person = screen.person() == null ? null : plan.state().people().get(screen.person());
        return unit != null ? unit.name() : person != null ? "phone of " + person.name() : "a phone";
    }

    /** Why a wall tablet works nothing at all, or null. */
    private static @Nullable String cut(Plan plan, Outages outages, Screen screen) {
        String unit = screen.unit();
        if (unit == null) {
            return null;
        }
        if (!plan.units().containsKey(unit)) {
            return "the tablet that it was made for is not in the plan";
        }
        List<String> hubs = plan.units().entrySet().stream()
                .filter(e -> e.getValue().is(UnitKind.HUB))
                .map(Map.Entry::getKey)
                .toList();
        boolean reaches = hubs.stream().anyMatch(h -> !outages.way(unit, h).isEmpty());
        return reaches ? null : hubs.isEmpty() ? "there is no hub" : "the tablet reaches no hub";
    }

    private static @Nullable String broken(Plan plan, Map<String, DeviceState> now, Tile t) {
        return switch (t.kind()) {
            case DEVICE -> {
                List<DeviceState.WayState> ways = Objects.requireNonNull(now.get(t.of())).jobs().stream()
                        .flatMap(j -> j.ways().stream())
                        .filter(w -> w.way().equals("home app"))
                        .toList();
                yield ways.isEmpty()
                        ? "no home app is planned for it"
                        : ways.stream().anyMatch(DeviceState.WayState::works)
                                ? null
                                : ways.get(0).brokenBy();
            }
            case RULE -> {
                Rule rule = Objects.requireNonNull(plan.rules().get(t.of()));
                Unit host = rule.host() == null ? null : plan.units().get(rule.host());
                yield host != null && host.is(UnitKind.HUB) ? null : "it does not run in the hub";
            }
            case MODE -> plan.units().values().stream().anyMatch(u -> u.is(UnitKind.HUB)) ? null : "there is no hub";
        };
    }

    private static @Nullable String name(Plan plan, Tile t) {
        return switch (t.kind()) {
            case DEVICE ->
                plan.devices().containsKey(t.of()) ? plan.devices().get(t.of()).name() : null;
            case RULE ->
                plan.rules().containsKey(t.of()) ? plan.rules().get(t.of()).name() : null;
            case MODE -> {
                Mode mode = plan.state().modes().get(t.of());
                yield mode == null ? null : mode.name();
            }
        };
    }

    private static String group(Plan plan, Tile t) {
        Device d = t.kind() == Tile.Kind.DEVICE ? plan.devices().get(t.of()) : null;
        String room = d == null ? null : room(plan, d);
        return room != null ? Objects.requireNonNull(plan.rooms().get(room)).name() : d != null ? "Outside" : HOUSE;
    }

    private static @Nullable String room(Plan plan, Device d) {
        Place place = SiteModel.placeOf(plan, d);
        return place == null ? null : place.room();
    }

    /** What can hurt or let somebody in when it is pressed by mistake. */
    private static boolean dangerous(Plan plan, Tile t) {
        return switch (t.kind()) {
            case DEVICE -> dangerous(plan.devices().get(t.of()));
            case RULE -> {
                Rule rule = plan.rules().get(t.of());
                yield rule != null
                        && RuleHost.done(plan, rule).stream()
                                .anyMatch(d -> dangerous(plan.devices().get(d)));
            }
            case MODE -> false;
        };
    }

    private static boolean dangerous(@Nullable Device d) {
        return d != null
                && (d.kind().family() == DeviceKind.Family.BARRIER
                        || d.kind().family() == DeviceKind.Family.VALVE
                        || d.kind() == DeviceKind.HEATER
                        || d.kind() == DeviceKind.PUMP
                        || d.kind() == DeviceKind.SIREN);
    }

    // --- made by room

    /**
     * The tiles that rooms ask for, floor by floor and room by room: what a home app is planned for, the modes that people set,
     * and the rules in the hub that a push-button sets off; what is dangerous asks first.
     *
     * @param rooms ids; empty means the whole house, with its modes and rules
     */
    public static List<Tile> tiles(Plan plan, Set<String> rooms) {
        List<Tile> tiles = new ArrayList<>();
        if (rooms.isEmpty()) {
            plan.state().modes().forEach((id, m) -> {
                if (m.byHand()) {
                    tiles.add(new Tile(Tile.Kind.MODE, id, null, false));
                }
            });
            plan.rules().forEach((id, rule) -> {
                Unit host = rule.host() == null ? null : plan.units().get(rule.host());
                boolean byHand = !rule.off() && rule.when().stream().anyMatch(t -> t.kind() == Trigger.Kind.PRESSED);
                if (byHand && host != null && host.is(UnitKind.HUB)) {
                    tiles.add(made(plan, Tile.Kind.RULE, id));
                }
            });
        }
        Map<String, Integer> order = new HashMap<>();
        List<Map.Entry<String, Room>> sorted = plan.rooms().entrySet().stream()
                .sorted(Comparator.comparingDouble((Map.Entry<String, Room> e) -> {
                            Floor floor = Objects.requireNonNull(
                                    plan.floors().get(e.getValue().floor()));
                            return floor.baseM();
                        })
                        .thenComparing(e -> e.getValue().name()))
                .toList();
        sorted.forEach(e -> order.put(e.getKey(), order.size()));
        plan.devices().entrySet().stream()
                .filter(e -> e.getValue().ways().contains(Way.HOME_APP)
                        && e.getValue().kind().family() != DeviceKind.Family.SENSOR)
                .filter(e -> rooms.isEmpty() || rooms.contains(String.valueOf(room(plan, e.getValue()))))
                .sorted(Comparator.comparingInt((Map.Entry<String, Device> e) ->
                                order.getOrDefault(String.valueOf(room(plan, e.getValue())), sorted.size()))
                        .thenComparing(e -> e.getValue().name()))
                .limit(200)
                .forEach(e -> tiles.add(made(plan, Tile.Kind.DEVICE, e.getKey())));
        return tiles;
    }

    private static Tile made(Plan plan, Tile.Kind kind, String of) {
        Tile tile = new Tile(kind, of, null, false);
        return dangerous(plan, tile) ? new Tile(kind, of, null, true) : tile;
    }

    /** Ids of the devices that no screen of the house shows though an app is planned for them. */
    public static Set<String> unseen(Plan plan) {
        Set<String> all = new TreeSet<>();
        tiles(plan, Set.of()).stream().filter(t -> t.kind() == Tile.Kind.DEVICE).forEach(t -> all.add(t.of()));
        plan.state().screens().values().forEach(s -> s.tiles().forEach(t -> all.remove(t.of())));
        return all;
    }
}
