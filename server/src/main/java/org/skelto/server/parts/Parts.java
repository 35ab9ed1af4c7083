package org.skelto.server.parts;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartFile;
import org.skelto.core.parts.PartsUsed;
import org.skelto.core.parts.PriceFile;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.figures.CatalogueSource;
import org.skelto.server.people.Person;
import org.skelto.server.plans.PlanAttachment;
import org.skelto.server.plans.Plans;
import org.skelto.server.problems.Reading;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The built-in parts with the person's own before them; own ones that a plan uses travel with it. */
@Service
@Transactional
class Parts implements CatalogueSource, PlanAttachment {
    private final PartRepository repository;
    private final Plans plans;
    private final JsonMapper mapper;
    private final Clock clock = Clock.systemUTC();
    private volatile Known known = new Known(new Age(0, null), Catalogue.builtIn());

    /** A catalogue, and the age of the own parts in it. */
    private record Known(Age age, Catalogue catalogue) {}

    Parts(PartRepository repository, Plans plans, JsonMapper mapper) {
        this.repository = repository;
        this.plans = plans;
        this.mapper = mapper;
    }

    @Override
    @Transactional(readOnly = true)
    public Catalogue catalogue() {
        Age age = repository.age();
        Known now = known;
        if (!now.age.equals(age)) {
            now = new Known(age, Catalogue.builtIn().with(own()));
            known = now;
        }
        return now.catalogue;
    }

    /** The person's own parts. */
    @Transactional(readOnly = true)
    List<Part> own() {
        return repository.findAllByOrderById().stream()
                .map(p -> mapper.readValue(p.document, Part.class))
                .toList();
    }

    /** Takes in a list: parts of known ids are replaced, others added; all of it or nothing. */
    int add(Person who, String csv) {
        List<Part> parts;
        try {
            parts = PartFile.read(csv);
        } catch (PartFile.Unreadable e) {
            throw Refusal.invalid("The list of parts cannot be read. Nothing was changed.", e.problems());
        }
        bounded(parts);
        store(who, parts);
        return parts.size();
    }

    /** Takes in prices: parts of the catalogue with them become one's own. */
    int price(Person who, String csv) {
        List<Part> parts;
        try {
            parts = PriceFile.read(csv, catalogue());
        } catch (PartFile.Unreadable e) {
            throw Refusal.invalid("The prices cannot be read. Nothing was changed.", e.problems());
        }
        bounded(parts);
        store(who, parts);
        return parts.size();
    }

    private void bounded(List<Part> parts) {
        Set<String> ids = new TreeSet<>();
        parts.forEach(p -> ids.add(p.id()));
        repository.findAllByOrderById().forEach(p -> ids.add(p.id));
        if (ids.size() > PartFile.MOST) {
            throw Refusal.of(
                    HttpStatus.CONFLICT,
                    "There may be " + PartFile.MOST + " parts of your own; that would be " + ids.size()
                            + ". Nothing was changed.");
        }
    }

    private void store(Person who, List<Part> parts) {
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        parts.forEach(p -> repository.save(new PartEntity(who, p.id(), mapper.writeValueAsString(p), now)));
    }

    /** Takes an own part away; a built-in one of the same id stands again. */
    void remove(String id) {
        PartEntity part = repository
                .findById(id)
                .orElseThrow(() -> Refusal.of(HttpStatus.NOT_FOUND, "There is no part of your own with that id."));
        repository.delete(part);
    }

    @Override
    public String property() {
        return "parts";
    }

    @Override
    public JsonNode schema(Function<Class<?>, JsonNode> records) {
        return PlanAttachment.list(records.apply(Part.class), PartFile.MOST);
    }

    @Override
    @Transactional(readOnly = true)
    public JsonNode export(UUID id) {
        Set<String> used = PartsUsed.of(plans.get(id).plan());
        List<Part> own = own().stream().filter(p -> used.contains(p.id())).toList();
        return own.isEmpty() ? null : mapper.valueToTree(own);
    }

    /** Parts that are here already stay as they are here. */
    @Override
    @Transactional(propagation = Propagation.SUPPORTS)
    public BiConsumer<Person, UUID> prepare(JsonNode content) {
        List<Part> parts = new ArrayList<>(checked(content));
        return (who, plan) -> {
            Catalogue here = catalogue();
            parts.removeIf(p -> here.find(p.id()).isPresent());
            store(who, parts);
        };
    }

    /** The parts are here for every plan. */
    @Override
    public void copy(Person who, UUID from, UUID to) {
        // nothing to do
    }

    /** They are not one plan's alone. */
    @Override
    public void purge(UUID plan) {
        // nothing to do
    }

    @Override
    @Transactional(readOnly = true)
    public long size(UUID plan) {
        JsonNode used = export(plan);
        return used == null ? 0 : mapper.writeValueAsBytes(used).length;
    }

    /** What a file says is held to the same bounds as a typed list. */
    private List<Part> checked(JsonNode content) {
        try {
            if (!content.isArray() || content.size() > PartFile.MOST) {
                throw Refusal.invalid(
                        "The parts cannot be read. Nothing was changed.",
                        List.of(new Problem("/parts", "must be a list of at most " + PartFile.MOST + " parts")));
            }
            for (JsonNode one : content) {
                if (!one.isObject()) {
                    throw Refusal.invalid(
                            "The parts cannot be read. Nothing was changed.",
                            List.of(new Problem("/parts", "must hold parts only")));
                }
            }
            List<Part> parts = Arrays.asList(mapper.treeToValue(content, Part[].class));
            for (int i = 0; i < parts.size(); i++) {
                Part part = parts.get(i);
                if (part.id() == null || part.name() == null || part.kind() == null) {
                    throw Refusal.invalid(
                            "The parts cannot be read. Nothing was changed.",
                            List.of(new Problem("/parts/" + i, "has no id, name or kind")));
                }
            }
            return PartFile.read(PartFile.write(parts));
        } catch (JacksonException e) {
            throw Refusal.invalid("The parts cannot be read. Nothing was changed.", List.of(Reading.problem(e)));
        } catch (PartFile.Unreadable e) {
            throw Refusal.invalid(
                    "The parts cannot be read. Nothing was changed.",
                    e.problems().stream()
                            .map(p -> new Problem("/parts" + p.pointer(), p.message()))
                            .toList());
        }
    }
}
