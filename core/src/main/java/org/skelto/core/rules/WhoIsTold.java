package org.skelto.core.rules;

import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Person;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.QuietHours;
import org.skelto.core.plan.rules.Reading;

/**
 * Who learns that a device takes a reading: by presence and time of day, as the interpreter carries the rules out.
 *
 * @param asked in words
 * @param cases somebody at home or not, by day and in quiet hours
 */
public record WhoIsTold(String asked, List<ToldCase> cases) {
    private static final int NOON = 12;
    private static final int LATE = 23;

    /** So long after it the answer is taken. */
    private static final int LATER_H = 2;

    /**
     * One case.
     *
     * @param when in words, such as "away, quiet"
     * @param sounds names of what sounds
     * @param people names of those who are told, or of the service where no person is named
     */
    public record ToldCase(String when, List<String> sounds, List<String> people) {}

    /** The table of a device of the plan. */
    public static WhoIsTold of(Plan plan, Sky sky, String device, LocalDate date) {
        Device d = Objects.requireNonNull(plan.devices().get(device));
        LiveRules live = LiveRules.of(plan);
        List<ToldCase> cases = new ArrayList<>();
        for (boolean home : new boolean[] {true, false}) {
            for (boolean quiet : new boolean[] {false, true}) {
                ZonedDateTime at =
                        date.atTime(quiet ? quietHour(plan) : NOON, 30).atZone(sky.zone());
                Interpreter house = new Interpreter(plan, live, sky, at.minusMinutes(5));
                if (home) {
                    house.happen(HouseEvent.plain(HouseEvent.Kind.ARRIVES));
                }
                house.until(at);
                int from = house.happened().size();
                house.happen(
                        d.kind() == DeviceKind.PUSH_BUTTON
                                ? HouseEvent.press(device, Press.SHORT)
                                : HouseEvent.reading(device, Reading.ACTIVE));
                house.until(at.plusHours(LATER_H));
                cases.add(told(
                        plan,
                        (home ? "home" : "away") + (quiet ? ", quiet" : ", day"),
                        house.happened().subList(from, house.happened().size())));
            }
        }
        return new WhoIsTold(d.name() + " " + ReadingWords.becomes(d.kind(), Reading.ACTIVE), cases);
    }

    private static int quietHour(Plan plan) {
        return plan.state().quiet().values().stream()
                .map(QuietHours::from)
                .mapToInt(from -> Interpreter.clockMinute(from) / 60 + 1)
                .map(hour -> hour % 24)
                .findFirst()
                .orElse(LATE);
    }

    private static ToldCase told(Plan plan, String when, List<Happening> happened) {
        Set<String> sounds = new TreeSet<>();
        Set<String> people = new TreeSet<>();
        for (Happening h : happened) {
            Action a = h.action();
            if (h.kind() != Happening.Kind.ACTED || a == null) {
                continue;
            }
            if (a.kind() == Action.Kind.TELL) {
                Person person =
                        a.person() == null ? null : plan.state().people().get(a.person());
                if (person != null) {
                    people.add(person.name());
                } else if (a.service() != null && plan.services().containsKey(a.service())) {
                    people.add(plan.services().get(a.service()).name());
                }
            } else if (h.device() != null && h.reading() == Reading.ACTIVE) {
                Device d = Objects.requireNonNull(plan.devices().get(h.device()));
                if (d.kind().family() == DeviceKind.Family.SOUNDER) {
                    sounds.add(d.name());
                }
            }
        }
        return new ToldCase(when, List.copyOf(sounds), List.copyOf(people));
    }
}
