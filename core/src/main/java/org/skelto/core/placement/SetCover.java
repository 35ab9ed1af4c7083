package org.skelto.core.placement;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.ojalgo.optimisation.Expression;
import org.ojalgo.optimisation.ExpressionsBasedModel;
import org.ojalgo.optimisation.Optimisation;
import org.ojalgo.optimisation.Variable;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Progress;

/**
 * The cheapest choice of candidates that covers every demand so many times, by integer programming. Before the solver
 * sees it, candidates that another one beats in everything are left out, and demands that follow from others too.
 */
final class SetCover {
    /**
     * A solution.
     *
     * @param chosen numbers of candidates
     * @param bound cost that no choice can go below
     */
    record Solution(List<Integer> chosen, double cost, double bound, boolean proven) {}

    private final int candidates;
    private final List<BitSet> covers;
    private final double[] costs;
    private final int[] wanted;
    private final int[] groups;
    private final int[] spare;
    private final int[] blocks;

    /**
     * A problem.
     *
     * @param covers the demands that each candidate covers
     * @param costs of each candidate, above 0
     * @param wanted how many candidates must cover each demand
     * @param groups number of the group that each demand belongs to, or -1 when it must be covered
     * @param spare how many demands of each group need not be covered
     * @param blocks number of the block that each candidate stands in; a block takes one at most; null when it does not
     *     matter
     */
    SetCover(List<BitSet> covers, double[] costs, int[] wanted, int[] groups, int[] spare, int[] blocks) {
        this.candidates = covers.size();
        this.covers = covers;
        this.costs = costs;
        this.wanted = wanted;
        this.groups = groups;
        this.spare = spare;
        this.blocks = blocks;
    }

    /** Solves it, or gives null when it cannot be done or was cut short without any solution. */
    Solution solve(Progress progress, long milliseconds, List<Integer> forbidden) {
        List<Integer> left = undominated(forbidden);
        List<Row> rows = binding(left);
        if (rows == null) {
            return null;
        }
        if (rows.isEmpty()) {
            return new Solution(List.of(), 0, 0, true);
        }
        ExpressionsBasedModel model = new ExpressionsBasedModel();
        model.options.time_abort = Math.max(100, milliseconds);
        model.options.time_suffice = Math.max(100, milliseconds);
        List<Variable> variables = new ArrayList<>();
        for (int c : left) {
            variables.add(model.newVariable("c" + c).binary().weight(costs[c]));
        }
        if (blocks != null) {
            Map<Integer, Expression> taken = new TreeMap<>();
            for (int i = 0; i < left.size(); i++) {
                taken.computeIfAbsent(
                                blocks[left.get(i)],
                                b -> model.newExpression("b" + b).upper(1))
                        .set(variables.get(i), 1);
            }
        }
        Map<Integer, Expression> spared = new TreeMap<>();
        for (Row binding : rows) {
            Expression row = model.newExpression("d" + binding.demand).lower(wanted[binding.demand]);
            for (int i = 0; i < left.size(); i++) {
                if (covers.get(left.get(i)).get(binding.demand)) {
                    row.set(variables.get(i), 1);
                }
            }
            int group = groups[binding.demand];
            if (group >= 0 && spare[group] >= binding.count) {
                Variable given = model.newVariable("s" + binding.demand).binary();
                row.set(given, wanted[binding.demand]);
                spared.computeIfAbsent(group, g -> model.newExpression("g" + g).upper(spare[g]))
                        .set(given, binding.count);
            }
        }
        progress.check();
        Optimisation.Result result = model.minimise();
        progress.check();
        if (!result.getState().isFeasible()) {
            return null;
        }
        List<Integer> chosen = new ArrayList<>();
        double cost = 0;
        for (int i = 0; i < left.size(); i++) {
            if (result.doubleValue(i) > 0.5) {
                chosen.add(left.get(i));
                cost += costs[left.get(i)];
            }
        }
        boolean proven = result.getState().isOptimal();
        return new Solution(chosen, cost, proven ? cost : bound(rows, left), proven);
    }

    /** Demands that share no candidate need one each: their cheapest candidates are a bound. */
    private double bound(List<Row> rows, List<Integer> left) {
        BitSet used = new BitSet();
        double bound = 0;
        for (Row row : rows) {
            int d = row.demand;
            if (groups[d] >= 0 && spare[groups[d]] >= row.count) {
                continue;
            }
            BitSet serving = new BitSet();
            double cheapest = Double.POSITIVE_INFINITY;
            for (int c : left) {
                if (covers.get(c).get(d)) {
                    serving.set(c);
                    cheapest = Math.min(cheapest, costs[c]);
                }
            }
            if (!serving.intersects(used)) {
                used.or(serving);
                bound += cheapest * wanted[d];
            }
        }
        return bound;
    }

    /** Candidates that no cheaper or equal one covers more than; without blocks two of a kind are kept for double cover. */
    private List<Integer> undominated(List<Integer> forbidden) {
        int most = 1;
        for (int i = 0; i < wanted.length && blocks == null; i++) {
            most = Math.max(most, wanted[i]);
        }
        List<Integer> left = new ArrayList<>();
        for (int c = 0; c < candidates; c++) {
            if (forbidden.contains(c) || covers.get(c).isEmpty()) {
                continue;
            }
            int better = 0;
            for (int o = 0; o < candidates && better < most; o++) {
                // where a block takes one only, just those of the same block can stand for each other
                boolean comparable = blocks == null || blocks[o] == blocks[c];
                if (o != c && comparable && !forbidden.contains(o) && beats(o, c)) {
                    better++;
                }
            }
            if (better < most) {
                left.add(c);
            }
        }
        return left;
    }

    private boolean beats(int one, int other) {
        ComputingBudget.step();
        BitSet missing = (BitSet) covers.get(other).clone();
        missing.andNot(covers.get(one));
        if (!missing.isEmpty() || costs[one] > costs[other]) {
            return false;
        }
        boolean same = covers.get(one).cardinality() == covers.get(other).cardinality() && costs[one] == costs[other];
        return !same || one < other;
    }

    /** A demand that the solver must see, and how many are just like it in its group. */
    private record Row(int demand, int count) {}

    /** Demands that do not follow from another one; null when they cannot be met. */
    private List<Row> binding(List<Integer> left) {
        ComputingBudget.step();
        Map<BitSet, Map<Integer, List<Integer>>> alike = new LinkedHashMap<>();
        int[] hopeless = new int[spare.length];
        for (int d = 0; d < wanted.length; d++) {
            if (wanted[d] <= 0) {
                continue;
            }
            BitSet by = new BitSet();
            for (int c : left) {
                if (covers.get(c).get(d)) {
                    by.set(c);
                }
            }
            if (by.cardinality() < wanted[d]) {
                if (groups[d] < 0 || ++hopeless[groups[d]] > spare[groups[d]]) {
                    return null;
                }
            }
            alike.computeIfAbsent(by, k -> new TreeMap<>())
                    .computeIfAbsent(1000 * (groups[d] + 1) + wanted[d], k -> new ArrayList<>())
                    .add(d);
        }
        List<Row> rows = new ArrayList<>();
        List<BitSet> serving = new ArrayList<>();
        alike.forEach((by, kinds) -> kinds.values().forEach(same -> {
            Row row = new Row(same.get(0), same.size());
            int group = groups[row.demand];
            if (group >= 0 && spare[group] >= row.count) {
                rows.add(row);
                serving.add(null);
            } else {
                keep(rows, serving, row, by);
            }
        }));
        return rows;
    }

    /** A demand that must be met follows from another one that wants as much from fewer candidates. */
    private void keep(List<Row> rows, List<BitSet> serving, Row row, BitSet by) {
        for (int i = rows.size() - 1; i >= 0; i--) {
            if (serving.get(i) == null) {
                continue;
            }
            if (wanted[rows.get(i).demand] >= wanted[row.demand] && within(serving.get(i), by)) {
                return;
            }
            if (wanted[row.demand] >= wanted[rows.get(i).demand] && within(by, serving.get(i))) {
                rows.remove(i);
                serving.remove(i);
            }
        }
        rows.add(row);
        serving.add(by);
    }

    private static boolean within(BitSet one, BitSet other) {
        BitSet rest = (BitSet) one.clone();
        rest.andNot(other);
        return rest.isEmpty();
    }
}
