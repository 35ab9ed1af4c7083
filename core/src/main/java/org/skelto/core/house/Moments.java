package org.skelto.core.house;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.skelto.core.plan.Plan;
import org.skelto.core.work.ComputingBudget;

/** Tells an outage as a list of moments. */
final class Moments {
    /** More are not told: cells that end day after day in an outage of a year. */
    static final int MOST = 200;

    /** So many units are named in a sentence. */
    private static final int NAMED = 6;

    private final Plan plan;
    private final Outages outages;

    Moments(Plan plan, Outages outages) {
        this.plan = plan;
        this.outages = outages;
    }

    List<Moment> of(Outage outage) {
        PowerState end = outages.power(outage);
        Map<Double, List<String>> dark = new TreeMap<>();
        end.darkFrom().forEach((unit, h) -> {
            if (h < outage.horizonH()) {
                dark.computeIfAbsent(h, k -> new ArrayList<>()).add(unit);
            }
        });
        Set<Double> times = new TreeSet<>(dark.keySet());
        Map<Double, List<String>> nameless = new TreeMap<>();
        end.leaseEnds().forEach((unit, h) -> {
            Double darkFrom = end.darkFrom().get(unit);
            if (darkFrom == null || darkFrom > h) {
                nameless.computeIfAbsent(h, k -> new ArrayList<>()).add(unit);
                times.add(h);
            }
        });
        List<Moment> moments = new ArrayList<>();
        Map<String, DeviceState> before = outages.at(outage.at(0));
        for (double time : times) {
            ComputingBudget.step();
            double after = Math.nextUp(time);
            if (moments.size() == MOST || after > outage.horizonH()) {
                break;
            }
            Map<String, DeviceState> states = outages.at(outage.at(after));
            List<String> units = new ArrayList<>(dark.getOrDefault(time, List.of()));
            String words = words(units, end);
            List<String> lost = nameless.getOrDefault(time, List.of());
            if (!lost.isEmpty()) {
                words += (words.isEmpty() ? "" : "; ")
                        + names(lost)
                        + (lost.size() > 1 ? " lose their addresses" : " loses its address");
                units.addAll(lost);
            }
            moments.add(new Moment(time, outage.when(time), words, units, changes(before, states)));
            before = states;
        }
        return moments;
    }

    private String words(List<String> units, PowerState end) {
        List<String> own = units.stream().filter(end.emptyFrom()::containsKey).toList();
        List<String> fed =
                units.stream().filter(id -> !end.emptyFrom().containsKey(id)).toList();
        String ranOut = own.isEmpty() ? "" : names(own) + " ran out";
        String hangOn = fed.isEmpty() ? "" : names(fed) + (fed.size() > 1 ? " go dark" : " goes dark");
        return ranOut.isEmpty() || hangOn.isEmpty() ? ranOut + hangOn : ranOut + "; " + hangOn;
    }

    private String names(List<String> units) {
        String first = units.stream().limit(NAMED).map(this::name).collect(Collectors.joining(", "));
        return units.size() <= NAMED ? first : first + " and " + (units.size() - NAMED) + " more";
    }

    private String name(String unit) {
        return plan.units().get(unit).name();
    }

    private List<Moment.StateChange> changes(Map<String, DeviceState> before, Map<String, DeviceState> after) {
        List<Moment.StateChange> changes = new ArrayList<>();
        after.forEach((id, state) -> {
            State was = before.get(id).state();
            if (was != state.state()) {
                changes.add(new Moment.StateChange(
                        id, plan.devices().get(id).name(), was, state.state(), state.sentence()));
            }
        });
        return changes;
    }
}
