package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.RULES;

import java.util.List;
import java.util.Objects;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.plan.Pointers;
import org.skelto.core.sight.Sights;
import org.skelto.core.snags.Check.Code;

/** U23: ways into the house that no sensor sees and no contact tells of. */
final class SightChecks {
    static final Check CHECK = Check.reading(
            "snags of sensors",
            List.of(Code.of("U23", RULES, "way into the house that no sensor sees and no contact tells of", LOOK)),
            List.of(
                    PlanPart.SITE,
                    PlanPart.UNIT_PLACES,
                    PlanPart.DEVICE_NAMES,
                    PlanPart.DEVICE_ROLES,
                    PlanPart.DEVICE_PLACES,
                    PlanPart.DEVICE_SIGHT),
            List.of(HouseFacts.SIGHTS),
            SightChecks::run);

    private SightChecks() {}

    /** Asked only of a house in which somebody said what at least one sensor sees. */
    static void run(CheckContext c) {
        Sights sights = c.sights();
        List<Sights.OutsideOpening> unwatched = sights.openings().stream()
                .filter(o -> !o.high() && !o.watched())
                .toList();
        if (sights.sensors().isEmpty() || unwatched.isEmpty()) {
            return;
        }
        List<String> rooms = unwatched.stream()
                .map(o -> Objects.requireNonNull(c.plan.rooms().get(o.room())).name())
                .distinct()
                .toList();
        c.snag("U23", LOOK, RULES, unwatched.size() + " ways into the house are watched by nothing")
                .figures("in " + CheckContext.some(6, rooms))
                .leadsTo("Who comes in there is noticed only further inside, or not at all.")
                .at(Pointers.of("openings", unwatched.get(0).opening()))
                .add();
    }
}
