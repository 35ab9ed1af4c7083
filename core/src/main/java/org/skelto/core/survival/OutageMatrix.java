package org.skelto.core.survival;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Component;
import org.skelto.core.house.ManyOutages;
import org.skelto.core.house.MeanTimes;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.State;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.survival.FailureKind;

/**
 * Every device against every outage that matters: lengths without the mains, a day without the internet, each component alone, and
 * the pairs that take what neither takes alone. Outages that do the same stand in one column, devices that suffer the same in one
 * row.
 */
@RecordBuilder
public record OutageMatrix(List<MatrixColumn> columns, List<MatrixRow> rows, int unfelt, int devices)
        implements OutageMatrixBuilder.With {
    private static final int MOST_PAIRS = 24;
    private static final double[] MAINS_H = {1, 8, 24};
    private static final double DAY_H = 24;

    /** By what rows are put together. */
    public enum Grouping {
        ROOM,
        CRITICALITY,
        KIND,
        NONE
    }

    /**
     * Outages that do the same.
     *
     * @param name of the first
     * @param without ids of what is out in it
     * @param lastsH how long, hours; 0 is the moment after
     * @param same names of the others
     * @param felt devices that are worse off than now
     */
    public record MatrixColumn(
            String name, Kind kind, Set<String> without, double lastsH, List<String> same, int felt) {
        /** What it is. */
        public enum Kind {
            LENGTH,
            ALONE,
            PAIR
        }
    }

    /**
     * Devices that suffer the same.
     *
     * @param group name of the room, the criticality or the kind
     * @param devices ids
     * @param states a digit for each column, from 0 for what holds to 4 for what is unsafe
     * @param before the same in the revision that it is compared with, or null
     */
    public record MatrixRow(
            String group,
            List<String> devices,
            String states,
            @Nullable String before) {}

    /** The matrix of a plan, beside that of an earlier revision where one is given. */
    public static OutageMatrix of(Plan plan, Outages outages, Grouping grouping, @Nullable Outages before) {
        List<MatrixColumn> all = new ArrayList<>();
        Set<String> mains = Supposed.mains(outages);
        if (!mains.isEmpty()) {
            for (double hours : MAINS_H) {
                all.add(new MatrixColumn(
                        "mains " + Outage.words(hours), MatrixColumn.Kind.LENGTH, mains, hours, List.of(), 0));
            }
        }
        if (outages.components().containsKey(Component.INTERNET)) {
            all.add(new MatrixColumn(
                    "internet " + Outage.words(DAY_H),
                    MatrixColumn.Kind.LENGTH,
                    Set.of(Component.INTERNET),
                    DAY_H,
                    List.of(),
                    0));
        }
        // a hub is out until somebody has bought another and restored what it knew
        double repairH = Objects.requireNonNull(MeanTimes.of(plan).get(FailureKind.HUB))
                .repairH()
                .typical();
        outages.components().values().stream()
                .filter(c -> c.kind() == Component.Kind.HUB)
                .forEach(c -> all.add(new MatrixColumn(
                        c.name() + " until replaced, " + Outage.words(repairH),
                        MatrixColumn.Kind.LENGTH,
                        Set.of(c.id()),
                        repairH,
                        List.of(),
                        0)));
        outages.components()
                .values()
                .forEach(c ->
                        all.add(new MatrixColumn(c.name(), MatrixColumn.Kind.ALONE, Set.of(c.id()), 0, List.of(), 0)));
        outages.many()
                .worsePairs(MOST_PAIRS)
                .forEach(pair ->
                        all.add(new MatrixColumn(outages.names(pair), MatrixColumn.Kind.PAIR, pair, 0, List.of(), 0)));
        ManyOutages.Matrix matrix = outages.many().matrix(outages(all));
        ManyOutages.Matrix earlier = before == null ? null : before.many().matrix(outages(all));
        return folded(plan, outages, grouping, all, matrix, earlier);
    }

    private static List<Outage> outages(List<MatrixColumn> columns) {
        return columns.stream()
                .map(c -> c.lastsH > 0 ? new Outage(c.without, c.lastsH, null, c.lastsH) : Outage.of(c.without))
                .toList();
    }

    private static OutageMatrix folded(
            Plan plan,
            Outages outages,
            Grouping grouping,
            List<MatrixColumn> all,
            ManyOutages.Matrix matrix,
            ManyOutages.@Nullable Matrix earlier) {
        int n = matrix.devices().size();
        int[] rowsBefore = new int[n];
        for (int d = 0; d < n; d++) {
            rowsBefore[d] = earlier == null
                    ? -1
                    : earlier.devices().indexOf(matrix.devices().get(d));
        }
        Map<String, Integer> firsts = new LinkedHashMap<>();
        Map<Integer, List<String>> same = new LinkedHashMap<>();
        int unfelt = 0;
        String nothing = column(matrix, null, rowsBefore, outages, -1);
        for (int c = 0; c < all.size(); c++) {
            String states = column(matrix, earlier, rowsBefore, outages, c);
            boolean alone = all.get(c).kind == MatrixColumn.Kind.ALONE;
            if (alone && earlier == null && states.equals(nothing)) {
                unfelt++;
                continue;
            }
            // lengths are wanted each by itself
            String key = alone ? states : all.get(c).kind + all.get(c).name;
            Integer first = firsts.putIfAbsent(key, c);
            if (first != null) {
                Objects.requireNonNull(same.get(first)).add(all.get(c).name);
            } else {
                same.put(c, new ArrayList<>());
            }
        }
        List<MatrixColumn> columns = new ArrayList<>();
        same.forEach((c, others) -> columns.add(new MatrixColumn(
                all.get(c).name,
                all.get(c).kind,
                new TreeSet<>(all.get(c).without),
                all.get(c).lastsH,
                others,
                felt(matrix, outages, c))));
        Map<List<String>, List<String>> rows = new LinkedHashMap<>();
        for (int d = 0; d < n; d++) {
            StringBuilder states = new StringBuilder();
            StringBuilder were = new StringBuilder();
            for (int c : same.keySet()) {
                states.append(matrix.states()[d][c].ordinal());
                if (rowsBefore[d] >= 0) {
                    were.append(Objects.requireNonNull(earlier)
                            .states()[rowsBefore[d]][c]
                            .ordinal());
                }
            }
            String id = matrix.devices().get(d);
            rows.computeIfAbsent(
                            List.of(group(plan, id, grouping), states.toString(), were.toString()),
                            k -> new ArrayList<>())
                    .add(id);
        }
        List<MatrixRow> told = new ArrayList<>();
        rows.forEach((key, ids) ->
                told.add(new MatrixRow(key.get(0), ids, key.get(1), key.get(2).isEmpty() ? null : key.get(2))));
        told.sort(Comparator.comparing(MatrixRow::group)
                .thenComparing((MatrixRow r) -> r.states.chars().sum(), Comparator.reverseOrder()));
        return new OutageMatrix(columns, told, unfelt, n);
    }

    private static int felt(ManyOutages.Matrix matrix, Outages outages, int c) {
        int felt = 0;
        for (int d = 0; d < matrix.devices().size(); d++) {
            State now = Objects.requireNonNull(
                            outages.now().get(matrix.devices().get(d)))
                    .state();
            felt += matrix.states()[d][c].compareTo(now) > 0 ? 1 : 0;
        }
        return felt;
    }

    /** One column as it is compared: states now, and earlier; -1 is with everything working. */
    private static String column(
            ManyOutages.Matrix matrix, ManyOutages.@Nullable Matrix earlier, int[] rowsBefore, Outages outages, int c) {
        StringBuilder states = new StringBuilder();
        for (int d = 0; d < matrix.devices().size(); d++) {
            State state = c < 0
                    ? Objects.requireNonNull(outages.now().get(matrix.devices().get(d)))
                            .state()
                    : matrix.states()[d][c];
            states.append(state.ordinal());
            if (earlier != null && rowsBefore[d] >= 0 && c >= 0) {
                states.append(earlier.states()[rowsBefore[d]][c].ordinal());
            }
        }
        return states.toString();
    }

    private static String group(Plan plan, String id, Grouping grouping) {
        Device d = Objects.requireNonNull(plan.devices().get(id));
        Place place = d.place();
        return switch (grouping) {
            case NONE -> "";
            case KIND -> d.kind().name();
            case CRITICALITY -> d.criticality().name();
            case ROOM ->
                place == null
                        ? "nowhere yet"
                        : place.room() != null
                                ? Objects.requireNonNull(plan.rooms().get(place.room()))
                                        .name()
                                : place.spot() != null
                                        ? Objects.requireNonNull(plan.spots().get(place.spot()))
                                                .name()
                                        : "nowhere yet";
        };
    }
}
