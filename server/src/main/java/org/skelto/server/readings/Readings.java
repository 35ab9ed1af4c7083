package org.skelto.server.readings;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.skelto.core.calibration.Reading;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.figures.ReadingSource;
import org.skelto.server.people.Person;
import org.skelto.server.problems.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The readings of plans; all of a batch are stored or none. */
@Service
@Transactional
public class Readings implements ReadingSource {
    /** A plan may have so many. */
    public static final int MOST = 20_000;

    private static final double LEAST_DBM = -120;

    /** By time; what was read at once in an order of its own, so that an export is always the same. */
    private static final Comparator<Line> ORDER = Comparator.comparing(
                    (Line l) -> l.reading().at())
            .thenComparing(l -> l.reading().unit())
            .thenComparing(l -> l.reading().floor())
            .thenComparing(l -> l.reading().xM())
            .thenComparing(l -> l.reading().yM())
            .thenComparing(l -> l.reading().dbm());

    private final ReadingRepository repository;
    private final Clock clock = Clock.systemUTC();

    Readings(ReadingRepository repository) {
        this.repository = repository;
    }

    /** A stored reading with its id. */
    public record Line(UUID id, Reading reading) {}

    @Transactional(readOnly = true)
    public List<Line> of(UUID planId) {
        return repository.findByPlanIdAndDeletedAtIsNull(planId).stream()
                .map(r -> new Line(r.id, r.reading()))
                .sorted(ORDER)
                .toList();
    }

    /** Those whose floor and transmitter are in the plan still. */
    @Override
    @Transactional(readOnly = true)
    public long version(UUID planId) {
        return repository.version(planId);
    }

    @Override
    @Transactional(readOnly = true)
    public List<Reading> fitting(UUID planId, Plan plan) {
        return of(planId).stream()
                .map(Line::reading)
                .filter(r -> problem(r, plan, "") == null)
                .toList();
    }

    /** Stores a batch; a single one that is wrong is named and nothing is stored. */
    public void add(Person who, UUID planId, Plan plan, List<Reading> readings) {
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < readings.size() && problems.size() < 50; i++) {
            Problem problem = problem(readings.get(i), plan, "/" + i);
            if (problem != null) {
                problems.add(problem);
            }
        }
        if (!problems.isEmpty()) {
            throw Refusal.invalid("Not every reading can be taken. None was stored.", problems);
        }
        store(who, planId, readings);
    }

    @Transactional(readOnly = true)
    long count(UUID planId) {
        return repository.countByPlanIdAndDeletedAtIsNull(planId);
    }

    void purge(UUID planId) {
        repository.deleteByPlanId(planId);
    }

    /** Stores readings that came with an exported plan, whatever has become of their transmitters. */
    public void restore(Person who, UUID planId, List<Reading> readings) {
        store(who, planId, readings);
    }

    private void store(Person who, UUID planId, List<Reading> readings) {
        if (count(planId) + readings.size() > MOST) {
            throw Refusal.invalid(
                    "A plan may have at most " + MOST + " readings. None was stored.",
                    List.of(new Problem("", "too many readings")));
        }
        repository.saveAll(readings.stream()
                .map(r -> new ReadingEntity(who, planId, rounded(r)))
                .toList());
    }

    private static Reading rounded(Reading r) {
        return r.withAt(r.at().truncatedTo(ChronoUnit.MICROS));
    }

    public void delete(UUID planId, UUID id) {
        repository.findById(id).filter(r -> r.planId.equals(planId)).ifPresent(r -> r.deletedAt = now());
    }

    public int deleteAll(UUID planId) {
        return repository.deleteAll(planId, now());
    }

    /** Takes the newest deletion back. */
    public int undelete(UUID planId) {
        return repository.restore(planId);
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }

    /** What is wrong with a reading for a plan, or null. */
    static Problem problem(Reading r, Plan plan, String at) {
        if (r == null) {
            return new Problem(at, "is null");
        }
        if (r.floor() == null || !plan.floors().containsKey(r.floor())) {
            return new Problem(at + "/floor", "names a floor that is not in the plan");
        }
        Unit unit = r.unit() == null ? null : plan.units().get(r.unit());
        if (unit == null) {
            return new Problem(at + "/unit", "names a transmitter that is not in the plan");
        }
        if (r.medium() == null || !r.medium().radio() || unit.radio(r.medium()).isEmpty()) {
            return new Problem(at + "/medium", unit.name() + " has no radio of that kind");
        }
        if (unit.place() == null || unit.place().room() == null && unit.place().spot() == null) {
            return new Problem(at + "/unit", unit.name() + " has no place in the plan yet");
        }
        if (!(r.dbm() >= LEAST_DBM && r.dbm() <= 0)) {
            return new Problem(at + "/dbm", "must lie between −120 and 0 dBm, not " + r.dbm());
        }
        if (!(Math.abs(r.xM()) <= Limits.SITE_M && Math.abs(r.yM()) <= Limits.SITE_M)) {
            return new Problem(at + "/xM", "must lie on the site, in metres");
        }
        if (!(r.heightM() >= -10 && r.heightM() <= 100)) {
            return new Problem(at + "/heightM", "must lie between −10 and 100 m");
        }
        return r.at() == null ? new Problem(at + "/at", "is missing") : null;
    }
}
