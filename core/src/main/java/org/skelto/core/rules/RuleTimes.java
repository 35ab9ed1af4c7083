package org.skelto.core.rules;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.ToIntFunction;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.rules.Sun;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.work.ComputingBudget;

/**
 * All moments that rules can tell apart, merged: the hours of windows, the moments of clocks, the sun of the days of a year.
 *
 * <p>The days of a year are merged where clock and sun follow each other in the same order; each order is gone through for
 * all days of the week. What is left are cells: sets of statements about time that hold together at some moment of some
 * day, with one such moment each. An instant of a clock or of the sun is a cell of its own.
 */
final class RuleTimes {
    /** A leap year that is looked at; its days stand for those of every year. */
    static final int YEAR = 2028;

    private static final int WEEK_MIN = 7 * Sky.DAY_MIN;
    private static final int MINUTE_S = 60;
    private final Sky sky;
    private final Map<Atom, Integer> atoms = new LinkedHashMap<>();
    private final List<Held> held = new ArrayList<>();
    private final Set<BitSet> known = new HashSet<>();
    private final List<Cell> cells = new ArrayList<>();

    /** A statement about time. */
    sealed interface Atom {}

    /** The clock and the day of the week lie in a window. */
    record Window(@Nullable String from, @Nullable String to, SortedSet<DayOfWeek> days) implements Atom {}

    /** The sun is down. */
    record Dark() implements Atom {}

    /** It is this very minute of the clock. */
    record Clock(int minute) implements Atom {}

    /** It is so many minutes after an event of the sun. */
    record SunEvent(Sun sun, int offsetMin) implements Atom {}

    /** A moment at which a rule may have been set off lies at most so many seconds back. */
    record Held(String rule, int fromS, int toS, ToIntFunction<BitSet> possible) {}

    /**
     * Statements that hold together.
     *
     * @param holds numbers of the atoms, then those of the held ones
     * @param instant whether it is a moment of a clock or of the sun; else a stretch after one
     */
    record Cell(BitSet holds, LocalDateTime example, boolean instant) {}

    RuleTimes(Sky sky) {
        this.sky = sky;
    }

    /** Number of the statement that a term about time makes. */
    int atom(Term t) {
        return number(
                t.kind() == Term.Kind.DARK
                        ? new Dark()
                        : new Window(t.from() == null || t.to() == null ? null : t.from(), t.to(), t.days()));
    }

    /** Number of the statement that a trigger of clock or sun makes, or −1 for one without a time. */
    int atom(Trigger t) {
        if (t.kind() == Trigger.Kind.CLOCK) {
            return t.clock() == null ? -1 : number(new Clock(Interpreter.clockMinute(t.clock())));
        }
        return number(new SunEvent(t.sun() == null ? Sun.SETS : t.sun(), t.offsetMin() == null ? 0 : t.offsetMin()));
    }

    private int number(Atom atom) {
        return atoms.computeIfAbsent(atom, a -> atoms.size());
    }

    /**
     * Number, from 0, of the statement that a rule may have been set off lately. Asked for when all atoms are numbered.
     *
     * @param possible whether it may be, 1 or 0, with the atoms that hold
     */
    int held(String rule, int fromS, int toS, ToIntFunction<BitSet> possible) {
        held.add(new Held(rule, fromS, toS, possible));
        return held.size() - 1;
    }

    int atomCount() {
        return atoms.size();
    }

    List<Cell> cells() {
        return cells;
    }

    /** Goes through the year. */
    void merge() {
        boolean byDays = atoms.keySet().stream()
                .anyMatch(a -> a instanceof Window w && !w.days().isEmpty());
        boolean bySun = atoms.keySet().stream().anyMatch(a -> a instanceof Dark || a instanceof SunEvent);
        Map<List<Integer>, LocalDate> orders = new LinkedHashMap<>();
        LocalDate date = LocalDate.of(YEAR, 1, 1);
        for (int i = 0; i < (bySun ? 366 : 1); i++, date = date.plusDays(1)) {
            orders.putIfAbsent(order(date), date);
        }
        orders.values().forEach(d -> week(d, byDays));
    }

    /** In which order the clocks and the sun of a day follow each other. */
    private List<Integer> order(LocalDate date) {
        TreeSet<Integer> clocks = new TreeSet<>();
        clocks.add(0);
        atoms.keySet().forEach(a -> {
            if (a instanceof Clock c) {
                clocks.add(c.minute());
            } else if (a instanceof Window w && w.from() != null && w.to() != null) {
                clocks.add(Interpreter.clockMinute(w.from()));
                clocks.add(Interpreter.clockMinute(w.to()));
            }
        });
        List<Integer> order = new ArrayList<>();
        List<Integer> marks = List.copyOf(clocks);
        for (int minute : suns(date)) {
            int at = java.util.Collections.binarySearch(marks, minute);
            order.add(at >= 0 ? 2 * at : 2 * (-at - 2) + 1);
        }
        // which of the sun's own moments fall together matters as well
        List<Integer> suns = suns(date);
        for (int i = 0; i < suns.size(); i++) {
            for (int j = 0; j < i; j++) {
                order.add(Integer.compare(suns.get(i), suns.get(j)));
            }
        }
        return order;
    }

    /** Minutes of rising, setting and each moment of the sun that rules wait for; −1 for what does not happen that day. */
    private List<Integer> suns(LocalDate date) {
        Sky.Day day = sky.day(date);
        List<Integer> all = new ArrayList<>();
        all.add(day.riseMin() == null ? -1 : day.riseMin());
        all.add(day.setMin() == null ? -1 : day.setMin());
        all.add(day.darkWithout() ? 0 : -1);
        atoms.keySet().forEach(a -> {
            if (a instanceof SunEvent s) {
                all.add(minute(date, s));
            }
        });
        return all;
    }

    /** Minute of the day at which a moment of the sun falls, that of the day before or after too; −1 for none. */
    private int minute(LocalDate date, SunEvent s) {
        for (int shift = -1; shift <= 1; shift++) {
            Integer at = sky.day(date.plusDays(shift)).at(s.sun());
            int minute = at == null ? -1 : at + s.offsetMin() + shift * Sky.DAY_MIN;
            if (minute >= 0 && minute < Sky.DAY_MIN) {
                return minute;
            }
        }
        return -1;
    }

    private void week(LocalDate date, boolean byDays) {
        ComputingBudget.step();
        TreeSet<Integer> cuts = new TreeSet<>();
        cuts.add(0);
        Sky.Day sun = sky.day(date);
        atoms.keySet().forEach(a -> {
            if (a instanceof Clock c) {
                cuts.add(c.minute());
            } else if (a instanceof Window w && w.from() != null && w.to() != null) {
                cuts.add(Interpreter.clockMinute(w.from()));
                cuts.add(Interpreter.clockMinute(w.to()));
            } else if (a instanceof SunEvent s) {
                cuts.add(minute(date, s));
            } else if (a instanceof Dark) {
                cuts.add(sun.riseMin() == null ? -1 : sun.riseMin());
                cuts.add(sun.setMin() == null ? -1 : sun.setMin());
            }
        });
        cuts.remove(-1);
        List<Integer> starts = new ArrayList<>();
        List<BitSet> line = new ArrayList<>();
        List<LocalDateTime> examples = new ArrayList<>();
        List<Integer> marks = List.copyOf(cuts);
        for (int d = 0; d < (byDays ? 7 : 1); d++) {
            LocalDate example = byDays ? dayOn(date, DayOfWeek.of(d + 1)) : date;
            for (int i = 0; i < marks.size(); i++) {
                int minute = marks.get(i);
                int end = i + 1 < marks.size() ? marks.get(i + 1) : Sky.DAY_MIN;
                for (boolean instant : new boolean[] {true, false}) {
                    BitSet holds = new BitSet(atoms.size() + held.size());
                    fill(holds, date, byDays ? DayOfWeek.of(d + 1) : date.getDayOfWeek(), minute, instant);
                    starts.add(d * Sky.DAY_MIN + minute);
                    line.add(holds);
                    LocalDateTime at = example.atTime(minute / MINUTE_S, minute % MINUTE_S);
                    examples.add(instant ? at : at.plusSeconds((end - minute) * MINUTE_S / 2));
                }
            }
        }
        if (!held.isEmpty()) {
            dilate(starts, line, byDays ? WEEK_MIN : Sky.DAY_MIN);
        }
        for (int i = 0; i < line.size(); i++) {
            BitSet holds = line.get(i);
            if (known.add(holds)) {
                cells.add(new Cell(holds, examples.get(i), i % 2 == 0));
            }
        }
    }

    /** Marks for each stretch whether one in which a rule may have been set off lies near enough before it. */
    private void dilate(List<Integer> starts, List<BitSet> line, int cycleMin) {
        int n = line.size();
        for (int h = 0; h < held.size(); h++) {
            Held rule = held.get(h);
            boolean[] marked = new boolean[n];
            for (int i = 0; i < n; i++) {
                if (rule.possible().applyAsInt(line.get(i)) == 0) {
                    continue;
                }
                boolean instant = i % 2 == 0;
                long begins = starts.get(i) * (long) MINUTE_S;
                long ends = instant ? begins : end(starts, i, cycleMin) * (long) MINUTE_S;
                long from = begins + rule.fromS();
                long to = ends + rule.toS();
                for (int j = 0; j < n; j++) {
                    if (marked[j]) {
                        continue;
                    }
                    long first = starts.get(j) * (long) MINUTE_S;
                    long last = j % 2 == 0 ? first : end(starts, j, cycleMin) * (long) MINUTE_S;
                    marked[j] = meets(first, last, from, to, cycleMin * (long) MINUTE_S);
                }
            }
            for (int i = 0; i < n; i++) {
                if (marked[i]) {
                    line.get(i).set(atoms.size() + h);
                }
            }
        }
    }

    private static boolean meets(long first, long last, long from, long to, long cycle) {
        if (to - from >= cycle) {
            return true;
        }
        for (long shift = -cycle; shift <= 2 * cycle; shift += cycle) {
            if (first + shift <= to && last + shift >= from) {
                return true;
            }
        }
        return to > 2 * cycle;
    }

    private static int end(List<Integer> starts, int stretch, int cycleMin) {
        return stretch + 1 < starts.size() ? starts.get(stretch + 1) : cycleMin;
    }

    private void fill(BitSet holds, LocalDate date, DayOfWeek day, int minute, boolean instant) {
        for (Map.Entry<Atom, Integer> e : atoms.entrySet()) {
            boolean is = holds(e.getKey(), date, day, minute, instant);
            if (is) {
                holds.set(e.getValue());
            }
        }
    }

    private boolean holds(Atom atom, LocalDate date, DayOfWeek day, int minute, boolean instant) {
        if (atom instanceof Window w) {
            return Interpreter.within(w.from(), w.to(), w.days(), day, minute);
        }
        if (atom instanceof Clock c) {
            return instant && c.minute() == minute;
        }
        return atom instanceof SunEvent s
                ? instant && minute(date, s) == minute
                : sky.day(date).dark(minute);
    }

    /** A day near another one on which clock and sun follow each other likewise, else that day in some year. */
    private LocalDate dayOn(LocalDate date, DayOfWeek day) {
        for (int shift : new int[] {0, 1, -1, 2, -2, 3, -3}) {
            LocalDate near = date.plusDays(shift);
            if (near.getDayOfWeek() == day && order(near).equals(order(date))) {
                return near;
            }
        }
        return dateOn(date, day);
    }

    /** The day of some year nearest to a day of the year that falls on a day of the week. */
    private static LocalDate dateOn(LocalDate date, DayOfWeek day) {
        for (int year = 0; year < 12; year++) {
            if (date.getMonthValue() == 2 && date.getDayOfMonth() == 29) {
                break;
            }
            LocalDate other = date.plusYears(year - 1);
            if (other.getDayOfWeek() == day) {
                return other;
            }
        }
        return date.plusDays(day.getValue() - date.getDayOfWeek().getValue());
    }
}
