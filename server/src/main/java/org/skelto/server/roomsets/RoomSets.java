package org.skelto.server.roomsets;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.skelto.core.commands.Command;
import org.skelto.core.commands.RoomSet;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.people.Person;
import org.skelto.server.plans.Plans;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Templates of rooms: the built-in ones, and those that a person kept. */
@Service
@Transactional
public class RoomSets {
    private static final int MOST = 200;
    private static final String BUILT_IN = "built-in:";

    private final RoomSetRepository repository;
    private final Plans plans;
    private final Clock clock = Clock.systemUTC();

    RoomSets(RoomSetRepository repository, Plans plans) {
        this.repository = repository;
        this.plans = plans;
    }

    /**
     * A template as a list shows it.
     *
     * @param own whether the person made it
     * @param things what is in it, in words
     */
    public record RoomTemplate(String id, String name, boolean own, String things) {}

    /** Templates, and the id of the one that suits each room in which nothing stands yet, by the room's id. */
    public record Templates(List<RoomTemplate> templates, Map<String, String> suggested) {}

    /** All templates for a plan: the person's own first. */
    @Transactional(readOnly = true)
    public Templates all(Plan like) {
        List<RoomTemplate> all = new ArrayList<>();
        repository
                .findAllByOrderByNameAscCreatedAtAsc()
                .forEach(s ->
                        all.add(new RoomTemplate(s.id.toString(), s.name, true, things(plans.stored(s.document)))));
        RoomSet.builtIn(like)
                .forEach((name, set) -> all.add(new RoomTemplate(BUILT_IN + name, name, false, things(set))));
        Map<String, String> suggested = new TreeMap<>(RoomSet.suggested(like));
        suggested.replaceAll((room, name) -> BUILT_IN + name);
        return new Templates(all, suggested);
    }

    /** A template by its id, or refused. */
    @Transactional(readOnly = true)
    public Plan of(String id, Plan like) {
        if (id != null && id.startsWith(BUILT_IN)) {
            Plan set = RoomSet.builtIn(like).get(id.substring(BUILT_IN.length()));
            if (set != null) {
                return set;
            }
        } else if (id != null) {
            try {
                return repository
                        .findById(UUID.fromString(id))
                        .map(s -> plans.stored(s.document))
                        .orElseThrow(RoomSets::none);
            } catch (IllegalArgumentException e) {
                throw none();
            }
        }
        throw none();
    }

    private static Refusal none() {
        return Refusal.of(HttpStatus.NOT_FOUND, "There is no such template.");
    }

    /** Keeps what stands in a room as a template. */
    RoomTemplate keep(Person who, Plan plan, String room, String name) {
        if (name == null || name.isBlank() || name.strip().length() > Limits.NAME_LENGTH) {
            throw Refusal.invalid(
                    "The template was not kept.",
                    List.of(new Problem("/name", "must have 1 to " + Limits.NAME_LENGTH + " characters")));
        }
        if (repository.count() >= MOST) {
            throw Refusal.of(HttpStatus.CONFLICT, "There are " + MOST + " templates already; remove one first.");
        }
        Plan set;
        try {
            set = plans.checked(RoomSet.of(plan, room, name.strip()));
        } catch (Command.Refused e) {
            throw Refusal.invalid("The template was not kept.", List.of(new Problem("/" + e.field(), e.getMessage())));
        }
        RoomSetEntity made = repository.save(new RoomSetEntity(
                who,
                UUID.randomUUID(),
                set.name(),
                plans.document(set),
                clock.instant().truncatedTo(ChronoUnit.MICROS)));
        return new RoomTemplate(made.id.toString(), made.name, true, things(set));
    }

    void remove(UUID id) {
        if (!repository.existsById(id)) {
            throw none();
        }
        repository.deleteById(id);
    }

    /** What is in a set: "2 lamps, blind, thermometer". */
    private static String things(Plan set) {
        Map<String, Integer> kinds = new TreeMap<>();
        set.devices().values().stream()
                .map(Device::kind)
                .map(Wording::of)
                .forEach(k -> kinds.merge(k, 1, Integer::sum));
        long boards =
                set.units().values().stream().filter(u -> !u.kind().alone()).count();
        List<String> words = kinds.entrySet().stream()
                .map(e -> e.getValue() == 1 ? e.getKey() : e.getValue() + " × " + e.getKey())
                .collect(Collectors.toCollection(ArrayList::new));
        if (boards > 0) {
            words.add(boards + (boards == 1 ? " unit" : " units"));
        }
        return String.join(", ", words);
    }
}
