package org.skelto.core.channels;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.radio.AntennaPattern;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.Indoors;
import org.skelto.core.radio.LossModel;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * Chooses frequency channels so that the summed interference among the house's own transmitters is least: Wi-Fi 2.4 GHz on
 * 1, 6 and 11, Wi-Fi 5 GHz on four indoor channels of 80 MHz, IEEE 802.15.4 on 11 to 26. Each pair counts with what one
 * receives of the other, times the share of its width that the two channels have in common. Exact by branch and bound for
 * house sizes; {@value #MOST_STEPS} steps at most, then it says that it is not proven.
 */
public final class Channels {
    private static final int MOST_STEPS = 4_000_000;
    private static final double QUIET_MW = 1e-15;

    /** Widths that a standard sends in, MHz. */
    private static final Map<Medium, Double> WIDTH_MHZ =
            Map.of(Medium.WIFI_2G4, 20.0, Medium.WIFI_5G, 80.0, Medium.MESH_802154, 2.0);

    private record Sender(String unit, String radioId, Unit of, Radio radio, List<Double> choices) {
        double width() {
            return WIDTH_MHZ.get(radio.medium());
        }
    }

    private final Plan plan;
    private final List<Sender> senders = new ArrayList<>();
    private final double[][] coupling;
    private final int mostSteps;
    private int steps;
    private double best = Double.POSITIVE_INFINITY;
    private int[] bestChoice;

    private Channels(SiteModel site, SlabTables tables, int mostSteps) {
        ComputingBudget.step();
        this.mostSteps = mostSteps;
        this.plan = site.plan();
        plan.units()
                .forEach((id, unit) -> unit.radios().forEach((radioId, radio) -> {
                    if (unit.collects()
                            && radio.receives()
                            && WIDTH_MHZ.containsKey(radio.medium())
                            && site.position(unit).isPresent()) {
                        senders.add(new Sender(id, radioId, unit, radio, choices(radio.medium())));
                    }
                }));
        this.coupling = new double[senders.size()][senders.size()];
        LossModel model = Indoors.of(site, tables);
        for (int i = 0; i < senders.size(); i++) {
            for (int j = 0; j < i; j++) {
                coupling[i][j] = coupling[j][i] = milliwatts(site, model, senders.get(i), senders.get(j));
            }
        }
    }

    /** The best channels for a plan; no rows when it has no such transmitter. */
    public static ChannelPlan of(SiteModel site, SlabTables tables) {
        return of(site, tables, MOST_STEPS);
    }

    /** The same with so many steps of search at most. */
    public static ChannelPlan of(SiteModel site, SlabTables tables, int mostSteps) {
        return new Channels(site, tables, mostSteps).solve();
    }

    private static List<Double> choices(Medium medium) {
        return switch (medium) {
            case WIFI_2G4 -> List.of(2412.0, 2437.0, 2462.0);
            case WIFI_5G -> List.of(5210.0, 5290.0, 5530.0, 5610.0);
            default ->
                IntStream.rangeClosed(11, 26)
                        .mapToObj(c -> 2405.0 + 5 * (c - 11))
                        .toList();
        };
    }

    /** The channel's number as its standard counts. */
    private static String number(Medium medium, double frequencyMHz) {
        double number = switch (medium) {
            case WIFI_2G4 -> (frequencyMHz - 2407) / 5;
            case WIFI_5G -> (frequencyMHz - 5000) / 5;
            default -> (frequencyMHz - 2405) / 5 + 11;
        };
        return number == Math.rint(number) ? Long.toString(Math.round(number)) : Math.round(frequencyMHz) + " MHz";
    }

    private static double milliwatts(SiteModel site, LossModel model, Sender a, Sender b) {
        ComputingBudget.step();
        double lossDb = model.lossDb(
                site.position(a.of).orElseThrow(),
                a.of.place(),
                site.position(b.of).orElseThrow(),
                b.of.place(),
                a.radio.frequencyMHz());
        lossDb += beside(site, a, b) + beside(site, b, a);
        double there = Budget.leavesDbm(a.radio) - lossDb + Budget.takesDb(b.radio);
        double back = Budget.leavesDbm(b.radio) - lossDb + Budget.takesDb(a.radio);
        return (Math.pow(10, there / 10) + Math.pow(10, back / 10)) / 2;
    }

    private static double beside(SiteModel site, Sender from, Sender to) {
        return AntennaPattern.lossDb(
                from.radio,
                site.position(from.of).orElseThrow(),
                site.position(to.of).orElseThrow());
    }

    /** Share of the narrower one's width that both have in common, 0 to 1. */
    public static double overlap(double oneMHz, double oneWidthMHz, double otherMHz, double otherWidthMHz) {
        double low = Math.max(oneMHz - oneWidthMHz / 2, otherMHz - otherWidthMHz / 2);
        double high = Math.min(oneMHz + oneWidthMHz / 2, otherMHz + otherWidthMHz / 2);
        return Math.max(0, Math.min(1, (high - low) / Math.min(oneWidthMHz, otherWidthMHz)));
    }

    private double pair(int i, double iMHz, int j, double jMHz) {
        Sender a = senders.get(i);
        Sender b = senders.get(j);
        if (a.unit.equals(b.unit)) {
            return 0;
        }
        boolean oneMesh = a.radio.medium() == Medium.MESH_802154 && b.radio.medium() == Medium.MESH_802154;
        double overlap = overlap(iMHz, a.width(), jMHz, b.width());
        // gateways of one mesh share its channel anyway
        return oneMesh ? 0 : coupling[i][j] * overlap;
    }

    private ChannelPlan solve() {
        int n = senders.size();
        double[] now = senders.stream().mapToDouble(s -> s.radio.frequencyMHz()).toArray();
        bestChoice = new int[n];
        search(0, new int[n], 0);
        double[] then = new double[n];
        List<Edit> edits = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            then[i] = senders.get(i).choices.get(bestChoice[i]);
        }
        if (best >= total(now) * 0.999) {
            then = now;
        }
        List<ChannelPlan.Row> rows = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            rows.add(row(i, now, then));
            if (then[i] != now[i]) {
                edits.addAll(edits(senders.get(i), then[i]));
            }
        }
        return new ChannelPlan(rows, dbm(total(now)), dbm(total(then)), steps < mostSteps, edits);
    }

    /** All radios of a mesh go to the gateway's channel with it; clients of an access point find it by themselves. */
    private List<Edit> edits(Sender sender, double frequencyMHz) {
        List<Edit> edits = new ArrayList<>();
        plan.units()
                .forEach((id, unit) -> unit.radios().forEach((radioId, radio) -> {
                    boolean own = id.equals(sender.unit) && radioId.equals(sender.radioId);
                    boolean follows = sender.radio.medium() == Medium.MESH_802154
                            && radio.medium() == Medium.MESH_802154
                            && radio.frequencyMHz() == sender.radio.frequencyMHz();
                    if (own || follows) {
                        edits.add(Edit.replace(
                                Pointers.of("units", id, "radios", radioId, "frequencyMHz"), frequencyMHz));
                    }
                }));
        return edits;
    }

    private void search(int at, int[] choice, double cost) {
        ComputingBudget.step();
        if (cost >= best || steps >= mostSteps) {
            return;
        }
        steps++;
        if (at == choice.length) {
            best = cost;
            bestChoice = choice.clone();
            return;
        }
        List<Double> choices = senders.get(at).choices;
        int first = firstOfMesh(at);
        for (int c = 0; c < choices.size(); c++) {
            if (first < at && choice[first] != c) {
                continue;
            }
            choice[at] = c;
            double more = 0;
            for (int other = 0; other < at; other++) {
                more += pair(
                        at, choices.get(c), other, senders.get(other).choices.get(choice[other]));
            }
            search(at + 1, choice, cost + more);
        }
    }

    /** The first gateway of the same mesh: all of them stay together; a mesh is what is on one channel now. */
    private int firstOfMesh(int at) {
        Radio radio = senders.get(at).radio;
        for (int i = 0; i < at && radio.medium() == Medium.MESH_802154; i++) {
            Radio other = senders.get(i).radio;
            if (other.medium() == radio.medium() && other.frequencyMHz() == radio.frequencyMHz()) {
                return i;
            }
        }
        return at;
    }

    private double total(double[] frequencies) {
        double sum = 0;
        for (int i = 0; i < frequencies.length; i++) {
            for (int j = 0; j < i; j++) {
                sum += pair(i, frequencies[i], j, frequencies[j]);
            }
        }
        return sum;
    }

    private double disturbed(int i, double[] frequencies) {
        double sum = 0;
        for (int j = 0; j < frequencies.length; j++) {
            if (j != i) {
                sum += pair(i, frequencies[i], j, frequencies[j]);
            }
        }
        return sum;
    }

    private static double dbm(double milliwatts) {
        return 10 * Math.log10(Math.max(QUIET_MW, milliwatts));
    }

    private ChannelPlan.Row row(int i, double[] now, double[] then) {
        Sender sender = senders.get(i);
        Medium medium = sender.radio.medium();
        int clients = (int) plan.links().values().stream()
                .filter(l -> l.to().equals(sender.unit) && l.medium() == medium)
                .count();
        return ChannelPlanRowBuilder.builder()
                .unit(sender.unit)
                .name(sender.of.name())
                .radio(Wording.of(medium))
                .clients(clients)
                .mostClients(sender.of.maxClients())
                .now(number(medium, now[i]))
                .then(number(medium, then[i]))
                .disturbedBy(dbm(disturbed(i, now)))
                .disturbedThen(dbm(disturbed(i, then)))
                .build();
    }
}
