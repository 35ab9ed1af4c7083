package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.skelto.core.naming.Told;
import org.skelto.core.naming.Traffic;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Person;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.quantity.Figure;
import org.skelto.core.work.ComputingBudget;

/**
 * How many messages a month rules send to people.
 *
 * @param rules that tell somebody, the most talkative first
 * @param services messages by service, by id
 * @param people messages by person, by id
 * @param heard ids of the devices of which a rule tells
 */
public record RuleMessages(
        List<RuleTells> rules, Map<String, Double> services, Map<String, Double> people, Set<String> heard) {
    private static final double DAY_S = 86_400;
    private static final int DAY_MIN = 1440;
    private static final int WEEK = 7;

    /** Of what happens at a sensor, so much lasts long enough to be told. */
    private static final double LASTS = 0.1;

    /** Sensors fall silent so often in a month, and the mains comes back. */
    private static final double SELDOM = 0.5;

    /** People come home, go, change a mode or type a code so often in a day. */
    private static final double BY_PEOPLE = 2;

    /**
     * How often a rule tells people.
     *
     * @param said whether a person said how often it fires; else it is an estimate
     * @param timesMonth that it fires
     * @param messages that it sends in a month
     */
    @RecordBuilder
    public record RuleTells(String rule, String name, boolean said, double timesMonth, double messages, Figure figure)
            implements RuleMessagesRuleTellsBuilder.With {}

    /** Those of a plan. */
    public static RuleMessages of(Plan plan) {
        List<RuleTells> all = new ArrayList<>();
        Map<String, Double> services = new TreeMap<>();
        Map<String, Double> people = new TreeMap<>();
        Set<String> heard = new TreeSet<>();
        LiveRules.of(plan).rules().forEach((id, rule) -> {
            ComputingBudget.step();
            double fires = timesMonth(plan, rule);
            int each = 0;
            for (Action a : rule.then()) {
                if (a.kind() != Action.Kind.TELL) {
                    continue;
                }
                Person person =
                        a.person() == null ? null : plan.state().people().get(a.person());
                Set<String> by =
                        person != null ? person.services() : a.service() == null ? Set.of() : Set.of(a.service());
                for (String service : by) {
                    if (plan.services().containsKey(service)) {
                        each++;
                        services.merge(service, fires, Double::sum);
                        if (person != null) {
                            people.merge(String.valueOf(a.person()), fires, Double::sum);
                        }
                    }
                }
            }
            if (each > 0) {
                rule.when().stream().map(Trigger::device).filter(d -> d != null).forEach(heard::add);
                all.add(RuleMessagesRuleTellsBuilder.builder()
                        .rule(id)
                        .name(rule.name())
                        .said(rule.timesMonth() != null)
                        .timesMonth(fires)
                        .messages(fires * each)
                        .figure(Figure.of(
                                "times a month × messages each time",
                                rule.timesMonth() != null
                                        ? "how often it fires was said by a person"
                                        : "how often it fires is an estimate of ours, docs/calculations.md",
                                rule.timesMonth() != null,
                                "times a month",
                                String.valueOf(Math.round(fires * 10) / 10.0),
                                "messages each time",
                                String.valueOf(each)))
                        .build());
            }
        });
        all.sort(Comparator.comparingDouble(RuleTells::messages).reversed().thenComparing(RuleTells::rule));
        return new RuleMessages(List.copyOf(all), services, people, heard);
    }

    /** What accounts of outside services need to know of it. */
    public Told told() {
        return new Told(services, heard);
    }

    /** How often a rule fires in a month: as a person said, or an estimate from what sets it off and what must be so. */
    static double timesMonth(Plan plan, Rule rule) {
        if (rule.timesMonth() != null) {
            return rule.timesMonth();
        }
        double month = rule.when().stream().mapToDouble(t -> aMonth(plan, t)).sum();
        Stream<Double> shares = rule.onlyIf().stream().map(RuleMessages::share);
        double share = rule.onlyIf().isEmpty()
                ? 1
                : rule.any() ? shares.max(Double::compare).orElse(1.0) : shares.reduce(1.0, (a, b) -> a * b);
        double most = rule.restS() == null || rule.restS() == 0
                ? Double.MAX_VALUE
                : Traffic.MONTH_DAYS * DAY_S / rule.restS();
        return Math.min(most, month * share);
    }

    private static double aMonth(Plan plan, Trigger t) {
        Device d = t.device() == null ? null : plan.devices().get(t.device());
        double events = d == null ? 0 : Traffic.MONTH_DAYS * Traffic.eventsADay(d.kind());
        boolean lasts = t.forS() != null && t.forS() > 0;
        return switch (t.kind()) {
            case BECOMES -> (t.reading() == null ? events : events / 2) * (lasts ? LASTS : 1);
            case VALUE -> Traffic.MONTH_DAYS * (lasts ? LASTS : 1);
            case PRESSED -> events / 2;
            case CLOCK, SUN -> Traffic.MONTH_DAYS;
            case SILENT, POWER_RETURNS -> SELDOM;
            case CODE, MODE, ARRIVES, LEAVES -> Traffic.MONTH_DAYS * BY_PEOPLE;
        };
    }

    /** For what share of the time a condition may hold: a window by its hours and days, all else half. */
    private static double share(Term t) {
        if (t.kind() != Term.Kind.BETWEEN) {
            return 0.5;
        }
        double days = t.days().isEmpty() ? 1 : (double) t.days().size() / WEEK;
        double hours = 1;
        if (t.from() != null && t.to() != null) {
            int from = Interpreter.clockMinute(t.from());
            int to = Interpreter.clockMinute(t.to());
            hours = (double) Math.floorMod(to - from, DAY_MIN) / DAY_MIN;
        }
        double share = days * hours;
        return t.not() ? 1 - share : share;
    }
}
