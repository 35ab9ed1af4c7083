package org.skelto.server.plans;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.skelto.core.plan.Plan;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Plans as they were at the end of the last {@value #MOST} days on which they were changed. A day's end is kept when the
 * first edit of a later day comes, together with that edit or not at all.
 */
@Service
@Transactional
class PlanDays {
    static final int MOST = 10;

    private final PlanDayRepository repository;
    private final Clock clock;

    PlanDays(PlanDayRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    /** Keeps a plan as it stands, when its last change was made on an earlier day than today. */
    void beforeEdit(PlanEntity plan) {
        LocalDate last = plan.updatedAt.atZone(clock.getZone()).toLocalDate();
        if (!last.isBefore(LocalDate.now(clock))) {
            return;
        }
        repository.save(new PlanDayEntity(plan, last));
        List<PlanDay> days = repository.days(plan.id);
        if (days.size() > MOST) {
            repository.deleteUntil(plan.id, days.get(MOST).day());
        }
    }

    @Transactional(readOnly = true)
    List<PlanDay> of(UUID plan) {
        return repository.days(plan);
    }

    /** The document of a day; refused with 404 when there is none. */
    @Transactional(readOnly = true)
    Plan document(UUID plan, LocalDate day, Documents documents) {
        return repository
                .findById(new PlanDayEntity.Key(plan, day))
                .map(d -> documents.readStored(d.document))
                .orElseThrow(() -> Refusal.of(HttpStatus.NOT_FOUND, "The plan is not kept as it was on that day."));
    }
}
