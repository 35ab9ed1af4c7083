package org.skelto.core.naming;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.naming.Contract.Aspect;
import org.skelto.core.naming.Contract.Transport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.MessageAspect;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.quantity.Figure;
import org.skelto.core.work.ComputingBudget;

/**
 * How many messages a month a house makes, over which way, and how much of its accounts that takes.
 *
 * @param devices the most talkative first
 * @param accounts of services outside
 */
public record Traffic(List<DeviceTraffic> devices, List<AccountUse> accounts) {
    /** Days of a month. */
    public static final double MONTH_DAYS = 30.4;

    private static final double DAY_S = 86_400;

    /**
     * What a device says and is told in a month.
     *
     * @param where its topic, the address at which it is asked, or its channel on the account; null while it has none
     */
    public record DeviceTraffic(
            String device,
            String name,
            Transport transport,
            @Nullable String where,
            double messages,
            Figure figure) {}

    /**
     * How much of an account is used.
     *
     * @param messages a month
     * @param boards that are on it
     * @param messageShare of what it carries, or null without a limit
     * @param boardShare of what it holds, or null without a limit
     */
    public record AccountUse(
            String service,
            String name,
            double messages,
            int boards,
            @Nullable Double messageShare,
            @Nullable Double boardShare) {}

    /**
     * That of a plan.
     *
     * @param told what its rules tell people
     */
    public static Traffic of(Plan plan, Map<String, Contract> contracts, Told told) {
        List<DeviceTraffic> devices = new ArrayList<>();
        contracts.forEach((id, contract) -> {
            ComputingBudget.step();
            Device d = plan.devices().get(id);
            double repeated = 0;
            for (Aspect aspect : contract.aspects()) {
                if (aspect.spoken() && aspect.intervalS() != null && aspect.kind() != MessageAspect.AVAILABILITY) {
                    repeated += DAY_S / aspect.intervalS();
                }
            }
            double events = eventsADay(d.kind());
            double commanded =
                    contract.aspects().stream().anyMatch(a -> a.kind() == MessageAspect.COMMAND) ? events : 0;
            double messages = MONTH_DAYS * (repeated + events + commanded);
            devices.add(new DeviceTraffic(
                    id,
                    d.name(),
                    contract.transport(),
                    where(plan, contract, d),
                    messages,
                    Figure.of(
                            "days of a month × (repeated + changes + commands, a day)",
                            "events by kind are an estimate of ours, docs/calculations.md",
                            false,
                            "repeated a day",
                            String.valueOf(Math.round(repeated)),
                            "changes a day",
                            String.valueOf(Math.round(events)),
                            "commands a day",
                            String.valueOf(Math.round(commanded)),
                            "days",
                            String.valueOf(MONTH_DAYS))));
        });
        devices.sort(
                Comparator.comparingDouble(DeviceTraffic::messages).reversed().thenComparing(DeviceTraffic::device));
        return new Traffic(List.copyOf(devices), accounts(plan, devices, told));
    }

    private static @Nullable String where(Plan plan, Contract contract, Device d) {
        return switch (contract.transport()) {
            case BROKER -> d.topic();
            case SERVICE -> d.accountChannel() == null ? null : "channel " + d.accountChannel();
            case REQUEST -> {
                Unit unit = contract.speaker() == null ? null : plan.units().get(contract.speaker());
                yield unit == null || unit.ipv4() == null ? null : "http://" + unit.ipv4() + "/" + contract.device();
            }
        };
    }

    private static List<AccountUse> accounts(Plan plan, List<DeviceTraffic> devices, Told told) {
        double byBoards = devices.stream()
                .filter(d -> d.transport() == Transport.SERVICE)
                .mapToDouble(DeviceTraffic::messages)
                .sum();
        TreeSet<String> boards = new TreeSet<>();
        double alarms = 0;
        for (Map.Entry<String, Device> e : plan.devices().entrySet()) {
            Device d = e.getValue();
            if (AccountChannels.on(d) && d.unit() != null) {
                boards.add(d.unit());
            }
            boolean byItself = d.ways().contains(Way.MESSAGE) && !told.heard().contains(e.getKey());
            alarms += byItself ? MONTH_DAYS * alarmsADay(d) : 0;
        }
        List<AccountUse> all = new ArrayList<>();
        for (Map.Entry<String, Service> e : plan.services().entrySet()) {
            Service s = e.getValue();
            double messages = told.services().getOrDefault(e.getKey(), 0.0)
                    + (s.kind() == ServiceKind.REMOTE_ACCESS ? byBoards : s.kind() == ServiceKind.PUSH ? alarms : 0);
            int on = s.kind() == ServiceKind.REMOTE_ACCESS ? boards.size() : 0;
            all.add(new AccountUse(
                    e.getKey(),
                    s.name(),
                    messages,
                    on,
                    s.messagesPerMonth() == null ? null : messages / s.messagesPerMonth(),
                    s.boards() == null ? null : (double) on / s.boards()));
        }
        return all;
    }

    /** How often a person is told of it: something that guards a few times a month, all else daily. */
    private static double alarmsADay(Device d) {
        return d.guards() ? 0.2 : 1;
    }

    /** Changes that a day of a lived-in house brings. */
    public static double eventsADay(DeviceKind kind) {
        return switch (kind) {
            case MOTION -> 60;
            case BEAM -> 20;
            case CONTACT, LOCK, PUSH_BUTTON -> 12;
            case LAMP, DIMMED_LAMP, LIGHT_STRIP, SOCKET, HEATER, FAN -> 8;
            case BLIND, GATE, POWERED_DOOR, PUMP, VALVE -> 4;
            case DISPLAY -> 24;
            case CAMERA, CHIME -> 4;
            case SIREN, SMOKE, LEAK -> 0.1;
            case TEMPERATURE, HUMIDITY, LIGHT_LEVEL, LEVEL, METER -> 24;
        };
    }
}
