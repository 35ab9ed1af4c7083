package org.skelto.server.rules;

import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.DateStart;
import biweekly.util.Duration;
import biweekly.util.Frequency;
import biweekly.util.ICalDate;
import biweekly.util.Recurrence;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Date;
import java.util.EnumSet;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Sun;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.rules.RuleSentence;
import org.skelto.core.rules.Sky;

/**
 * What clock and sun set off, as iCalendar (RFC 5545): a clock as an event that comes again, the sun of four weeks as single ones. Times are
 * those of the clock of the house, without a zone.
 */
final class RuleCalendar {
    private static final int SUN_DAYS = 28;
    private final Plan plan;
    private final Sky sky;
    private final LocalDate from;
    private final String planId;
    private final ICalendar calendar = new ICalendar();

    private RuleCalendar(Plan plan, String planId, Sky sky, LocalDate from) {
        this.plan = plan;
        this.planId = planId;
        this.sky = sky;
        this.from = from;
        calendar.setProductId("-//Skelto//Rules//EN");
    }

    /** The calendar of a plan from a day on. */
    static String of(Plan plan, String planId, Sky sky, LocalDate from) {
        RuleCalendar made = new RuleCalendar(plan, planId, sky, from);
        plan.rules().forEach((id, rule) -> {
            if (!rule.off()) {
                made.rule(id, rule);
            }
        });
        return made.calendar.write();
    }

    private void rule(String id, Rule rule) {
        Set<DayOfWeek> days = EnumSet.allOf(DayOfWeek.class);
        for (Term t : rule.onlyIf()) {
            if (t.kind() == Term.Kind.BETWEEN
                    && !t.not()
                    && !rule.any()
                    && !t.days().isEmpty()) {
                days.retainAll(t.days());
            }
        }
        if (days.isEmpty()) {
            return;
        }
        for (int i = 0; i < rule.when().size(); i++) {
            Trigger t = rule.when().get(i);
            if (t.kind() == Trigger.Kind.CLOCK && t.clock() != null) {
                clock(id, rule, i, LocalTime.parse(t.clock()), days);
            } else if (t.kind() == Trigger.Kind.SUN) {
                sun(id, rule, i, t, days);
            }
        }
    }

    private void clock(String id, Rule rule, int trigger, LocalTime at, Set<DayOfWeek> days) {
        LocalDate first = from;
        while (!days.contains(first.getDayOfWeek())) {
            first = first.plusDays(1);
        }
        Recurrence.Builder again = new Recurrence.Builder(days.size() == 7 ? Frequency.DAILY : Frequency.WEEKLY);
        if (days.size() < 7) {
            days.forEach(d -> again.byDay(biweekly.util.DayOfWeek.valueOf(d.name())));
        }
        VEvent event = event(id, rule, id + "-" + trigger, first.atTime(at));
        event.setRecurrenceRule(again.build());
        calendar.addEvent(event);
    }

    private void sun(String id, Rule rule, int trigger, Trigger t, Set<DayOfWeek> days) {
        for (int d = 0; d < SUN_DAYS; d++) {
            LocalDate date = from.plusDays(d);
            Integer minute = sky.day(date).at(Objects.requireNonNullElse(t.sun(), Sun.SETS));
            if (minute != null && days.contains(date.getDayOfWeek())) {
                LocalDateTime at =
                        date.atStartOfDay().plusMinutes(minute + (t.offsetMin() == null ? 0L : t.offsetMin()));
                calendar.addEvent(event(id, rule, id + "-" + trigger + "-" + date, at));
            }
        }
    }

    private VEvent event(String id, Rule rule, String name, LocalDateTime at) {
        VEvent event = new VEvent();
        event.setUid(name + "@" + planId + ".skelto");
        event.setSummary(rule.name());
        event.setDescription(RuleSentence.of(plan, id, rule).text());
        // a time without a zone: what is written is what the clock of the house shows
        DateStart start = event.setDateStart(
                new ICalDate(Date.from(at.atZone(ZoneId.systemDefault()).toInstant()), true));
        calendar.getTimezoneInfo().setFloating(start, true);
        Integer holds = holds(rule);
        if (holds != null) {
            event.setDuration(Duration.builder().seconds(holds).build());
        }
        return event;
    }

    /** For how long what it switches is on, the longest. */
    private static @Nullable Integer holds(Rule rule) {
        return rule.then().stream()
                .filter(a -> a.kind() != Action.Kind.WAIT)
                .map(Action::forS)
                .filter(Objects::nonNull)
                .max(Integer::compare)
                .orElse(null);
    }
}
