package org.skelto.core.configuration;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.skelto.core.configuration.ControllerConfiguration.DeviceSettings;
import org.skelto.core.configuration.ControllerConfiguration.MessageSettings;
import org.skelto.core.configuration.ControllerConfiguration.NetworkSettings;
import org.skelto.core.configuration.ControllerConfiguration.Pull;
import org.skelto.core.configuration.ControllerConfiguration.SecretReference;
import org.skelto.core.configuration.ControllerConfiguration.SecretState;
import org.skelto.core.configuration.ControllerConfiguration.TerminalSettings;
import org.skelto.core.naming.Contract;
import org.skelto.core.naming.Credentials;
import org.skelto.core.naming.HostNames;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Pin;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Credential;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.wiring.Need;
import org.skelto.core.wiring.Wired;
import org.skelto.core.work.ComputingBudget;

/** The configurations of the controllers of a plan. */
public final class ControllerConfigurations {
    private final Plan plan;
    private final Catalogue parts;
    private final Map<String, Wired> wired;
    private final Map<String, Contract> contracts;
    private final Map<String, List<String>> carried = new TreeMap<>();
    private final Map<String, List<SecretReference>> secrets = new HashMap<>();

    private ControllerConfigurations(
            Plan plan, Catalogue parts, Map<String, Wired> wired, Map<String, Contract> contracts) {
        this.plan = plan;
        this.parts = parts;
        this.wired = wired;
        this.contracts = contracts;
        plan.devices().forEach((id, d) -> {
            if (d.unit() != null) {
                carried.computeIfAbsent(d.unit(), k -> new ArrayList<>()).add(id);
            }
        });
        Credentials.of(plan)
                .forEach(secret -> secret.units()
                        .forEach(unit -> secrets.computeIfAbsent(unit, k -> new ArrayList<>())
                                .add(reference(secret))));
    }

    /**
     * The configurations of all units that are programmed: what carries devices on terminals of its own, by id.
     *
     * @param wired how controllers are wired, by id
     * @param contracts what each device says and is told, by id
     */
    public static Map<String, ControllerConfiguration> of(
            Plan plan, Catalogue parts, Map<String, Wired> wired, Map<String, Contract> contracts) {
        ControllerConfigurations all = new ControllerConfigurations(plan, parts, wired, contracts);
        Map<String, ControllerConfiguration> configurations = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            if (unit.drives()) {
                configurations.put(id, all.of(id, unit));
            }
        });
        return configurations;
    }

    private ControllerConfiguration of(String id, Unit unit) {
        ComputingBudget.step();
        Map<String, String> boards = new LinkedHashMap<>();
        BoardSet set = unit.boards();
        if (set != null) {
            boards.put(BoardSet.MAIN, part(set.main()));
            set.more().forEach((name, board) -> boards.put(name, part(board.part())));
        }
        return ControllerConfigurationBuilder.builder()
                .unit(id)
                .name(unit.name())
                .kind(unit.kind())
                .host(HostNames.of(id))
                .where(where(unit.place()))
                .boards(boards)
                .indicators(unit.indicators())
                .network(network(unit))
                .devices(carried.getOrDefault(id, List.of()).stream()
                        .map(d -> device(d, unit, wired.get(id)))
                        .toList())
                .secrets(secrets.getOrDefault(id, List.of()))
                .build();
    }

    private static SecretReference reference(Credentials.Secret secret) {
        Credential.State state = secret.said().state();
        return new SecretReference(
                secret.key(),
                secret.name(),
                state == null
                        ? SecretState.NOT_SET
                        : state == Credential.State.FACTORY ? SecretState.FACTORY : SecretState.SET);
    }

    private String part(String id) {
        return parts.find(id).map(Part::name).orElse(id);
    }

    private @Nullable String where(@Nullable Place place) {
        if (place == null) {
            return null;
        }
        Room room = place.room() == null ? null : plan.rooms().get(place.room());
        if (room != null) {
            return room.name() + ", " + plan.floors().get(room.floor()).name();
        }
        return place.spot() == null ? null : plan.spots().get(place.spot()).name();
    }

    private NetworkSettings network(Unit unit) {
        return ControllerConfigurationNetworkSettingsBuilder.builder()
                .address(unit.ipv4())
                .onLoan(unit.leaseH() != null)
                .hardwareAddress(unit.mac())
                .nodeId(unit.nodeId())
                .subnet(plan.network().subnet())
                .router(first(u -> u.is(UnitKind.ROUTER)))
                .broker(first(Unit::broker))
                .hub(unit.hub())
                .build();
    }

    /** The address of the first unit that is so. */
    private @Nullable String first(Predicate<Unit> test) {
        return plan.units().values().stream()
                .filter(test)
                .map(Unit::ipv4)
                .filter(address -> address != null)
                .findFirst()
                .orElse(null);
    }

    private DeviceSettings device(String id, Unit unit, @Nullable Wired lines) {
        ComputingBudget.step();
        Device d = plan.devices().get(id);
        return ControllerConfigurationDeviceSettingsBuilder.builder()
                .device(id)
                .name(d.name())
                .kind(d.kind())
                .criticality(d.criticality())
                .topic(d.topic())
                .aliases(d.aliases())
                .rest(d.rest())
                .afterPower(d.known().afterPower())
                .staggerS(d.known().staggerS())
                .terminals(
                        lines == null
                                ? List.of()
                                : lines.needs().stream()
                                        .filter(n -> n.device().equals(id))
                                        .map(n -> terminal(n, d, unit))
                                        .toList())
                .messages(
                        contracts.containsKey(id)
                                ? contracts.get(id).aspects().stream()
                                        .map(ControllerConfigurations::message)
                                        .toList()
                                : List.of())
                .build();
    }

    private static MessageSettings message(Contract.Aspect aspect) {
        return ControllerConfigurationMessageSettingsBuilder.builder()
                .kind(aspect.kind())
                .topic(aspect.address())
                .sent(aspect.spoken())
                .delivery(aspect.delivery())
                .retained(aspect.retained())
                .lastWill(aspect.lastWill())
                .intervalS(aspect.intervalS())
                .deadBand(aspect.deadBand())
                .watchdogS(aspect.watchdogS())
                .build();
    }

    private TerminalSettings terminal(Wired.Connection said, Device device, Unit unit) {
        String terminal = said.terminal() == null ? null : said.terminal().split(" ")[0];
        String behind = behind(device, said.need());
        boolean contact = Need.bareContact(said.kind(), said.need(), device);
        return ControllerConfigurationTerminalSettingsBuilder.builder()
                .connection(said.need())
                .does(said.kind().words())
                .terminal(terminal)
                .behind(behind)
                // a contact pulls its input low; a relay of such a board is on while its input is low
                .inverted(contact || activeLow(unit, behind))
                .pull(contact && terminal != null ? pull(unit, terminal) : Pull.NONE)
                .start(said.boot())
                .build();
    }

    /** The relay that a pin works, which the plan says after the pin. */
    private static @Nullable String behind(Device device, String need) {
        String all =
                device.wiring() == null ? null : device.wiring().terminals().get(need);
        int space = all == null ? -1 : all.indexOf(' ');
        return all == null || space < 0 ? null : all.substring(space + 1);
    }

    private boolean activeLow(Unit unit, @Nullable String relay) {
        if (relay == null || unit.boards() == null) {
            return false;
        }
        Attached board = unit.boards().more().get(relay.substring(0, relay.indexOf('/')));
        return board != null
                && parts.find(board.part()).filter(p -> p.is(Trait.ACTIVE_LOW)).isPresent();
    }

    private Pull pull(Unit unit, String terminal) {
        BoardSet boards = unit.boards();
        String prefix = BoardSet.MAIN + "/";
        if (boards == null || !terminal.startsWith(prefix)) {
            return Pull.NONE;
        }
        return parts.find(boards.main())
                .flatMap(main -> main.pin(terminal.substring(prefix.length())))
                .map(Pin::floats)
                .map(floats -> floats ? Pull.RESISTOR : Pull.UP)
                .orElse(Pull.NONE);
    }
}
