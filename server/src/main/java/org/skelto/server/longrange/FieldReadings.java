package org.skelto.server.longrange;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.skelto.core.longrange.FieldTest.FieldReading;
import org.skelto.core.longrange.FieldTestFieldReadingBuilder;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.people.Person;
import org.skelto.server.plans.PlanAttachment;
import org.skelto.server.problems.Refusal;
import org.skelto.server.tables.TypedTable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The readings of field tests; all of a batch are stored or none. As CSV with a header: {@code distanceM} and
 * {@code dBm}, and if known {@code sender} (id or name of a unit at one end), {@code heightM}, {@code snrDb}, {@code at}
 * (ISO time) and {@code note}.
 */
@Service
@Transactional
public class FieldReadings implements PlanAttachment {
    private static final int MOST = 5000;
    private static final int LONGEST_NOTE = 200;
    private static final int LONGEST_ID = 64;
    private static final double MOST_M = 200_000;

    /** A reading as it is written at most, with every letter of its note escaped, bytes. */
    private static final long MOST_WRITTEN = 1600;

    private static final String[] HEAD = {"distanceM", "dBm", "snrDb", "heightM", "sender", "at", "note"};

    private static final Comparator<Kept> ORDER = Comparator.comparing(
                    (Kept k) -> k.reading().path())
            .thenComparing(k -> k.reading().at())
            .thenComparing(k -> k.reading().distanceM())
            .thenComparing(k -> k.reading().dbm());

    private final FieldReadingRepository repository;
    private final JsonMapper mapper;
    private final Clock clock = Clock.systemUTC();

    FieldReadings(FieldReadingRepository repository, JsonMapper mapper) {
        this.repository = repository;
        this.mapper = mapper;
    }

    /** A stored reading with its id. */
    record Kept(UUID id, FieldReading reading) {}

    @Transactional(readOnly = true)
    List<Kept> of(UUID plan, String path) {
        return repository.findByPlanIdAndPath(plan, path).stream()
                .map(e -> new Kept(e.id, e.reading()))
                .sorted(ORDER)
                .toList();
    }

    /** Stores readings of a path; a single one that is wrong is named and nothing is stored. */
    void add(Person who, UUID planId, Plan plan, String path, List<FieldReading> readings) {
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < readings.size() && problems.size() < 20; i++) {
            Problem problem = problem(readings.get(i), plan, path, "/" + i);
            if (problem != null) {
                problems.add(problem);
            }
        }
        if (!problems.isEmpty()) {
            throw Refusal.invalid("Not every reading can be taken. None was stored.", problems);
        }
        store(who, planId, readings);
    }

    private void store(Person who, UUID planId, List<FieldReading> readings) {
        if (repository.countByPlanId(planId) + readings.size() > MOST) {
            throw Refusal.invalid(
                    "A plan may have at most " + MOST + " readings of field tests. None was stored.",
                    List.of(new Problem("", "too many readings")));
        }
        repository.saveAll(readings.stream()
                .map(r -> new FieldReadingEntity(who, planId, r))
                .toList());
    }

    void delete(UUID planId, UUID id) {
        repository.findById(id).filter(r -> r.planId.equals(planId)).ifPresent(repository::delete);
    }

    private static Problem problem(FieldReading r, Plan plan, String path, String at) {
        if (r == null) {
            return new Problem(at, "is null");
        }
        RadioPath p = plan.paths().get(path);
        if (!path.equals(r.path())) {
            return new Problem(at + "/path", "is not the path that it was sent to");
        }
        if (!p.from().equals(r.sender()) && !p.to().equals(r.sender())) {
            return new Problem(at + "/sender", "is not at an end of the path");
        }
        return numbers(r, p.profile().get(p.profile().size() - 1).distanceM(), at);
    }

    private static Problem numbers(FieldReading r, double length, String at) {
        if (!(r.distanceM() >= 0 && r.distanceM() <= length)) {
            return new Problem(at + "/distanceM", "must lie between 0 and " + Math.round(length) + " m, on the path");
        }
        if (!(r.dbm() >= -160 && r.dbm() <= 0)) {
            return new Problem(at + "/dbm", "must lie between −160 and 0 dBm");
        }
        if (r.snrDb() != null && !(Math.abs(r.snrDb()) <= 40)) {
            return new Problem(at + "/snrDb", "must lie between −40 and 40 dB");
        }
        if (r.heightM() != null && !(r.heightM() >= 0.1 && r.heightM() <= 100)) {
            return new Problem(at + "/heightM", "must lie between 0.1 and 100 m");
        }
        if (r.note() != null && r.note().length() > LONGEST_NOTE) {
            return new Problem(at + "/note", "is longer than " + LONGEST_NOTE + " characters");
        }
        return r.at() == null ? new Problem(at + "/at", "is missing") : null;
    }

    /** Reads a pasted table; every line that cannot be read is named. */
    List<FieldReading> read(String text, Plan plan, String path) {
        Instant now = clock.instant();
        return TypedTable.read(
                text,
                MOST,
                "distanceM, dBm",
                names -> {
                    if (!names.containsAll(List.of("distanceM", "dBm"))) {
                        throw TypedTable.refusal("/line 1", "must name the columns distanceM and dBm");
                    }
                },
                line -> reading(line, plan, path, now));
    }

    private static FieldReading reading(TypedTable.Line line, Plan plan, String path, Instant now) {
        Double distance = line.number("distanceM");
        Double height = line.number("heightM", null);
        Double dbm = line.number("dBm");
        Double snr = line.number("snrDb", null);
        Instant at = line.time("at", now);
        if (distance == null || dbm == null || at == null) {
            return null;
        }
        String note = line.words("note");
        FieldReading reading = FieldTestFieldReadingBuilder.builder()
                .path(path)
                .sender(sender(line.cell("sender"), plan, plan.paths().get(path)))
                .distanceM(distance)
                .heightM(height)
                .dbm(dbm)
                .snrDb(snr)
                .at(at)
                .note(note.isEmpty() ? null : note)
                .build();
        Problem problem = problem(reading, plan, path, "");
        return problem == null ? reading : line.wrong(problem.pointer().substring(1) + " " + problem.message());
    }

    private static String sender(String said, Plan plan, RadioPath path) {
        return said.isEmpty()
                ? path.from()
                : plan.units().entrySet().stream()
                        .filter(e ->
                                e.getKey().equals(said) || e.getValue().name().equalsIgnoreCase(said))
                        .map(Map.Entry<String, Unit>::getKey)
                        .findFirst()
                        .orElse(said);
    }

    static String write(List<Kept> all) {
        return TypedTable.write(
                HEAD,
                all.stream()
                        .map(Kept::reading)
                        .map(r -> new Object[] {
                            r.distanceM(), r.dbm(), r.snrDb(), r.heightM(), r.sender(), r.at(), r.note()
                        })
                        .toList());
    }

    @Override
    public String property() {
        return "fieldReadings";
    }

    @Override
    public JsonNode schema(Function<Class<?>, JsonNode> records) {
        return PlanAttachment.list(records.apply(FieldReading.class), MOST);
    }

    @Override
    public JsonNode export(UUID plan) {
        List<FieldReading> all = repository.findByPlanId(plan).stream()
                .map(e -> new Kept(e.id, e.reading()))
                .sorted(ORDER)
                .map(Kept::reading)
                .toList();
        return all.isEmpty() ? null : mapper.valueToTree(all);
    }

    @Override
    @Transactional(readOnly = true)
    public long size(UUID plan) {
        return MOST_WRITTEN * repository.countByPlanId(plan);
    }

    @Override
    public void purge(UUID plan) {
        repository.deleteByPlanId(plan);
    }

    @Override
    @Transactional(propagation = Propagation.SUPPORTS)
    public BiConsumer<Person, UUID> prepare(JsonNode content) {
        FieldReading[] all;
        try {
            all = mapper.treeToValue(content, FieldReading[].class);
        } catch (JacksonException e) {
            Problem problem = org.skelto.server.problems.Reading.problem(e);
            throw carried(problem.pointer(), problem.message());
        }
        for (int i = 0; i < all.length; i++) {
            FieldReading r = all[i];
            boolean named = r != null
                    && r.path() != null
                    && r.path().length() <= LONGEST_ID
                    && r.sender() != null
                    && r.sender().length() <= LONGEST_ID;
            Problem problem = named ? numbers(r, MOST_M, "/" + i) : new Problem("/" + i, "is not a reading");
            if (problem != null) {
                throw carried(problem.pointer(), problem.message());
            }
        }
        List<FieldReading> sound = List.of(all);
        return (who, plan) -> store(who, plan, sound);
    }

    private static Refusal carried(String place, String message) {
        return Refusal.invalid(
                "The readings of field tests in this file cannot be taken. Nothing was changed.",
                List.of(new Problem("/fieldReadings" + place, message)));
    }
}
