package org.skelto.core.rules;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.shredzone.commons.suncalc.SunTimes;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Sun;
import org.skelto.core.plan.site.GeoPoint;

/**
 * When the sun rises and sets at the house, by its own clock.
 *
 * <p>Source: the position of the sun by Montenbruck and Pfleger, "Astronomy on the Personal Computer", as carried out by
 * commons-suncalc; rising and setting are those of the upper rim with refraction. Good to about a minute.
 */
public final class Sky {
    /** Minutes of a day. */
    public static final int DAY_MIN = 1440;

    /** What is taken while nobody said where the house is. */
    private static final Day UNKNOWN = new Day(6 * 60, 18 * 60, false);

    /** The skies that were asked for last: many plans stand at one place, and a year of sun takes a while. */
    private static final Map<List<Object>, Sky> LATEST = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<List<Object>, Sky> eldest) {
            return size() > 16;
        }
    };

    private final @Nullable GeoPoint place;
    private final ZoneId zone;
    private final Map<LocalDate, Day> days = new ConcurrentHashMap<>();

    private Sky(@Nullable GeoPoint place, ZoneId zone) {
        this.place = place;
        this.zone = zone;
    }

    /**
     * The sun of a day.
     *
     * @param riseMin minute of the local clock, 0 to 1439, or null when it does not rise that day
     * @param setMin minute of the local clock, 0 to 1439, or null when it does not set that day
     * @param darkWithout whether it is down all day where it neither rises nor sets
     */
    public record Day(@Nullable Integer riseMin, @Nullable Integer setMin, boolean darkWithout) {
        /** Whether the sun is down at a minute of the local clock. */
        public boolean dark(int minute) {
            if (riseMin != null && setMin != null) {
                return riseMin <= setMin ? minute < riseMin || minute >= setMin : minute >= setMin && minute < riseMin;
            }
            if (riseMin != null) {
                return minute < riseMin;
            }
            return setMin == null ? darkWithout : minute >= setMin;
        }

        /** Minute of an event of the sun, or null where it does not happen. */
        public @Nullable Integer at(Sun sun) {
            return sun == Sun.RISES ? riseMin : setMin;
        }
    }

    /** The sun over a plan; without a place it rises at six and sets at eighteen. */
    public static Sky of(Plan plan) {
        GeoPoint place = plan.place();
        ZoneId zone = zone(plan);
        synchronized (LATEST) {
            return LATEST.computeIfAbsent(Arrays.asList(place, zone), k -> new Sky(place, zone));
        }
    }

    /** The sun over a plan; the one that was there before where it is the same. */
    public static Sky after(@Nullable Sky before, Plan plan) {
        return before != null && Objects.equals(before.place, plan.place()) && before.zone.equals(zone(plan))
                ? before
                : of(plan);
    }

    /** The zone of the plan's clocks: the one that was said, else the whole hour nearest to the sun at the place. */
    public static ZoneId zone(Plan plan) {
        String said = plan.state().zone();
        if (said != null) {
            try {
                return ZoneId.of(said);
            } catch (DateTimeException e) {
                // told where the plan is taken in; an old one goes on without
                return ZoneOffset.UTC;
            }
        }
        GeoPoint place = plan.place();
        return place == null ? ZoneOffset.UTC : ZoneOffset.ofHours((int) Math.round(place.longitudeDeg() / 15));
    }

    /** Whether it is known where the house is. */
    public boolean known() {
        return place != null;
    }

    /** The zone of its clocks. */
    public ZoneId zone() {
        return zone;
    }

    /** The sun of a day of the local calendar. */
    public Day day(LocalDate date) {
        return days.computeIfAbsent(date, this::reckoned);
    }

    private Day reckoned(LocalDate date) {
        if (place == null) {
            return UNKNOWN;
        }
        SunTimes times = SunTimes.compute()
                .on(date)
                .timezone(zone)
                .at(place.latitudeDeg(), place.longitudeDeg())
                .oneDay()
                .execute();
        return new Day(minute(times.getRise(), date), minute(times.getSet(), date), times.isAlwaysDown());
    }

    private static @Nullable Integer minute(@Nullable ZonedDateTime time, LocalDate date) {
        return time == null || !time.toLocalDate().equals(date)
                ? null
                : Integer.valueOf(time.getHour() * 60 + time.getMinute());
    }
}
