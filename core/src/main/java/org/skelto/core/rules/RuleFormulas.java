package org.skelto.core.rules;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.logicng.datastructures.Assignment;
import org.logicng.datastructures.Tristate;
import org.logicng.formulas.Formula;
import org.logicng.formulas.FormulaFactory;
import org.logicng.formulas.Literal;
import org.logicng.formulas.Variable;
import org.logicng.solvers.MiniSat;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Mode;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.QuietHours;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.TermBuilder;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.work.ComputingBudget;

/**
 * What rules ask of a moment, as a formula that a solver can be asked about: the moment is one cell of the week, each mode
 * has one value, thresholds on one sensor are in order, and one thing happens.
 */
final class RuleFormulas {
    /** The event that is none: the clock or the sun. */
    private static final String TIME = "now";

    /** Numbers of the values that a mode can have. */
    private static final List<Integer> MODE_VALUES = List.of(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11);

    private final Plan plan;
    private final Map<String, Rule> rules;
    private final RuleTimes times;
    private final FormulaFactory f = new FormulaFactory();
    private final Map<String, Formula> guards = new HashMap<>();
    private final Map<String, Formula> fires = new HashMap<>();
    private final Map<String, Literal> fired = new HashMap<>();
    private final Map<Integer, Variable> timeAtoms = new TreeMap<>();
    private final Set<String> events = new TreeSet<>();
    private final List<Formula> facts = new ArrayList<>();
    private final Map<String, SortedMap<Double, Variable>> above = new TreeMap<>();
    private final Map<String, SortedMap<Double, Variable>> least = new TreeMap<>();
    private final Map<String, Integer> held = new HashMap<>();
    private final Set<String> modes = new HashSet<>();
    private final Map<String, Literal> named = new HashMap<>();
    private final List<Variable> cellVariables = new ArrayList<>();
    private @Nullable MiniSat solver;

    /**
     * The formulas of some rules.
     *
     * @param called those of them that rules which are not among them may set off
     */
    RuleFormulas(Plan plan, Map<String, Rule> rules, Set<String> called, RuleTimes times) {
        this.plan = plan;
        this.rules = rules;
        this.times = times;
        rules.forEach((id, rule) -> {
            ComputingBudget.step();
            guards.put(id, guard(rule));
        });
        rules.forEach((id, rule) -> {
            List<Formula> any = new ArrayList<>();
            rule.when().forEach(t -> any.add(trigger(t)));
            if (called.contains(id)) {
                any.add(event("called:" + id));
            }
            rules.forEach((caller, other) -> {
                int at = calls(other, id);
                if (at >= 0) {
                    boolean waits = other.then().subList(0, at).stream().anyMatch(a -> a.kind() == Action.Kind.WAIT);
                    any.add(waits || caller.equals(id) ? event("called:" + id) : set(other));
                }
            });
            fires.put(id, f.and(f.or(any), guards(id)));
        });
    }

    /** What sets a rule off, with its own conditions. */
    private Formula set(Rule rule) {
        return f.and(f.or(rule.when().stream().map(this::trigger).toList()), guard(rule));
    }

    /** Where a rule sets another one off, or −1. */
    static int calls(Rule rule, String other) {
        for (int i = 0; i < rule.then().size(); i++) {
            if (rule.then().get(i).kind() == Action.Kind.RULE
                    && other.equals(rule.then().get(i).rule())) {
                return i;
            }
        }
        return -1;
    }

    Formula guards(String rule) {
        return Objects.requireNonNull(guards.get(rule));
    }

    Formula fires(String rule) {
        return Objects.requireNonNull(fires.get(rule));
    }

    /** Asks, too, for moments at which a rule was set off between so many and so many seconds before. */
    void withHeld(String rule, int fromS, int toS) {
        Formula formula = fires(rule);
        held.computeIfAbsent(
                heldKey(rule, fromS, toS), k -> times.held(rule, fromS, toS, holds -> possible(formula, holds)));
    }

    private static String heldKey(String rule, int fromS, int toS) {
        return rule + " " + fromS + " " + toS;
    }

    /** The statement that a rule may have been set off so long before. */
    Literal heldLiteral(String rule, int fromS, int toS) {
        return f.variable("held:" + held.get(heldKey(rule, fromS, toS)));
    }

    /** Whether a formula can hold with these statements about time, and anything else. */
    private int possible(Formula formula, BitSet holds) {
        return weigh(formula, holds) == Tristate.FALSE ? 0 : 1;
    }

    private Tristate weigh(Formula formula, BitSet holds) {
        switch (formula.type()) {
            case TRUE:
                return Tristate.TRUE;
            case FALSE:
                return Tristate.FALSE;
            case LITERAL:
                Literal literal = (Literal) formula;
                if (!literal.name().startsWith("t:")) {
                    return Tristate.UNDEF;
                }
                boolean is = holds.get(Integer.parseInt(literal.name().substring(2)));
                return Tristate.fromBool(is == literal.phase());
            case AND:
            case OR:
                boolean and = formula.type() == org.logicng.formulas.FType.AND;
                Tristate all = Tristate.fromBool(and);
                for (Formula operand : formula) {
                    Tristate one = weigh(operand, holds);
                    if (one == Tristate.fromBool(!and)) {
                        return one;
                    }
                    if (one == Tristate.UNDEF) {
                        all = one;
                    }
                }
                return all;
            case NOT:
                return Tristate.negate(weigh(formula.iterator().next(), holds));
            default:
                return Tristate.UNDEF;
        }
    }

    /** Puts the year, the modes and the thresholds together; from here on it can be asked. */
    void seal() {
        times.merge();
        MiniSat sat = MiniSat.miniSat(f);
        List<List<Variable>> where = new ArrayList<>();
        for (int i = 0; i < times.atomCount() + held.size(); i++) {
            where.add(new ArrayList<>());
        }
        List<RuleTimes.Cell> cells = times.cells();
        for (int i = 0; i < cells.size(); i++) {
            Variable cell = f.variable("c:" + i);
            cellVariables.add(cell);
            BitSet holds = cells.get(i).holds();
            for (int a = holds.nextSetBit(0); a >= 0; a = holds.nextSetBit(a + 1)) {
                where.get(a).add(cell);
            }
        }
        sat.add(f.exo(cellVariables));
        List<Variable> stretches = new ArrayList<>();
        for (int i = 0; i < cells.size(); i++) {
            if (!cells.get(i).instant()) {
                stretches.add(cellVariables.get(i));
            }
        }
        sat.add(f.equivalence(betweenMoments(), f.or(stretches)));
        for (int a = 0; a < where.size(); a++) {
            Variable atom = a < times.atomCount() ? time(a) : f.variable("held:" + (a - times.atomCount()));
            sat.add(f.equivalence(atom, f.or(where.get(a))));
        }
        events.add(TIME);
        sat.add(f.exo(events.stream().map(e -> f.variable("e:" + e)).toList()));
        plan.state().modes().forEach((id, mode) -> {
            if (modes.contains(id)) {
                sat.add(f.exo(values(id, mode)));
            }
        });
        above.forEach((device, marks) -> order(sat, device));
        facts.forEach(sat::add);
        fires.forEach((id, formula) -> {
            Literal literal = f.variable("f:" + id);
            fired.put(id, literal);
            sat.add(f.equivalence(literal, formula));
        });
        solver = sat;
    }

    /** A number over one mark is over every lower one. */
    private void order(MiniSat sat, String device) {
        SortedMap<Double, Variable> over = Objects.requireNonNull(above.get(device));
        SortedMap<Double, Variable> from = Objects.requireNonNull(least.get(device));
        Variable lower = null;
        for (Double mark : over.keySet()) {
            Variable gt = Objects.requireNonNull(over.get(mark));
            Variable ge = Objects.requireNonNull(from.get(mark));
            sat.add(f.implication(gt, ge));
            if (lower != null) {
                sat.add(f.implication(ge, lower));
            }
            lower = gt;
        }
    }

    /** That it is no moment of a clock or of the sun that rules wait for. */
    Literal betweenMoments() {
        return f.variable("between");
    }

    /** A moment at which all of these hold, one between the moments of clocks where there is one; null where there is none. */
    @Nullable
    RuleTruth holds(Collection<? extends Literal> all) {
        ComputingBudget.step();
        MiniSat sat = Objects.requireNonNull(solver);
        if (sat.sat(all) != Tristate.TRUE) {
            return null;
        }
        Assignment any = sat.model();
        List<Literal> between = new ArrayList<>(all);
        between.add(betweenMoments());
        if (sat.sat(between) == Tristate.TRUE) {
            any = sat.model();
        }
        Set<String> holds = new HashSet<>();
        any.positiveVariables().forEach(v -> {
            if (!v.name().startsWith("c:") && !v.name().startsWith("@")) {
                holds.add(v.name());
            }
        });
        return new RuleTruth(cell(any).example(), Set.copyOf(holds));
    }

    Literal fired(String rule) {
        return Objects.requireNonNull(fired.get(rule));
    }

    /** A name for a formula that is made up after the rest. */
    Literal named(String name, Formula formula) {
        return named.computeIfAbsent(name, n -> {
            Literal literal = f.variable("n:" + n);
            Objects.requireNonNull(solver).add(f.equivalence(literal, formula));
            return literal;
        });
    }

    FormulaFactory factory() {
        return f;
    }

    // --- terms

    Formula term(Term t) {
        Formula is = switch (t.kind()) {
            case IS -> t.reading() == null ? f.verum() : reading(t.device(), t.reading());
            case VALUE ->
                f.and(
                        f.variable("k:" + t.device()),
                        t.above() == null ? f.verum() : over(t.device(), t.above()),
                        t.below() == null ? f.verum() : f.not(from(t.device(), t.below())));
            case BETWEEN, DARK -> time(times.atom(t));
            case MODE -> mode(t.mode(), t.value());
            case HOME -> f.variable("home");
            case HOLDS -> f.variable("h:" + t.rule());
        };
        return t.not() ? f.not(is) : is;
    }

    /** That it is within some of those quiet hours, whatever the season. */
    Formula quiet(Collection<QuietHours> hours) {
        return f.or(hours.stream().map(this::window).toList());
    }

    /** That it is within quiet hours, whatever the season. */
    Formula window(QuietHours q) {
        return time(times.atom(TermBuilder.builder()
                .kind(Term.Kind.BETWEEN)
                .from(q.from())
                .to(q.to())
                .days(q.days())
                .build()));
    }

    private Formula guard(Rule rule) {
        List<Formula> conditions = rule.onlyIf().stream().map(this::term).toList();
        Formula only = conditions.isEmpty() ? f.verum() : rule.any() ? f.or(conditions) : f.and(conditions);
        return f.and(only, f.not(f.or(rule.unless().stream().map(this::term).toList())));
    }

    private Variable time(int atom) {
        return timeAtoms.computeIfAbsent(atom, a -> f.variable("t:" + a));
    }

    private Literal reading(@Nullable String device, Reading reading) {
        return f.literal("d:" + device, reading == Reading.ACTIVE);
    }

    private Variable over(@Nullable String device, double mark) {
        mark(least, "ge", device, mark);
        return mark(above, "gt", device, mark);
    }

    private Variable from(@Nullable String device, double mark) {
        mark(above, "gt", device, mark);
        return mark(least, "ge", device, mark);
    }

    private Variable mark(
            Map<String, SortedMap<Double, Variable>> marks, String what, @Nullable String device, double mark) {
        return marks.computeIfAbsent(String.valueOf(device), d -> new TreeMap<>())
                .computeIfAbsent(mark, m -> f.variable(what + ":" + device + ":" + m));
    }

    private Formula mode(@Nullable String id, @Nullable String value) {
        Mode mode = id == null ? null : plan.state().modes().get(id);
        if (mode != null) {
            modes.add(id);
        }
        return mode == null || value == null || !mode.values().contains(value)
                ? f.falsum()
                : f.variable("m:" + id + ":" + mode.values().indexOf(value));
    }

    private List<Variable> values(String id, Mode mode) {
        List<Variable> all = new ArrayList<>();
        for (int i = 0; i < Math.max(1, mode.values().size()); i++) {
            all.add(f.variable("m:" + id + ":" + i));
        }
        return all;
    }

    // --- triggers

    private Variable event(String name, Formula... then) {
        events.add(name);
        Variable event = f.variable("e:" + name);
        for (Formula formula : then) {
            facts.add(f.implication(event, formula));
        }
        return event;
    }

    /** Names of the events that may meet a trigger, apart from those of modes and from clock and sun. */
    static List<String> events(Trigger t) {
        String device = String.valueOf(t.device());
        boolean lasts = t.forS() != null && t.forS() > 0;
        return switch (t.kind()) {
            case BECOMES ->
                Arrays.stream(t.reading() == null ? Reading.values() : new Reading[] {t.reading()})
                        .map(r -> (lasts ? "l:" + t.forS() + ":" : "d:") + device + ":" + r)
                        .toList();
            case VALUE ->
                List.of(lasts ? "lv:" + device + ":" + t.above() + ":" + t.below() + ":" + t.forS() : "v:" + device);
            case PRESSED ->
                Arrays.stream(t.press() == null ? Press.values() : new Press[] {t.press()})
                        .map(p -> "p:" + device + ":" + p)
                        .toList();
            case CODE -> List.of("c:" + device + ":" + (t.value() == null ? "" : t.value()));
            case SILENT -> t.forS() == null ? List.of() : List.of("s:" + device + ":" + t.forS());
            case POWER_RETURNS -> List.of("power");
            case ARRIVES -> List.of("arrives");
            case LEAVES -> List.of("leaves");
            case MODE ->
                MODE_VALUES.stream().map(i -> "m:" + t.mode() + ":" + i).toList();
            case CLOCK, SUN -> List.of();
        };
    }

    Formula trigger(Trigger t) {
        String device = String.valueOf(t.device());
        return switch (t.kind()) {
            case BECOMES -> becomes(device, t);
            case VALUE -> {
                Formula high = t.above() == null ? f.falsum() : over(device, t.above());
                Formula low = t.below() == null ? f.falsum() : f.not(from(device, t.below()));
                yield f.and(event(events(t).get(0), f.variable("k:" + device)), f.or(high, low));
            }
            case PRESSED -> f.or(events(t).stream().map(e -> (Formula) event(e)).toList());
            case CODE -> event(events(t).get(0));
            case CLOCK, SUN -> {
                int atom = times.atom(t);
                yield atom < 0 ? f.falsum() : f.and(event(TIME), time(atom));
            }
            case SILENT -> t.forS() == null ? f.falsum() : event(events(t).get(0));
            case POWER_RETURNS -> event("power");
            case MODE -> becomesMode(t);
            case ARRIVES -> event("arrives", f.variable("home"));
            case LEAVES -> event("leaves", f.not(f.variable("home")));
        };
    }

    private Formula becomes(String device, Trigger t) {
        List<Formula> any = new ArrayList<>();
        for (String name : events(t)) {
            any.add(event(name, reading(device, Reading.valueOf(name.substring(name.lastIndexOf(':') + 1)))));
        }
        return f.or(any);
    }

    private Formula becomesMode(Trigger t) {
        Mode mode = t.mode() == null ? null : plan.state().modes().get(t.mode());
        if (mode == null) {
            return f.falsum();
        }
        List<Formula> any = new ArrayList<>();
        for (String value : t.value() == null ? mode.values() : List.of(t.value())) {
            if (mode.values().contains(value)) {
                any.add(event("m:" + t.mode() + ":" + mode.values().indexOf(value), mode(t.mode(), value)));
            }
        }
        return f.or(any);
    }

    /** The moment of the cell of an answer. */
    private RuleTimes.Cell cell(Assignment answer) {
        for (int i = 0; i < cellVariables.size(); i++) {
            if (answer.evaluateLit(cellVariables.get(i))) {
                return times.cells().get(i);
            }
        }
        throw new IllegalStateException("an answer without a moment");
    }
}
