package org.skelto.core.build;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.build.PartsList.BuyLine;
import org.skelto.core.build.PartsList.SchoolCost;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.OwnedPart;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.power.PowerNode;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.wiring.Need;
import org.skelto.core.work.ComputingBudget;

/** Adds up what a plan needs, takes off what is owned, and compares ways to build it. */
public final class Purchasing {
    /** Parts up to this price are bought with spares, in the plan's currency. */
    private static final double SMALL_PRICE = 15;

    private static final int SHIFTER_LINES = 4;

    private final Plan plan;
    private final Catalogue catalogue;
    private final Map<String, PowerNode> power;
    private final LocalDate today;
    private final Map<String, Use> uses = new TreeMap<>();

    /** How much of a part, and for what. */
    private static final class Use {
        private double count;
        private final Set<String> by = new TreeSet<>();

        private void add(double more, String user) {
            ComputingBudget.step();
            count += more;
            by.add(user);
        }
    }

    private Purchasing(Plan plan, Catalogue catalogue, Map<String, PowerNode> power, LocalDate today) {
        this.plan = plan;
        this.catalogue = catalogue;
        this.power = power;
        this.today = today;
    }

    /** The parts list of a plan. */
    public static PartsList of(
            Plan plan, Catalogue catalogue, Map<String, PowerNode> power, List<CableLine> cables, LocalDate today) {
        return new Purchasing(plan, catalogue, power, today).list(cables);
    }

    private void use(String part, double count, String user) {
        ComputingBudget.step();
        if (part != null && count > 0) {
            uses.computeIfAbsent(part, k -> new Use()).add(count, user);
        }
    }

    private PartsList list(List<CableLine> cables) {
        plan.units().values().forEach(this::unit);
        plan.housings().values().forEach(h -> use(h.part(), 1, h.name()));
        plan.devices().values().forEach(this::device);
        cables.stream()
                .filter(c -> c.part() != null && c.lengthM() != null)
                .forEach(c -> use(c.part(), c.lengthM(), c.id()));
        List<BuyLine> lines = new ArrayList<>();
        uses.forEach((id, use) -> catalogue.find(id).ifPresent(part -> lines.add(line(part, use))));
        lines.sort(Comparator.comparing((BuyLine l) -> l.supplier() == null ? "~" : l.supplier())
                .thenComparing(BuyLine::name));
        double total = lines.stream()
                .map(BuyLine::cost)
                .filter(Objects::nonNull)
                .mapToDouble(c -> c)
                .sum();
        long outputs = plan.devices().entrySet().stream()
                .flatMap(e -> Need.of(e.getKey(), e.getValue()).stream())
                .filter(n -> !n.kind().reads())
                .count();
        double standby = standbyW();
        double kwh = standby * org.skelto.core.power.Electrics.HOURS_A_YEAR / 1000;
        return PartsListBuilder.builder()
                .currency(plan.money().currency())
                .lines(lines)
                .missing(LikelyParts.of(plan, catalogue))
                .unpriced(lines.stream()
                        .filter(l -> l.price() == null)
                        .map(BuyLine::name)
                        .toList())
                .total(total)
                .budget(plan.money().budget())
                .perOutput(outputs == 0 ? null : total / outputs)
                .schools(schools(lines, standby))
                .steps(new SpendSteps(plan, this::partOf).of(lines))
                .feesPerMonth(plan.services().values().stream()
                        .map(s -> s.feePerMonth())
                        .filter(Objects::nonNull)
                        .mapToDouble(f -> f)
                        .sum())
                .energyKwh(kwh)
                .energyCost(kwh * plan.money().energyPrice())
                .energy(Figure.of(
                        "Σ W at the mains most of the time · 8766 h",
                        "the power tree; units without a chosen part count as typical",
                        false,
                        "standing load",
                        Text.number(standby, 1) + " W",
                        "price",
                        Text.number(plan.money().energyPrice(), 2) + " "
                                + plan.money().currency() + "/kWh"))
                .closesOn(plan.wallWork() == null ? null : plan.wallWork().closesOn())
                .pricesOf(Catalogue.PRICES_OF)
                .ownPrices((int) lines.stream().filter(this::ownPrice).count())
                .firstOrder(lines.stream()
                        .map(BuyLine::orderBy)
                        .filter(Objects::nonNull)
                        .min(Comparator.naturalOrder())
                        .orElse(null))
                .build();
    }

    private void unit(Unit unit) {
        use(unit.power().part(), unit.power().parts() * unit.power().inSeries(), unit.name());
        if (unit.power().feed() != null && unit.power().feed().fuseA() != null) {
            use("fuse-holder", 1, unit.name());
        }
        if (unit.boards() == null) {
            return;
        }
        use(unit.boards().main(), 1, unit.name());
        if (unit.drives()) {
            use("terminal-block", 1, unit.name());
            use("ferrules", 1, unit.name());
        }
        for (Attached board : unit.boards().more().values()) {
            use(board.part(), 1, unit.name());
            int channels = catalogue.find(board.part()).map(Part::channels).orElse(0);
            if (board.behindShifter()) {
                use("shift-4", Math.max(1, (channels + SHIFTER_LINES - 1) / SHIFTER_LINES), unit.name());
            }
            if (board.driver() != null) {
                use("driver-set", Math.max(1, channels), unit.name());
            }
        }
    }

    /** The part of a device; one with a radio of its own that nobody chose counts as a finished one. */
    private String partOf(Device d) {
        ComputingBudget.step();
        Unit unit = d.unit() == null ? null : plan.units().get(d.unit());
        boolean finished = unit != null && unit.kind().alone() && unit.boards() == null;
        return d.known().part() == null && finished
                ? BuildApproach.of(d.kind()).finished()
                : d.known().part();
    }

    private void device(Device d) {
        use(partOf(d), 1, d.name());
        Part part = catalogue.find(d.known().part()).orElse(null);
        boolean tells = part != null && part.is(Trait.CONTACT);
        if (d.known().endSensors() != null && !tells) {
            use("end-sensor", d.known().endSensors(), d.name());
        }
        if (d.known().lock() != null && d.known().lock().doorContact() && !tells) {
            use("contact-wire", 1, d.name());
        }
    }

    private BuyLine line(Part part, Use use) {
        boolean metres = part.kind() == PartKind.CABLE;
        double owned = plan.owned().values().stream()
                .filter(o -> part.id().equals(o.part()))
                .mapToInt(OwnedPart::count)
                .sum();
        boolean small = part.price() != null && part.price() <= SMALL_PRICE && !metres;
        double spare = small ? Math.ceil(use.count * plan.money().spareShare()) : 0;
        double pack = part.figure(Quantity.PACK, metres ? 0 : 1);
        double wanted = Math.max(0, use.count + spare - owned);
        double buy = pack == 0 ? wanted : Math.ceil(wanted / pack - 1e-9) * pack;
        Double price = price(part, buy);
        Double cost = price == null ? null : buy * price;
        LocalDate orderBy = orderBy(part);
        boolean bought = buy > 0;
        return PartsListBuyLineBuilder.builder()
                .part(part.id())
                .name(part.name())
                .supplier(part.supplier())
                .secondSupplier(part.secondSupplier())
                .metres(metres)
                .needed(use.count)
                .spare(spare)
                .owned(owned)
                .buy(buy)
                .pack(part.figure(Quantity.PACK).orElse(null))
                .cheaper(cheaper(part))
                .price(price)
                .cost(cost)
                .leadDays(part.leadDays())
                .orderBy(bought && orderBy != null ? orderBy.toString() : null)
                .late(bought && orderBy != null && orderBy.isBefore(today))
                .uses(List.copyOf(use.by))
                .build();
    }

    /** Price of one when so many are bought. */
    private static Double price(Part part, double buy) {
        Double less = part.figure(Quantity.BREAK_PRICE).orElse(null);
        Double from = part.figure(Quantity.BREAK_FROM).orElse(null);
        return less != null && from != null && buy >= from ? less : part.price();
    }

    private String cheaper(Part part) {
        Double less = part.figure(Quantity.BREAK_PRICE).orElse(null);
        Double from = part.figure(Quantity.BREAK_FROM).orElse(null);
        return less == null || from == null
                ? null
                : Text.number(less, 2) + " each from " + Text.number(from, 0) + " on";
    }

    /** Whether a price is one that a person took in rather than the typical one. */
    private boolean ownPrice(BuyLine line) {
        return catalogue
                .find(line.part())
                .filter(p -> !Catalogue.builtIn().find(p.id()).map(Part::price).equals(Optional.ofNullable(p.price())))
                .isPresent();
    }

    private LocalDate orderBy(Part part) {
        if (plan.wallWork() == null || plan.wallWork().closesOn() == null || part.leadDays() == null) {
            return null;
        }
        try {
            return LocalDate.parse(plan.wallWork().closesOn()).minusDays(part.leadDays());
        } catch (DateTimeParseException e) {
            return null;
        }
    }

    /** Watts that everything fed from the mains takes most of the time. */
    private double standbyW() {
        return plan.units().entrySet().stream()
                .filter(e -> e.getValue().power().source() == PowerSource.MAINS)
                .map(e -> power.get(e.getKey()))
                .mapToDouble(PowerNode::takenW)
                .sum();
    }

    /**
     * Ways to build the same: the devices whose unit has its parts chosen, everything bought anew and nothing spare, so that
     * the baskets are equal.
     */
    private List<SchoolCost> schools(List<BuyLine> lines, double standby) {
        double total = lines.stream()
                .filter(l -> l.price() != null)
                .mapToDouble(l -> l.needed() * l.price())
                .sum();
        double hourPrice = plan.money().hourPrice();
        double hoursMade = 0;
        double hoursFinished = 0;
        double hoursModule = 0;
        double hoursByHand = 0;
        double finished = 0;
        double modules = 0;
        double finishedW = 0;
        double modulesW = 0;
        int relays = 0;
        int compared = 0;
        Set<String> loads = new HashSet<>();
        double loadCost = 0;
        for (Map.Entry<String, Device> e : plan.devices().entrySet()) {
            Device d = e.getValue();
            Part own = catalogue.find(d.known().part()).orElse(null);
            if (own != null && (own.kind() == PartKind.LOAD || own.kind() == PartKind.DRIVE) && loads.add(e.getKey())) {
                loadCost += price(own.id());
            }
            Unit unit = d.unit() == null ? null : plan.units().get(d.unit());
            if (unit == null || !LikelyParts.chosen(unit)) {
                continue;
            }
            compared++;
            BuildApproach school = BuildApproach.of(d.kind());
            hoursMade += school.hoursMade();
            hoursFinished += school.hoursFinished();
            hoursModule += school.hoursModule();
            hoursByHand += school.hoursByHand();
            finished += price(school.finished());
            modules += price(school.module());
            finishedW += standby(school.finished());
            modulesW += standby(school.module());
            relays += d.kind() == DeviceKind.LIGHT_STRIP ? 0 : school.relays();
        }
        int left = plan.devices().size() - compared;
        String without = "; for " + compared + " devices"
                + (left == 0 ? "" : ", without " + left + " whose controller has no part chosen");
        double network = networkCost();
        double relayBoards = 0;
        for (Unit unit : plan.units().values()) {
            if (unit.boards() != null && unit.drives()) {
                for (Attached board : unit.boards().more().values()) {
                    relayBoards += price(board.part());
                }
            }
        }
        double byHand = total - relayBoards + relays * (price("relay-bare") + price("driver-set"));
        return List.of(
                school(
                        "made",
                        "This plan, with made boards",
                        total,
                        hoursMade,
                        hourPrice,
                        standby,
                        "all of this list bought anew, nothing spare" + without),
                school(
                        "hand",
                        "The same, relays wired by hand",
                        byHand,
                        hoursByHand,
                        hourPrice,
                        standby,
                        "bare relays and transistors in place of the boards beside the main ones" + without),
                school(
                        "modules",
                        "Modules behind the switches",
                        network + loadCost + modules,
                        hoursModule,
                        hourPrice,
                        networkW() + modulesW,
                        "a radio module for each output; finished devices where there is none" + without),
                school(
                        "finished",
                        "Finished smart devices",
                        network + loadCost + finished,
                        hoursFinished,
                        hourPrice,
                        networkW() + finishedW,
                        "one finished device for each; their fees and clouds are not in it" + without));
    }

    private static SchoolCost school(
            String id, String name, double parts, double hours, double hourPrice, double standbyW, String about) {
        return PartsListSchoolCostBuilder.builder()
                .id(id)
                .name(name)
                .parts(parts)
                .hours(hours)
                .work(hours * hourPrice)
                .standbyW(standbyW)
                .about(about)
                .build();
    }

    private double price(String part) {
        return catalogue.find(part).map(Part::price).orElse(0.0);
    }

    private double standby(String part) {
        return catalogue.find(part).map(p -> p.figure(Quantity.STANDBY_W, 0)).orElse(0.0);
    }

    /** Parts of the network and hub, which every way to build needs. */
    private double networkCost() {
        double cost = 0;
        for (Unit unit : plan.units().values()) {
            if (unit.collects()) {
                cost += unit.boards() == null ? 0 : price(unit.boards().main());
                cost += unit.power().part() == null ? 0 : price(unit.power().part());
            }
        }
        return cost;
    }

    private double networkW() {
        return plan.units().entrySet().stream()
                .filter(e -> e.getValue().collects())
                .map(e -> power.get(e.getKey()))
                .mapToDouble(PowerNode::takenW)
                .sum();
    }
}
