package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import org.logicng.formulas.FormulaFactory;
import org.logicng.formulas.Variable;
import org.logicng.knowledgecompilation.bdds.jbuddy.BDDConstruction;
import org.logicng.knowledgecompilation.bdds.jbuddy.BDDKernel;
import org.skelto.core.work.ComputingBudget;

/**
 * All outages at once: statements as decision diagrams over what may fail, with their exact chance. What holds in the same outages
 * is the same node.
 */
final class Diagrams implements Algebra {
    /** Room for so many nodes at first: growing later costs more than the diagrams. */
    private static final int BEGINS_MOST = 3_000_000;

    private static final int BEGINS_LEAST = 20_000;

    /** So many for each pair of variables. */
    private static final int OF_A_PAIR = 8;

    /** How often the size is looked at, in steps. */
    private static final int LOOK = 512;

    private final BDDKernel kernel;
    private final BDDConstruction make;
    private final int most;
    private int steps;

    /** The diagrams became larger than allowed. */
    static final class TooLarge extends RuntimeException {
        private static final long serialVersionUID = 1L;

        TooLarge() {
            super("The decision diagrams grew larger than allowed", null, false, false);
        }
    }

    /**
     * Diagrams over so many variables, in their order.
     *
     * @param most nodes
     */
    Diagrams(int variables, int most) {
        FormulaFactory factory = new FormulaFactory();
        List<Variable> order = new ArrayList<>();
        for (int i = 0; i < Math.max(1, variables); i++) {
            order.add(factory.variable("v" + i));
        }
        int begins = (int) Math.max(BEGINS_LEAST, Math.min(BEGINS_MOST, (long) OF_A_PAIR * variables * variables));
        kernel = new BDDKernel(factory, order, begins, begins / OF_A_PAIR);
        make = new BDDConstruction(kernel);
        this.most = most;
    }

    /** The statement that a variable is true. */
    long variable(int index) {
        return make.ithVar(index);
    }

    @Override
    public long all() {
        return BDDKernel.BDD_TRUE;
    }

    @Override
    public long and(long one, long other) {
        if (one == other || other == BDDKernel.BDD_TRUE) {
            return one;
        }
        if (one == BDDKernel.BDD_TRUE) {
            return other;
        }
        return one == NONE || other == NONE ? NONE : kept(make.and((int) one, (int) other));
    }

    @Override
    public long or(long one, long other) {
        if (one == other || other == NONE) {
            return one;
        }
        if (one == NONE) {
            return other;
        }
        return one == BDDKernel.BDD_TRUE || other == BDDKernel.BDD_TRUE
                ? BDDKernel.BDD_TRUE
                : kept(make.or((int) one, (int) other));
    }

    @Override
    public long not(long one) {
        return one == NONE ? BDDKernel.BDD_TRUE : one == BDDKernel.BDD_TRUE ? NONE : kept(make.not((int) one));
    }

    @Override
    public long beyond(long one, long known) {
        return or(one, known) == known ? NONE : one;
    }

    private long kept(int node) {
        ComputingBudget.step();
        if (node == BDDKernel.BDD_ABORT || ++steps % LOOK == 0 && used() > most) {
            throw new TooLarge();
        }
        kernel.addRef(node, null);
        return node;
    }

    int used() {
        return kernel.statistics().usedNodes();
    }

    /**
     * The chance of a statement when every variable is true with a chance of its own.
     *
     * @param chances by variable
     */
    Chances chances(double[] chances) {
        return new Chances(chances);
    }

    /** Chances of statements, each node looked at once. */
    final class Chances {
        private final double[] given;
        private double[] known = new double[1024];

        private Chances(double[] given) {
            this.given = given;
            Arrays.fill(known, Double.NaN);
        }

        double of(long statement) {
            int node = (int) statement;
            if (node <= 1) {
                return node;
            }
            if (node >= known.length) {
                int before = known.length;
                known = Arrays.copyOf(known, Integer.highestOneBit(node) * 2);
                Arrays.fill(known, before, known.length, Double.NaN);
            }
            if (Double.isNaN(known[node])) {
                double high = of(make.bddHigh(node));
                double low = of(make.bddLow(node));
                double p = given[make.bddVar(node)];
                known[node] = p * high + (1 - p) * low;
            }
            return known[node];
        }

        /**
         * By how much a statement becomes likelier when a variable is true rather than false, by variable.
         *
         * @param into as long as there are variables; filled
         */
        void slopes(long statement, double[] into) {
            Arrays.fill(into, 0);
            int root = (int) statement;
            if (root <= 1) {
                return;
            }
            of(root);
            PriorityQueue<int[]> open = new PriorityQueue<>(Comparator.comparingInt((int[] e) -> e[1]));
            Map<Integer, Double> weight = new HashMap<>();
            weight.put(root, 1.0);
            open.add(new int[] {root, make.bddVar(root)});
            while (!open.isEmpty()) {
                int[] at = open.remove();
                int node = at[0];
                double w = weight.get(node);
                int variable = at[1];
                int high = make.bddHigh(node);
                int low = make.bddLow(node);
                into[variable] += w * (of(high) - of(low));
                for (int i = 0; i < 2; i++) {
                    int next = i == 0 ? high : low;
                    if (next > 1) {
                        double share = w * (i == 0 ? given[variable] : 1 - given[variable]);
                        if (!weight.containsKey(next)) {
                            open.add(new int[] {next, make.bddVar(next)});
                        }
                        weight.merge(next, share, Double::sum);
                    }
                }
            }
        }
    }
}
