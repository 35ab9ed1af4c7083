package org.skelto.core.house;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.MeanTimes.Band;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.survival.FailureKind;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.Progress;

/**
 * How many hours a year jobs are lost, and how likely that is within a year: exact arithmetic on estimates.
 *
 * <p>Everything that may fail is a variable; what loses a job is a decision diagram over them, whose chance is one pass over it.
 * How long something has been out is split at the moments at which, with it alone gone, a store runs out: of outages with a mean
 * of M hours the share e^(-B/M) lasts longer than B. Cells that nobody tests may be dead when they are wanted.
 */
public final class LostHours {
    /** So many nodes a diagram may have before states with a few failures are added up instead. */
    static final int MOST_NODES = 6_000_000;

    /** What runs out later than so many mean times of repair is not told apart. */
    private static final double MEANS = 60;

    private static final Band[] BANDS = Band.values();

    private LostHours() {}

    /**
     * What a component takes.
     *
     * @param component its id, or {@code backup:unit} for cells that are dead when they are wanted
     * @param hours that would be saved if it never failed
     */
    public record LostShare(String component, String name, double hours, double low, double high) {}

    /**
     * A job over a year.
     *
     * @param hours lost or unsafe, a year
     * @param low the same where everything fails as seldom and as briefly as is usual
     * @param high where as often and as long
     * @param byHandH hours a year in which only working by hand is left
     * @param chance that it is lost at least once within a year, 0 to 1
     * @param missing hours that states which were not counted could add; 0 where all were
     * @param shares of components, the greatest first
     * @param figure how the hours come about
     */
    @RecordBuilder
    public record LostJob(
            String device,
            Job job,
            double hours,
            double low,
            double high,
            double byHandH,
            double chance,
            double missing,
            List<LostShare> shares,
            Figure figure)
            implements LostHoursLostJobBuilder.With {
        public LostJob {
            shares = List.copyOf(shares);
        }
    }

    /** So many shares are opened where the hours are. */
    private static final int OPENED = 6;

    /** How the hours of a job come about. */
    static Figure figure(Outages outages, double hours, boolean exact, List<LostShare> shares) {
        Map<FailureKind, MeanTimes> times = MeanTimes.of(outages.plan());
        Map<String, String> inputs = new LinkedHashMap<>();
        inputs.put("lost at any moment", percent(hours / MeanTimes.YEAR_H));
        shares.stream().limit(OPENED).forEach(share -> {
            Component component = outages.components().get(share.component());
            MeanTimes time = times.get(component == null ? FailureKind.BACKUP : MeanTimes.kind(component.kind()));
            double out = time.out(Band.TYPICAL);
            inputs.put(
                    share.name(),
                    Text.number(time.perYear().typical(), 2) + " a year, "
                            + (component == null
                                    ? "tested every "
                                            + Text.number(time.testDays().typical(), 0) + " days"
                                    : Text.number(time.repairH().typical(), 1) + " h each")
                            + ": out " + percent(out) + " of the time; takes the job in "
                            + percent(share.hours() / (MeanTimes.YEAR_H * out))
                            + " of that");
        });
        return new Figure(
                "8766 h × P(lost), " + (exact ? "exact over all that may fail" : "over states of up to three failures")
                        + "; a share is 8766 h × out × (P(lost | out) − P(lost | not out))",
                inputs,
                "docs/calculations.md, Hours lost a year; how often things fail: the table in Hours a year",
                false);
    }

    private static String percent(double share) {
        return Text.number(share * 100, share < 0.001 ? 4 : 2) + " %";
    }

    /** What may fail: a component, an age of its outage, or a store. */
    private record Variable(String id, String name, double[] works, double perYear) {}

    /** Moments after which something runs out while a component alone is gone, and what. */
    record Clock(double[] at, Map<Double, List<String>> empty, Map<Double, List<String>> addressless) {}

    /** The moments of every component that has some. */
    static Map<String, Clock> clocks(Outages outages, Map<FailureKind, MeanTimes> times) {
        TreeSet<String> always = new TreeSet<>(outages.power(new Outage(Set.of(), Outage.LONGEST_H, null, 0))
                .emptyFrom()
                .keySet());
        Map<String, Clock> clocks = new TreeMap<>();
        outages.components().forEach((id, component) -> {
            FailureKind kind = MeanTimes.kind(component.kind());
            double longest =
                    Math.min(Outage.LONGEST_H, MEANS * times.get(kind).repairH().high());
            if (longest == 0) {
                return;
            }
            PowerState power = outages.power(new Outage(Set.of(id), longest, null, 0));
            Map<Double, List<String>> empty = new TreeMap<>();
            power.emptyFrom().forEach((unit, at) -> {
                if (!always.contains(unit) && at < longest) {
                    empty.computeIfAbsent(at, k -> new ArrayList<>()).add(unit);
                }
            });
            Map<Double, List<String>> addressless = new TreeMap<>();
            power.leaseEnds()
                    .forEach((unit, at) -> addressless
                            .computeIfAbsent(at, k -> new ArrayList<>())
                            .add(unit));
            TreeSet<Double> all = new TreeSet<>(empty.keySet());
            all.addAll(addressless.keySet());
            if (!all.isEmpty()) {
                clocks.put(
                        id,
                        new Clock(all.stream().mapToDouble(Double::doubleValue).toArray(), empty, addressless));
            }
        });
        return clocks;
    }

    /** The name of what fails when a backup carries nothing. */
    static String deadCells(Outages outages, String unit) {
        return "cells of " + outages.plan().units().get(unit).name() + ", dead unseen";
    }

    /** Every job of a plan, exactly, or where the diagrams grow too large with the states of up to three failures. */
    public static List<LostJob> of(Outages outages, Progress progress) {
        return of(outages, progress, MOST_NODES);
    }

    /**
     * One job, or null where the device has no such job: less is worked out than for all.
     *
     * @return as {@link #of(Outages, Progress)} gives it
     */
    public static @Nullable LostJob of(Outages outages, String device, Job job, Progress progress) {
        List<OutageProgram.JobNode> jobs = outages.many().program().jobs.getOrDefault(device, List.of()).stream()
                .filter(j -> j.job() == job)
                .toList();
        List<LostJob> found;
        try {
            found = jobs.isEmpty() ? List.of() : new Exact(outages, MOST_NODES, progress, jobs).jobs();
        } catch (Diagrams.TooLarge e) {
            found = FewFailures.of(outages, progress);
        }
        return found.stream()
                .filter(l -> l.device().equals(device) && l.job() == job)
                .findFirst()
                .orElse(null);
    }

    static List<LostJob> of(Outages outages, Progress progress, int mostNodes) {
        try {
            return new Exact(outages, mostNodes, progress, outages.many().program().allJobs).jobs();
        } catch (Diagrams.TooLarge e) {
            return FewFailures.of(outages, progress);
        }
    }

    /** Where along the longer axis of the site something stands: what stands together fails together in a diagram's order. */
    private static final class Axis {
        private final Plan plan;
        private final boolean north;

        Axis(Plan plan) {
            this.plan = plan;
            double[] x = plan.units().keySet().stream()
                    .mapToDouble(u -> at(u, false))
                    .filter(Double::isFinite)
                    .toArray();
            double[] y = plan.units().keySet().stream()
                    .mapToDouble(u -> at(u, true))
                    .filter(Double::isFinite)
                    .toArray();
            north = spread(y) > spread(x);
        }

        private static double spread(double[] of) {
            return of.length == 0
                    ? 0
                    : Arrays.stream(of).max().getAsDouble()
                            - Arrays.stream(of).min().getAsDouble();
        }

        private double at(String unit, boolean y) {
            Unit u = plan.units().get(unit);
            Place place = u == null ? null : u.place();
            if (place == null) {
                return Double.NEGATIVE_INFINITY;
            }
            double own = y ? place.yM() : place.xM();
            if (place.spot() != null) {
                var spot = Objects.requireNonNull(plan.spots().get(place.spot()));
                return own + (y ? spot.yM() : spot.xM());
            }
            if (place.room() == null) {
                return own;
            }
            Building building = plan.buildings()
                    .get(plan.floors()
                            .get(plan.rooms().get(place.room()).floor())
                            .building());
            return own + (y ? building.yM() : building.xM());
        }

        /** Of a component; what is not at one place comes first. */
        double of(String component) {
            String id = component.substring(component.indexOf(':') + 1);
            if (component.startsWith("link:")) {
                var link = plan.links().get(id);
                return Math.max(at(link.from(), north), at(link.to(), north));
            }
            if (component.startsWith("wire:")) {
                String unit = plan.devices().get(id).unit();
                return unit == null ? Double.NEGATIVE_INFINITY : at(unit, north);
            }
            return plan.units().containsKey(id)
                            && !component.startsWith("circuit:")
                            && !component.startsWith("service:")
                    ? at(id, north)
                    : Double.NEGATIVE_INFINITY;
        }
    }

    private static final class Exact {
        private final Outages outages;
        private final OutageProgram program;
        private final Progress progress;
        private final List<Variable> variables = new ArrayList<>();
        private final Diagrams diagrams;
        private final OutageRun run;
        private final List<OutageProgram.JobNode> wanted;

        Exact(Outages outages, int mostNodes, Progress progress, List<OutageProgram.JobNode> wanted) {
            this.wanted = wanted;
            this.outages = outages;
            this.progress = progress;
            this.program = outages.many().program();
            Map<FailureKind, MeanTimes> times = MeanTimes.of(outages.plan());
            Map<String, Clock> clocks = clocks(outages, times);
            Axis axis = new Axis(outages.plan());
            List<String> ids = new ArrayList<>(outages.components().keySet());
            Map<String, Double> along = new HashMap<>();
            ids.forEach(id -> along.put(id, axis.of(id)));
            ids.sort(Comparator.comparingDouble(along::get));
            Map<Integer, Integer> byComponent = new HashMap<>();
            Map<String, List<List<Integer>>> young = new HashMap<>();
            Map<String, List<List<Integer>>> addressed = new HashMap<>();
            for (String id : ids) {
                Component component =
                        Objects.requireNonNull(outages.components().get(id));
                if (!outages.fallible(component)) {
                    continue;
                }
                MeanTimes of = times.get(MeanTimes.kind(component.kind()));
                int number = add(id, component.name(), of);
                byComponent.put(program.numbers.get(id), number);
                Clock clock = clocks.get(id);
                if (clock == null) {
                    continue;
                }
                List<Integer> younger = new ArrayList<>(List.of(number));
                double before = 0;
                for (double at : clock.at()) {
                    younger = new ArrayList<>(younger);
                    younger.add(age(of, at - before));
                    before = at;
                    for (String unit : clock.empty().getOrDefault(at, List.of())) {
                        young.computeIfAbsent(unit, k -> new ArrayList<>()).add(younger);
                    }
                    for (String unit : clock.addressless().getOrDefault(at, List.of())) {
                        addressed.computeIfAbsent(unit, k -> new ArrayList<>()).add(younger);
                    }
                }
            }
            MeanTimes hidden = times.get(FailureKind.BACKUP);
            Map<String, Integer> cells = new HashMap<>();
            for (String unit : outages.backups()) {
                cells.put(unit, add("backup:" + unit, deadCells(outages, unit), hidden));
            }
            diagrams = new Diagrams(variables.size(), mostNodes);
            run = new OutageRun(program, diagrams, false, wanted);
            byComponent.forEach((component, number) -> run.works[component] = diagrams.variable(number));
            for (int u = 0; u < run.stored.length; u++) {
                String unit = program.hops.unit(u);
                long full = run.stored[u];
                if (full != Algebra.NONE) {
                    for (List<Integer> any : young.getOrDefault(unit, List.of())) {
                        full = diagrams.and(full, any(any));
                    }
                    Integer cell = cells.get(unit);
                    run.stored[u] = cell == null ? full : diagrams.and(full, diagrams.variable(cell));
                }
                for (List<Integer> any : addressed.getOrDefault(unit, List.of())) {
                    run.addressLost[u] = diagrams.or(run.addressLost[u], diagrams.not(any(any)));
                    run.leasesEnd();
                }
            }
        }

        private long any(List<Integer> numbers) {
            long any = Algebra.NONE;
            for (int i = numbers.size() - 1; i >= 0; i--) {
                any = diagrams.or(any, diagrams.variable(numbers.get(i)));
            }
            return any;
        }

        private int add(String id, String name, MeanTimes of) {
            double[] works = new double[BANDS.length];
            for (Band band : BANDS) {
                works[band.ordinal()] = 1 - of.out(band);
            }
            variables.add(new Variable(id, name, works, of.perYear().typical()));
            return variables.size() - 1;
        }

        /** True while an outage that lasted so long does not last so many hours more. */
        private int age(MeanTimes of, double hours) {
            double[] works = new double[BANDS.length];
            for (Band band : BANDS) {
                double mean = band.of(of.repairH());
                works[band.ordinal()] = mean == 0 ? 1 : 1 - Math.exp(-hours / mean);
            }
            variables.add(new Variable("", "", works, 0));
            return variables.size() - 1;
        }

        List<LostJob> jobs() {
            progress.at(0.05, "what loses each job");
            run.run();
            Diagrams.Chances[] chances = new Diagrams.Chances[BANDS.length];
            for (Band band : BANDS) {
                chances[band.ordinal()] = diagrams.chances(variables.stream()
                        .mapToDouble(v -> v.works[band.ordinal()])
                        .toArray());
            }
            long[] bad = new long[State.values().length];
            double[][] slopes = new double[BANDS.length][variables.size()];
            Map<Long, LostJob> known = new HashMap<>();
            List<LostJob> all = new ArrayList<>();
            for (int j = 0; j < wanted.size(); j++) {
                OutageProgram.JobNode job = wanted.get(j);
                run.job(job, bad);
                long lost = bad[State.LOST.ordinal()];
                long byHand = bad[State.BY_HAND.ordinal()];
                LostJob same = known.get(lost << 32 | byHand);
                if (same == null) {
                    same = lost(job, lost, byHand, chances, slopes);
                    known.put(lost << 32 | byHand, same);
                }
                all.add(same.with(b -> b.device(job.device()).job(job.job())));
                if (j % 16 == 0) {
                    progress.check();
                    progress.at(0.3 + 0.7 * j / wanted.size(), "hours a year");
                }
            }
            return all;
        }

        private LostJob lost(
                OutageProgram.JobNode job, long lost, long byHand, Diagrams.Chances[] chances, double[][] slopes) {
            double[] p = new double[BANDS.length];
            for (Band band : BANDS) {
                p[band.ordinal()] = chances[band.ordinal()].of(lost);
                chances[band.ordinal()].slopes(lost, slopes[band.ordinal()]);
            }
            double perYear = 0;
            List<LostShare> shares = new ArrayList<>();
            for (int v = 0; v < variables.size(); v++) {
                Variable variable = variables.get(v);
                // a job is likelier to be lost when a thing is down
                double steep = -slopes[Band.TYPICAL.ordinal()][v];
                perYear += Math.max(0, steep) * variable.perYear;
                double[] hours = new double[BANDS.length];
                for (Band band : BANDS) {
                    hours[band.ordinal()] =
                            -slopes[band.ordinal()][v] * (1 - variable.works[band.ordinal()]) * MeanTimes.YEAR_H;
                }
                if (!variable.id.isEmpty() && hours[Band.TYPICAL.ordinal()] > 1e-9) {
                    shares.add(new LostShare(
                            variable.id,
                            variable.name,
                            hours[Band.TYPICAL.ordinal()],
                            hours[Band.LOW.ordinal()],
                            hours[Band.HIGH.ordinal()]));
                }
            }
            shares.sort(Comparator.comparingDouble(LostShare::hours).reversed());
            return LostHoursLostJobBuilder.builder()
                    .device(job.device())
                    .job(job.job())
                    .hours(p[Band.TYPICAL.ordinal()] * MeanTimes.YEAR_H)
                    .low(p[Band.LOW.ordinal()] * MeanTimes.YEAR_H)
                    .high(p[Band.HIGH.ordinal()] * MeanTimes.YEAR_H)
                    .byHandH(
                            (chances[Band.TYPICAL.ordinal()].of(byHand) - p[Band.TYPICAL.ordinal()]) * MeanTimes.YEAR_H)
                    .chance(1 - Math.exp(-perYear))
                    .missing(0)
                    .shares(shares)
                    .figure(figure(outages, p[Band.TYPICAL.ordinal()] * MeanTimes.YEAR_H, true, shares))
                    .build();
        }
    }
}
