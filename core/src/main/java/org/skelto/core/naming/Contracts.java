package org.skelto.core.naming;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.naming.Contract.Aspect;
import org.skelto.core.naming.Contract.PayloadPart;
import org.skelto.core.naming.Contract.Transport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.MessageAspect;
import org.skelto.core.plan.equipment.MessageChoice;
import org.skelto.core.plan.equipment.Talks;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.work.ComputingBudget;

/** The message contract of the whole house: what every device says and is told, by the defaults of its kind. */
public final class Contracts {
    private static final int HOUR_S = 3600;

    /** A unit that keeps a connection is missed after one and a half of the usual pause between signs of life, 60 s. */
    private static final int CONNECTION_S = 90;

    /** Times that a message is late before its silence is noticed. */
    private static final int MISSED = 3;

    /** Fixed header, length of the topic, and the number of the message where it is acknowledged; bytes. */
    private static final int HEADER = 4;

    private static final int NUMBERED = 2;

    private static final PayloadPart ONLINE = PayloadPart.text("", "whether it can be reached", "online", "offline");

    private static final List<PayloadPart> READINESS = List.of(
            PayloadPart.truth("present", "whether it answers on the bus"),
            PayloadPart.truth("ready", "whether its outputs are set and it takes commands"));

    private final Plan plan;
    private final @Nullable String broker;
    private final Map<String, String> gateways;
    private final Needs needs;

    /** Units by which people command from anywhere. */
    private final List<String> hands;

    private Contracts(Plan plan) {
        this.plan = plan;
        this.broker = plan.units().entrySet().stream()
                .filter(e -> e.getValue().broker())
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
        this.gateways = gateways(plan);
        this.needs = Needs.of(plan);
        this.hands = plan.units().entrySet().stream()
                .filter(e ->
                        e.getValue().is(UnitKind.WALL_TABLET) || e.getValue().is(UnitKind.ASSISTANT))
                .map(Map.Entry::getKey)
                .toList();
    }

    /** The unit with an address that each unit without one is linked to. */
    private static Map<String, String> gateways(Plan plan) {
        Map<String, String> to = new HashMap<>();
        for (Link link : plan.links().values()) {
            Unit from = plan.units().get(link.from());
            Unit end = plan.units().get(link.to());
            if (from != null && end != null) {
                if (end.collects()) {
                    to.putIfAbsent(link.from(), link.to());
                } else if (from.collects()) {
                    to.putIfAbsent(link.to(), link.from());
                }
            }
        }
        return to;
    }

    /** The contract of every device, by id. */
    public static Map<String, Contract> of(Plan plan) {
        Contracts contracts = new Contracts(plan);
        Map<String, Contract> all = new TreeMap<>();
        plan.devices().forEach((id, device) -> all.put(id, contracts.of(id, device)));
        return all;
    }

    /**
     * What controllers say of themselves, by id: that they are there, and of each board on their bus whether it answers. A
     * command to a device behind such a board waits until it is ready.
     */
    public static Map<String, Contract> ofUnits(Plan plan) {
        Contracts contracts = new Contracts(plan);
        Map<String, Contract> all = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            ComputingBudget.step();
            if (unit.drives() && contracts.needs.addresses().contains(id) && unit.talks() != Talks.REQUEST) {
                all.put(id, contracts.of(id, unit));
            }
        });
        return all;
    }

    private Contract of(String id, Unit unit) {
        String topic = plan.network().topicRoot() + "/units/" + HostNames.of(id);
        List<Aspect> aspects = new ArrayList<>();
        aspects.add(aspect(topic, MessageAspect.AVAILABILITY, List.of(ONLINE))
                .spoken(true)
                .delivery(1)
                .retained(true)
                .lastWill(true)
                .sent("on connecting; the broker sends the last will")
                .watchdogS(CONNECTION_S)
                .build());
        if (unit.boards() != null) {
            unit.boards().more().forEach((name, board) -> {
                if (board.address() != null) {
                    aspects.add(aspect(topic + "/boards/" + Slugs.slug(name, "board"), MessageAspect.STATE, READINESS)
                            .spoken(true)
                            .delivery(1)
                            .retained(true)
                            .sent("when it answers on the bus or stops to; commands wait until it is ready")
                            .intervalS(HOUR_S)
                            .watchdogS(MISSED * HOUR_S)
                            .build());
                }
            });
        }
        return ContractBuilder.builder()
                .device(id)
                .name(unit.name())
                .topic(topic)
                .transport(Transport.BROKER)
                .speaker(id)
                .broker(broker)
                .listeners(listeners(unit))
                .aspects(aspects)
                .aliases(Map.of())
                .trouble(broker == null ? "no unit has the broker yet" : null)
                .build();
    }

    private Contract of(String id, Device device) {
        ComputingBudget.step();
        Unit unit = device.unit() == null ? null : plan.units().get(device.unit());
        String speaker = unit == null ? null : speaker(device.unit());
        Transport transport = transport(device, unit);
        return ContractBuilder.builder()
                .device(id)
                .name(device.name())
                .topic(device.topic())
                .transport(transport)
                .speaker(speaker)
                .broker(transport == Transport.BROKER ? broker : null)
                .listeners(listeners(unit))
                .aspects(
                        device.topic() == null
                                ? List.of()
                                : aspects(device, unit).stream()
                                        .map(a -> chosen(a, device.messages().get(a.kind())))
                                        .toList())
                .aliases(device.aliases())
                .personal(device.kind().personal())
                .keptDays(device.keptDays())
                .trouble(trouble(unit, speaker, transport))
                .build();
    }

    /** An aspect as it was chosen; what was not chosen is as usual. */
    private static Aspect chosen(Aspect usual, @Nullable MessageChoice choice) {
        if (choice == null) {
            return usual;
        }
        Integer interval = choice.intervalS() == null ? usual.intervalS() : choice.intervalS();
        Integer watchdog = choice.intervalS() == null || usual.watchdogS() == null
                ? usual.watchdogS()
                : Integer.valueOf(MISSED * choice.intervalS());
        return usual.with(a -> a.delivery(choice.delivery() == null ? usual.delivery() : choice.delivery())
                .retained(choice.retained() == null ? usual.retained() : choice.retained())
                .lastWill(choice.lastWill() == null ? usual.lastWill() : choice.lastWill())
                .intervalS(interval)
                .deadBand(choice.deadBand() == null ? usual.deadBand() : choice.deadBand())
                .watchdogS(choice.watchdogS() == null ? watchdog : choice.watchdogS())
                .storedOnceS(choice.storedOnceS())
                .chosen(true));
    }

    private @Nullable String trouble(@Nullable Unit unit, @Nullable String speaker, Transport transport) {
        if (unit == null) {
            return "it sits on no controller yet";
        }
        if (speaker == null) {
            return unit.name() + " has no link to anything with an address yet";
        }
        return transport == Transport.BROKER && broker == null ? "no unit has the broker yet" : null;
    }

    /** The unit itself where it has an address, else what hears it. */
    private @Nullable String speaker(@Nullable String unit) {
        if (unit == null) {
            return null;
        }
        return needs.addresses().contains(unit) ? unit : gateways.get(unit);
    }

    private Transport transport(Device device, @Nullable Unit unit) {
        if (device.control() != null && device.control().contains(ControlScheme.SERVICE)) {
            return Transport.SERVICE;
        }
        boolean asked = unit != null && unit.talks() == Talks.REQUEST
                || device.control() != null && device.control().contains(ControlScheme.REQUEST);
        return asked ? Transport.REQUEST : Transport.BROKER;
    }

    private List<String> listeners(@Nullable Unit unit) {
        TreeSet<String> listeners = new TreeSet<>();
        if (unit != null && unit.hub() != null) {
            listeners.add(unit.hub());
        }
        listeners.addAll(hands);
        return List.copyOf(listeners);
    }

    private List<Aspect> aspects(Device device, @Nullable Unit unit) {
        List<Aspect> all = new ArrayList<>();
        boolean sleeps = unit != null && unit.power().onCells();
        boolean guards = device.criticality().compareTo(Criticality.PROTECTIVE) >= 0;
        boolean sensor = device.kind().family() == DeviceKind.Family.SENSOR;
        int delivery = guards || !sensor ? 1 : 0;
        List<PayloadPart> says = states(device.kind());
        Integer interval = interval(device.kind(), unit);
        if (measured(device.kind())) {
            all.add(aspect(device, MessageAspect.TELEMETRY, says)
                    .spoken(true)
                    .delivery(delivery)
                    .sent(sleeps ? "when it wakes" : "at the interval, and when it moves by the dead band")
                    .intervalS(interval)
                    .deadBand(sleeps ? null : deadBand(device.kind()))
                    .watchdogS(MISSED * (interval == null ? HOUR_S : interval))
                    .build());
        } else if (device.kind() == DeviceKind.PUSH_BUTTON) {
            all.add(aspect(device, MessageAspect.STATE, says)
                    .spoken(true)
                    .delivery(1)
                    .sent("when it is pressed")
                    .build());
        } else {
            Integer again = interval == null ? Integer.valueOf(HOUR_S) : interval;
            all.add(aspect(device, MessageAspect.STATE, says)
                    .spoken(true)
                    .delivery(delivery)
                    .retained(true)
                    .sent(sensor && guards ? "on change, and again as a sign of life" : "on change, and hourly")
                    .intervalS(again)
                    .watchdogS(MISSED * again)
                    .build());
        }
        List<PayloadPart> told = commands(device.kind());
        if (!told.isEmpty()) {
            all.add(aspect(device, MessageAspect.COMMAND, told)
                    .delivery(1)
                    .sent("when asked; says the state that is wanted, never a toggle")
                    .build());
        }
        if (!told.isEmpty() && guards) {
            all.add(aspect(
                            device,
                            MessageAspect.ACKNOWLEDGEMENT,
                            List.of(
                                    PayloadPart.text("request", "as the command had it"),
                                    PayloadPart.text("result", "what became of it", "done", "refused", "failed")))
                    .spoken(true)
                    .delivery(1)
                    .sent("once after each command")
                    .build());
        }
        all.add(aspect(device, MessageAspect.AVAILABILITY, List.of(ONLINE))
                .spoken(true)
                .delivery(1)
                .retained(true)
                .lastWill(!sleeps)
                .sent(
                        sleeps
                                ? "by its gateway, when it was silent too long"
                                : "on connecting; the broker sends the last will")
                .watchdogS(sleeps ? MISSED * (interval == null ? HOUR_S : interval) : CONNECTION_S)
                .build());
        List<PayloadPart> set = configuration(device);
        if (!set.isEmpty()) {
            all.add(aspect(device, MessageAspect.CONFIGURATION, set)
                    .delivery(1)
                    .retained(true)
                    .sent("by whoever sets it up")
                    .build());
        }
        return all;
    }

    private static ContractAspectBuilder aspect(Device device, MessageAspect kind, List<PayloadPart> payload) {
        return aspect(String.valueOf(device.topic()), kind, payload);
    }

    private static ContractAspectBuilder aspect(String topic, MessageAspect kind, List<PayloadPart> payload) {
        String address = topic + "/" + kind.name().toLowerCase(java.util.Locale.ROOT);
        String example = example(payload);
        boolean acknowledged = kind != MessageAspect.TELEMETRY;
        return ContractAspectBuilder.builder()
                .kind(kind)
                .address(address)
                .payload(payload)
                .example(example)
                .bytes(HEADER
                        + address.getBytes(StandardCharsets.UTF_8).length
                        + (acknowledged ? NUMBERED : 0)
                        + example.getBytes(StandardCharsets.UTF_8).length);
    }

    private static String example(List<PayloadPart> payload) {
        if (payload.size() == 1 && payload.get(0).name().isEmpty()) {
            return payload.get(0).example();
        }
        return payload.stream()
                .map(p -> '"' + p.name() + "\":" + p.example())
                .collect(Collectors.joining(",", "{", "}"));
    }

    private static boolean measured(DeviceKind kind) {
        return switch (kind) {
            case TEMPERATURE, HUMIDITY, LIGHT_LEVEL, LEVEL, METER -> true;
            default -> false;
        };
    }

    /** What it says of itself. */
    private static List<PayloadPart> states(DeviceKind kind) {
        return switch (kind) {
            case LAMP, SOCKET, FAN, HEATER, PUMP -> List.of(PayloadPart.truth("on", "whether it is on"));
            case DIMMED_LAMP, LIGHT_STRIP ->
                List.of(
                        PayloadPart.truth("on", "whether it is on"),
                        PayloadPart.number("level", "%", 0, 100, "how bright"));
            case BLIND ->
                List.of(
                        PayloadPart.number("open", "%", 0, 100, "how far it is open; 0 is shut"),
                        PayloadPart.truth("moving", "whether it moves now"));
            case DISPLAY -> List.of(PayloadPart.text("shows", "what stands on it"));
            case LOCK -> List.of(PayloadPart.truth("locked", "whether the bolt is out"));
            case GATE, POWERED_DOOR ->
                List.of(PayloadPart.text("position", "where it is", "shut", "open", "moving", "unknown"));
            case VALVE -> List.of(PayloadPart.truth("open", "whether water can pass"));
            case SIREN, CHIME -> List.of(PayloadPart.truth("sounding", "whether it sounds now"));
            case MOTION -> List.of(PayloadPart.truth("motion", "whether something moves"));
            case CONTACT -> List.of(PayloadPart.truth("open", "whether the door or window is open"));
            case BEAM -> List.of(PayloadPart.truth("broken", "whether something stands in it"));
            case SMOKE ->
                List.of(
                        PayloadPart.truth("smoke", "whether it alarms"),
                        PayloadPart.truth("tested", "whether it is being tested"));
            case LEAK -> List.of(PayloadPart.truth("wet", "whether water stands at it"));
            case PUSH_BUTTON -> List.of(PayloadPart.text("gesture", "how it was pressed", "short", "double", "long"));
            case TEMPERATURE -> List.of(PayloadPart.number("temperature", "°C", -40, 85, "air at its place"));
            case HUMIDITY -> List.of(PayloadPart.number("humidity", "%", 0, 100, "relative humidity"));
            case LIGHT_LEVEL -> List.of(PayloadPart.number("light", "lx", 0, 100_000, "at its place"));
            case LEVEL -> List.of(PayloadPart.number("level", "%", 0, 100, "how full"));
            case METER ->
                List.of(
                        PayloadPart.number("power", "W", -100_000, 100_000, "now; negative is given back"),
                        PayloadPart.number("energy", "kWh", 0, 10_000_000, "since it was fitted"));
            case CAMERA -> List.of(PayloadPart.truth("recording", "whether pictures are kept now"));
        };
    }

    /** What it can be told; each names the request, so that an answer can name it too. */
    private static List<PayloadPart> commands(DeviceKind kind) {
        List<PayloadPart> wanted = switch (kind) {
            case LAMP, SOCKET, FAN, HEATER, PUMP -> List.of(PayloadPart.truth("on", "what it is to be"));
            case DIMMED_LAMP, LIGHT_STRIP ->
                List.of(
                        PayloadPart.truth("on", "what it is to be"),
                        PayloadPart.number("level", "%", 0, 100, "how bright"));
            case BLIND -> List.of(PayloadPart.number("open", "%", 0, 100, "how far to open; 0 is shut"));
            case DISPLAY -> List.of(PayloadPart.text("shows", "what is to stand on it"));
            case LOCK -> List.of(PayloadPart.truth("locked", "what it is to be"));
            case GATE, POWERED_DOOR -> List.of(PayloadPart.text("go", "where to", "shut", "open", "stop"));
            case VALVE -> List.of(PayloadPart.truth("open", "what it is to be"));
            case SIREN, CHIME ->
                List.of(
                        PayloadPart.truth("sounding", "what it is to do"),
                        PayloadPart.number("seconds", "s", 1, 600, "after which it is silent by itself"));
            default -> List.of();
        };
        if (wanted.isEmpty() || kind.criticality().compareTo(Criticality.PROTECTIVE) < 0) {
            return wanted;
        }
        List<PayloadPart> named = new ArrayList<>(wanted);
        named.add(PayloadPart.text("request", "a number of one's own, so that the acknowledgement can name it"));
        return named;
    }

    private static List<PayloadPart> configuration(Device device) {
        return switch (device.kind().family()) {
            case LOAD -> List.of(PayloadPart.text("restore", "what it is when power comes back", "last", "off", "on"));
            case SENSOR ->
                measured(device.kind())
                        ? List.of(
                                PayloadPart.number("interval", "s", 1, 86_400, "between two readings"),
                                PayloadPart.number("deadBand", "", 0, 1000, "less than this is no change"))
                        : List.of();
            default -> List.of();
        };
    }

    /** Less than that is noise of the sensor; null for what is not measured. */
    private static @Nullable Double deadBand(DeviceKind kind) {
        return switch (kind) {
            case TEMPERATURE -> 0.2;
            case HUMIDITY, LEVEL -> 1.0;
            case LIGHT_LEVEL -> 20.0;
            case METER -> 10.0;
            default -> null;
        };
    }

    /** How often it speaks at the latest: as its unit wakes, else by its kind; null for on change alone. */
    private static @Nullable Integer interval(DeviceKind kind, @Nullable Unit unit) {
        if (unit != null && unit.message() != null && unit.message().intervalS() != null) {
            return (int) Math.round(unit.message().intervalS());
        }
        if (unit != null && unit.duty() != null && unit.power().onCells()) {
            return (int) Math.max(1, Math.round(unit.duty().cycleS()));
        }
        return switch (kind) {
            case TEMPERATURE, HUMIDITY -> 300;
            case LIGHT_LEVEL, METER -> 60;
            case LEVEL -> 900;
            default -> null;
        };
    }
}
